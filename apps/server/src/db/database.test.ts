import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { type TestServer, testServer } from '../test/server.ts';
import { migrateDatabase } from './database.ts';

const folder = join(__dirname, '../../drizzle');

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.end());

test('what a newer version has changed is left alone, and said', async () => {
  await expect(migrateDatabase(server.db, folder)).resolves.toBeUndefined();
  await server.db.execute(
    sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', ${Date.UTC(2099, 0, 1)})`,
  );
  await expect(migrateDatabase(server.db, folder)).rejects.toThrow('newer version');
});

import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as schema from './schema.ts';

export type Database = NodePgDatabase<typeof schema>;
/** A database or a transaction on one. */
export type Queries = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>;

interface Connection {
  db: Database;
  close: () => Promise<void>;
}

/** Opens a pool of connections to the database at `url`. */
export function connect(url: string): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 12, connectionTimeoutMillis: 5000 });
  // A connection that breaks while idle is replaced on the next query; without a listener it would end the process.
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`));
  // So would one that breaks in the middle of a transaction: there the query that was under way tells of it.
  pool.on('connect', (client) => client.on('error', () => {}));
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), close: () => pool.end() };
}

/** Brings the database to the newest schema, one transaction for all that is missing. */
export async function migrateDatabase(db: Database, migrationsFolder: string): Promise<void> {
  await migrate(db, { migrationsFolder });
}

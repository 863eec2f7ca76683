import { sql } from 'drizzle-orm';
import { readMigrationFiles } from 'drizzle-orm/migrator';
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

/** When the newest of the changes was made that this database has; 0 where it is new. */
async function newestApplied(db: Database): Promise<number> {
  const { rows: there } = await db.execute<{ there: string | null }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') as there`,
  );
  if (!there[0]?.there) return 0;
  const { rows } = await db.execute<{ newest: string | null }>(
    sql`select max(created_at) as newest from drizzle.__drizzle_migrations`,
  );
  return Number(rows[0]?.newest ?? 0);
}

/** Brings the database to the newest schema, one transaction for all that is missing. @throws Error where it is newer than this program */
export async function migrateDatabase(db: Database, migrationsFolder: string): Promise<void> {
  const known = readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis);
  if ((await newestApplied(db)) > Math.max(...known))
    throw new Error(
      'These data were last used by a newer version of Early Lantern. Nothing was changed: start that version, or restore a backup made by this one.',
    );
  await migrate(db, { migrationsFolder });
}

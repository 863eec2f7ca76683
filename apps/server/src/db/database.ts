import { sql } from 'drizzle-orm';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as schema from './schema.ts';
import { ROWS_ROLE, WorkshopPool } from './workshop-pool.ts';

export type Database = NodePgDatabase<typeof schema>;
/** A database or a transaction on one. */
export type Queries = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>;

interface Connection {
  db: Database;
  close: () => Promise<void>;
}

const settings = (url: string): pg.PoolConfig => ({
  connectionString: url,
  max: 12,
  connectionTimeoutMillis: 5000,
});

/** Connections to the whole installation at `url`: for what belongs to no workshop, and for what makes and keeps the database. */
export const connect = (url: string): Connection => opened(new pg.Pool(settings(url)));

/**
 * Connections that see the rows of one workshop: of the one that is asked for (`which-workshop.ts`).
 * @param otherwise the workshop where nobody has said which; without it nothing is answered then
 */
export const connectToWorkshops = (url: string, otherwise?: string): Connection =>
  opened(new WorkshopPool(settings(url), otherwise));

function opened(pool: pg.Pool): Connection {
  // A connection that breaks while idle is replaced on the next query; without a listener it would end the process.
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`));
  // So would one that breaks in the middle of a transaction: there the query that was under way tells of it.
  pool.on('connect', (client) => client.on('error', () => {}));
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), close: () => pool.end() };
}

/** When the newest of the changes was made that this database has; 0 where it is new. */
export async function newestApplied(db: Database): Promise<number> {
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
  await admitRowsRole(db);
}

/**
 * Lets the role in that reads and writes rows of workshops. Roles belong to the whole server of databases and are in no backup: it is
 * made where it is missing.
 * @throws Error where this account may not make it, with what to do
 */
async function admitRowsRole(db: Database): Promise<void> {
  const { rows } = await db.execute<{ account: string; there: boolean; may: boolean }>(sql`
    select current_user as account, r.oid is not null as there,
      coalesce(pg_has_role(current_user, r.oid, 'member'), false) as may
    from (select) one left join pg_roles r on r.rolname = ${ROWS_ROLE}
  `);
  const { account = '', there = false, may = false } = rows[0] ?? {};
  // Another database of the same server may make it at the same moment.
  const make = `do $$ begin create role ${ROWS_ROLE} nologin; exception when duplicate_object or unique_violation then null; end $$`;
  try {
    if (!there) await db.execute(sql.raw(make));
    if (!may) await db.execute(sql.raw(`grant ${ROWS_ROLE} to current_user`));
  } catch {
    throw new Error(
      `The account "${account}" of PostgreSQL may not make roles. Have its administrator run: create role ${ROWS_ROLE} nologin; grant ${ROWS_ROLE} to "${account}";`,
    );
  }
  await db.execute(
    sql.raw(`
      grant usage on schema public to ${ROWS_ROLE};
      grant select, insert, update, delete on all tables in schema public to ${ROWS_ROLE};
      revoke all on work_items, work_hands, pulse from ${ROWS_ROLE};
      grant usage on all sequences in schema public to ${ROWS_ROLE};
    `),
  );
}

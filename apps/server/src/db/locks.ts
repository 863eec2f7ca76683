import { sql } from 'drizzle-orm';
import pg from 'pg';
import { whoAsks } from '../people/who.ts';
import type { Database, Queries } from './database.ts';
import { workshopAsked } from './which-workshop.ts';

/** Numbers of this product's advisory locks, any constants. */
const HOUSE_LOCK = 431_019;
const START_LOCK = 431_020;
const SITE_LOG_LOCK = 431_021;

/** Does something while no other process does that to the same database; it waits for its turn. */
export async function alone(url: string, work: () => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  // A connection that breaks lets go of the lock; the work itself then fails on its own.
  client.on('error', () => {});
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [START_LOCK]);
    await work();
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Tells the triggers that keep earlier versions who changes something in this transaction. */
const byWhom = () => sql`set_config('lantern.by', ${whoAsks.getStore()?.account.name ?? ''}, true)`;
/** One house each: a change in one workshop does not wait for another's. */
const house = () => sql`${HOUSE_LOCK}, hashtext(${workshopAsked() ?? ''})`;

/**
 * Runs a change to one job. Many may run side by side, but none beside a change to what all jobs share, so that the
 * check "this job still names only crew, spots and colours that exist" cannot be overtaken.
 */
export function changeJob<T>(db: Database, change: (tx: Queries) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select ${byWhom()}, pg_advisory_xact_lock_shared(${house()})`);
    return change(tx);
  });
}

/** Runs a change to what all jobs share (workshop, crew, sites) or to several jobs at once, alone. */
export function changeHouse<T>(db: Database, change: (tx: Queries) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select ${byWhom()}, pg_advisory_xact_lock(${house()})`);
    return change(tx);
  });
}

/** Until the transaction ends nobody else adds to a job's log on site. */
export const holdSiteLog = (tx: Queries, jobId: string) =>
  tx.execute(
    sql`select pg_advisory_xact_lock(${SITE_LOG_LOCK}, hashtext(${`${workshopAsked() ?? ''}/${jobId}`}))`,
  );

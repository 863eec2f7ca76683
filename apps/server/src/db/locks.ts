import { sql } from 'drizzle-orm';
import type { Database, Queries } from './database.ts';

/** Number of this product's advisory lock, any constant. */
const HOUSE_LOCK = 431_019;

/**
 * Runs a change to one job. Many may run side by side, but none beside a change to what all jobs share, so that the
 * check "this job still names only crew, spots and colours that exist" cannot be overtaken.
 */
export function changeJob<T>(db: Database, change: (tx: Queries) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock_shared(${HOUSE_LOCK})`);
    return change(tx);
  });
}

/** Runs a change to what all jobs share (workshop, crew, sites) or to several jobs at once, alone. */
export function changeHouse<T>(db: Database, change: (tx: Queries) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${HOUSE_LOCK})`);
    return change(tx);
  });
}

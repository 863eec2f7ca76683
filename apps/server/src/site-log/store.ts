import type { KeptEntry, PersonId, SentEntries, SiteEntry, SiteLog } from '@early-lantern/contract';
import { and, asc, count, eq, gt, max, type SQL, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { holdSiteLog } from '../db/locks.ts';
import { siteEntries } from '../db/schema.ts';
import { ProblemError } from '../http/problem.ts';

/** Entries that are handed out at once. */
const A_PART = 2_000;
/** A day on site has some hundreds. */
const MOST_ENTRIES = 20_000;

/**
 * What was written down of a job after an entry.
 * @param after its number
 * @param afterId its id; where this log has another one under that number, or none, all of it is answered
 */
export async function logAfter(
  db: Queries,
  jobId: string,
  after: number,
  afterId?: string,
): Promise<SiteLog> {
  const isAnew = afterId !== undefined && !(await isEntry(db, jobId, after, afterId));
  const rows = await db
    .select()
    .from(siteEntries)
    .where(and(eq(siteEntries.jobId, jobId), gt(siteEntries.seq, isAnew ? 0 : after)))
    .orderBy(asc(siteEntries.seq))
    .limit(A_PART);
  const [known] = await db
    .select({ last: max(siteEntries.seq) })
    .from(siteEntries)
    .where(eq(siteEntries.jobId, jobId));
  return {
    entries: rows.map(asKept),
    last: known?.last ?? 0,
    now: new Date().toISOString(),
    isAnew,
  };
}

async function isEntry(db: Queries, jobId: string, seq: number, id: string): Promise<boolean> {
  const [found] = await db
    .select({ seq: siteEntries.seq })
    .from(siteEntries)
    .where(and(eq(siteEntries.jobId, jobId), eq(siteEntries.id, id)));
  return found?.seq === seq;
}

/** All of it. */
export async function wholeLog(db: Queries, jobId: string): Promise<KeptEntry[]> {
  const rows = await db
    .select()
    .from(siteEntries)
    .where(eq(siteEntries.jobId, jobId))
    .orderBy(asc(siteEntries.seq));
  return rows.map(asKept);
}

/** That somebody has signed for what stands on a photo. */
export const signedForPhoto = (jobId: string, photoId: string): SQL => {
  const about = JSON.stringify({ kind: 'signed', photos: [{ id: photoId }] });
  return sql`exists (select 1 from ${siteEntries} where ${siteEntries.jobId} = ${jobId} and ${siteEntries.event} @> ${about}::jsonb)`;
};

/**
 * Adds what a device has written down; what is known already stays as it is, so that it may be sent again and again.
 *
 * One after the other for each job: a number that is seen later than a higher one would never be asked for.
 */
export async function addEntries(tx: Queries, jobId: string, sent: SentEntries): Promise<void> {
  if (sent.entries.length === 0) return;
  await holdSiteLog(tx, jobId);
  const [there] = await tx.select({ entries: count() }).from(siteEntries).where(eq(siteEntries.jobId, jobId));
  if ((there?.entries ?? 0) + sent.entries.length > MOST_ENTRIES)
    throw new ProblemError('input-refused', `The log of a job takes ${MOST_ENTRIES} entries; it is full.`);
  const now = Date.now();
  await tx
    .insert(siteEntries)
    .values(
      sent.entries.map(({ id, at, by, event, replaces }) => ({
        jobId,
        id,
        device: sent.device,
        at: byOurClock(at, sent.clockOffMs, now),
        by,
        event,
        replaces: replaces ?? null,
      })),
    )
    .onConflictDoNothing();
}

/** A device's time by this server's clock, and never in the future: nothing is written down before it happens. */
const byOurClock = (at: SiteEntry['at'], clockOffMs: number, now: number): Date =>
  new Date(Math.min(now, Date.parse(at) + clockOffMs));

export const asKept = (row: typeof siteEntries.$inferSelect): KeptEntry => ({
  id: row.id,
  seq: row.seq,
  device: row.device,
  at: row.at.toISOString(),
  by: row.by as PersonId,
  event: row.event,
  ...(row.replaces ? { replaces: row.replaces } : {}),
});

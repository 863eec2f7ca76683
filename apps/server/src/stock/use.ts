import type { JobUse, WorkshopRow } from '@early-lantern/contract';
import { movementsBack, movementsOfUse } from '@early-lantern/core';
import { eq, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import { refused } from '../http/problem.ts';
import { getJob } from '../jobs/store.ts';
import type { Reason } from '../workshop/shelves.ts';
import { getSettings, updateSettings } from '../workshop/store.ts';
import { book } from './ledger.ts';

/** Records once what a job used: it goes off the shelf, and the job holds nothing any more. */
export async function recordUse(db: Queries, jobId: string, use: JobUse) {
  const { usedAt, data: head } = await getJob(db, jobId);
  if (usedAt) throw refused([{ path: 'jobId', reason: 'what this job used has been recorded already' }]);
  const { data } = await getSettings(db);
  const booked = await book(db, movementsOfUse(jobId, head.name, use, data.stock));
  const taken = use.materials.map(({ item, used }) => ({
    item,
    used: Math.min(used, data.materials?.find((row) => row.item === item)?.onHand ?? 0),
  }));
  const why = { kind: 'used', note: head.name, jobId } as const;
  const workshop = await changeMaterials(db, booked.workshop, taken, -1, why);
  await db
    .update(jobs)
    .set({ used: { ...use, materials: taken }, usedAt: sql`now()` })
    .where(eq(jobs.id, jobId));
  return { ...booked, workshop };
}

/** Takes a recorded use back: the balloons return to the shelf, and the job holds what it needs again. */
export async function takeBackUse(db: Queries, jobId: string) {
  const { data: head } = await getJob(db, jobId);
  const [row] = await db.select({ used: jobs.used }).from(jobs).where(eq(jobs.id, jobId));
  if (!row?.used) throw refused([{ path: 'jobId', reason: 'nothing has been recorded for this job' }]);
  const booked = await book(db, movementsBack(jobId, `${head.name}, taken back`, row.used));
  const why = { kind: 'returned', note: `${head.name}, taken back`, jobId } as const;
  const workshop = await changeMaterials(db, booked.workshop, row.used.materials, 1, why);
  await db.update(jobs).set({ used: null, usedAt: null }).where(eq(jobs.id, jobId));
  return { ...booked, workshop };
}

async function changeMaterials(
  db: Queries,
  { revision, data }: WorkshopRow,
  rows: readonly { item: string; used: number }[],
  direction: 1 | -1,
  why: Reason,
): Promise<WorkshopRow> {
  if (rows.every(({ used }) => used === 0)) return { ...(await getSettings(db)) };
  const materials = (data.materials ?? []).map((row) => {
    const used = rows.find(({ item }) => item === row.item)?.used ?? 0;
    return { ...row, onHand: Math.max(0, row.onHand + direction * used) };
  });
  return updateSettings(db, revision, { ...data, materials }, why);
}

import { and, asc, gte, isNull } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import type { Reckoning } from '../stock/needs-of-all.ts';
import { filesBetween } from '../stock/season.ts';
import type { LampKeeper } from './keeper.ts';

/** So many: a program that has done a thing a few times does it several times faster. */
const JOBS = 3;

/** Works out the lamps of the next doors beforehand, so that a worker has done it before somebody waits for it; a stop in the middle of it does no harm. */
export async function warmLamps(db: Database, lamps: LampKeeper, reckon: Reckoning): Promise<void> {
  const next = await db
    .select({ doors: jobs.doors })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, new Date())))
    .orderBy(asc(jobs.doors))
    .limit(JOBS);
  const [first, last] = [next[0], next.at(-1)];
  if (!first || !last) return;
  const justAfter = new Date(last.doors.getTime() + 1000);
  await lamps.lampsOf(db, await filesBetween(db, first.doors, justAfter, reckon));
}

import { and, asc, gte, isNull } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import type { Reckoning } from '../stock/needs-of-all.ts';
import { filesBetween } from '../stock/season.ts';
import type { LampKeeper } from './keeper.ts';

/** Works out the lamps of the next doors beforehand, so that a worker has done it once; a stop in the middle of it does no harm. */
export async function warmLamps(db: Database, lamps: LampKeeper, reckon: Reckoning): Promise<void> {
  const [next] = await db
    .select({ doors: jobs.doors })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, new Date())))
    .orderBy(asc(jobs.doors))
    .limit(1);
  if (!next) return;
  const justAfter = new Date(next.doors.getTime() + 1000);
  await lamps.lampsOf(db, await filesBetween(db, next.doors, justAfter, reckon));
}

import type { GearAway, KeptEntry } from '@early-lantern/contract';
import { gearAway } from '@early-lantern/core';
import { and, asc, eq, gte, inArray, isNull, lt, ne, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { jobs, siteEntries } from '../db/schema.ts';
import { getJob } from '../jobs/store.ts';
import { asKept } from '../site-log/store.ts';

/** Of jobs longer ago nobody looks for a thing any more, ms: a season. From memory, an editable default. */
const LOOKED_FOR_MS = 120 * 24 * 60 * 60 * 1000;

/** What did not come home whole from the jobs before this one. */
export async function awayBefore(db: Queries, jobId: string): Promise<GearAway[]> {
  const { data } = await getJob(db, jobId);
  const doors = new Date(data.doors);
  const rows = await db
    .select({ entry: siteEntries, name: sql<string>`${jobs.data}->>'name'` })
    .from(siteEntries)
    .innerJoin(jobs, eq(jobs.id, siteEntries.jobId))
    .where(
      and(
        isNull(jobs.deletedAt),
        ne(jobs.id, jobId),
        gte(jobs.doors, new Date(doors.getTime() - LOOKED_FOR_MS)),
        lt(jobs.doors, doors),
        inArray(sql`${siteEntries.event}->>'kind'`, ['gear', 'taken-back']),
      ),
    )
    .orderBy(asc(siteEntries.seq));
  const ofJobs = new Map<string, { job: string; log: KeptEntry[] }>();
  for (const { entry, name } of rows) {
    const own = ofJobs.get(entry.jobId) ?? { job: name, log: [] };
    ofJobs.set(entry.jobId, own);
    own.log.push(asKept(entry));
  }
  return gearAway([...ofJobs.values()]);
}

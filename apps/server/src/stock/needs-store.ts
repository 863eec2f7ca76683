import { createHash } from 'node:crypto';
import { setImmediate as turn } from 'node:timers/promises';
import type { CrewMember, WorkshopSettings } from '@early-lantern/contract';
import { type JobNeeds, needsOfJob } from '@early-lantern/core';
import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { crew, jobNeeds, jobs, sites } from '../db/schema.ts';
import { assembleJobFile } from '../job-files/assemble.ts';
import { findSettings } from '../workshop/store.ts';

/**
 * What every open job takes: of those to come, and of those that are over and not recorded. Read from what was worked out before;
 * where a job, its pieces, its site or the ways of the workshop have changed since, it is worked out again and kept.
 */
export async function openNeeds(db: Queries, settings: WorkshopSettings): Promise<JobNeeds[]> {
  const people = (await db.select({ data: crew.data }).from(crew).orderBy(crew.id)).map(({ data }) => data);
  const ways = waysOf(settings, people);
  const theirPieces = sql<string>`(
    select coalesce(string_agg(p.id || ' ' || p.revision || ' ' || p.position, ',' order by p.position, p.id), '')
    from pieces p where p.job_id = ${jobs.id}
  )`;
  const rows = await db
    .select({
      id: jobs.id,
      made: sql<string>`concat_ws('|', ${jobs.revision}, ${sites.id}, ${sites.revision}, md5(${theirPieces}))`,
      known: jobNeeds.madeOf,
      needs: jobNeeds.needs,
    })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .leftJoin(jobNeeds, eq(jobNeeds.jobId, jobs.id))
    .where(and(isNull(jobs.deletedAt), isNull(jobs.usedAt)))
    .orderBy(jobs.doors, jobs.id);
  const all: JobNeeds[] = [];
  for (const { id, made, known, needs } of rows) {
    const madeOf = `${ways}|${made}`;
    if (needs && known === madeOf) {
      all.push(needs);
      continue;
    }
    const fresh = needsOfJob(await assembleJobFile(db, id));
    await db
      .insert(jobNeeds)
      .values({ jobId: id, madeOf, needs: fresh })
      .onConflictDoUpdate({ target: [jobNeeds.workshopId, jobNeeds.jobId], set: { madeOf, needs: fresh } });
    all.push(fresh);
    // Others get their turn between two jobs.
    await turn();
  }
  return all;
}

/** Works out beforehand what is not known yet; a stop in the middle of it does no harm. */
export async function warmNeeds(db: Queries): Promise<void> {
  const settings = await findSettings(db).catch(() => undefined);
  if (settings) await openNeeds(db, settings.data).catch(() => undefined);
}

/** Of a workshop whatever needs may go by, as one word: not what is on the shelf, which changes with every booking. */
function waysOf(settings: WorkshopSettings, people: readonly CrewMember[]): string {
  const { stock: _, onOrder: __, suppliers: ___, ...ways } = settings;
  return createHash('sha1')
    .update(JSON.stringify([VERSION, ways, people]))
    .digest('base64');
}

/** Counts up with every change of the program that makes other needs of the same job. */
const VERSION = 2;

import { createHash } from 'node:crypto';
import type { Availability, DayCounts, JobFile, Lack } from '@early-lantern/contract';
import {
  balloonsTogether,
  type JobNeeds,
  lacksOfAll,
  leftForEach,
  needsOfJob,
  totalMaterials,
  workedJob,
} from '@early-lantern/core';
import { and, gte, isNull, lt } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { Queries } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import { assembleJobFile } from '../job-files/assemble.ts';
import { getJob } from '../jobs/store.ts';

/** What a file's job needs, by the file's own text: it is dear to work out, and asked for with every job looked at. */
const knownNeeds = new LRUCache<string, JobNeeds>({ max: 500 });

function needsOf(file: JobFile): JobNeeds {
  const key = createHash('sha1').update(JSON.stringify(file)).digest('base64');
  const known = knownNeeds.get(key) ?? needsOfJob(file);
  knownNeeds.set(key, known);
  return known;
}

/** The jobs that still hold what they need: those to come, and those that are over and not recorded. */
async function openJobs(db: Queries): Promise<JobFile[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), isNull(jobs.usedAt)))
    .orderBy(jobs.doors, jobs.id);
  return Promise.all(rows.map(({ id }) => assembleJobFile(db, id)));
}

const NOTHING_LEFT = { reserved: [], heldMaterials: [], othersLack: [], overlapping: [] };

/** What the other open jobs leave to this one. */
export async function availabilityFor(db: Queries, jobId: string): Promise<Availability> {
  const { usedAt } = await getJob(db, jobId);
  if (usedAt) return { ...NOTHING_LEFT, isUsed: true };
  return leftForEach(await openJobs(db), needsOf)[jobId] ?? { ...NOTHING_LEFT, isUsed: false };
}

/** What all open jobs lack, each on its day. */
export async function lacksOfSeason(db: Queries): Promise<Lack[]> {
  return lacksOfAll(await openJobs(db), needsOf);
}

/** Balloons and materials of several jobs together. */
export async function countTogether(db: Queries, from: Date, until: Date): Promise<DayCounts> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, from), lt(jobs.doors, until)))
    .orderBy(jobs.doors, jobs.id);
  const files = await Promise.all(rows.map(({ id }) => assembleJobFile(db, id)));
  const counted = files.map((file) => ({ job: file.job, ...workedJob(file).counts }));
  return {
    jobs: counted.map(({ job, balloons }) => ({
      id: job.id,
      name: job.name,
      balloons: balloons.reduce((sum, row) => sum + row.need, 0),
    })),
    balloons: balloonsTogether(files),
    materials: totalMaterials(counted.map(({ job, materials }) => ({ name: job.name, materials }))),
  };
}

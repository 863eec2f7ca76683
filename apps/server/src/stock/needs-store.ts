import { createHash } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { CrewMember, WorkshopSettings } from '@early-lantern/contract';
import type { JobNeeds } from '@early-lantern/core';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { Queries } from '../db/database.ts';
import { crew, jobNeeds, jobs, sites } from '../db/schema.ts';
import { workshopAsked } from '../db/which-workshop.ts';
import { tellChanged } from '../events/hub.ts';
import { assembleJobFiles } from '../job-files/assemble.ts';
import { findSettings } from '../workshop/store.ts';
import type { Reckoning } from './needs-of-all.ts';

/**
 * What every open job takes: of those to come, and of those that are over and not recorded. Read from what was worked out before;
 * where a job, its pieces, its site or the ways of the workshop have changed since, it is worked out again and kept.
 */
export async function openNeeds(
  db: Queries,
  settings: WorkshopSettings,
  reckon: Reckoning,
): Promise<JobNeeds[]> {
  const all = await readNeeds(db, settings);
  await workOutMissing(db, all, reckon);
  return known(all);
}

/**
 * The same for whoever looks at jobs with doors before a moment. Where very many later ones were never worked out, as after a
 * season was read in, they are left out and worked out behind: what they buy is told then, and what they take is theirs only
 * after everything before.
 */
export async function needsUpTo(
  db: Queries,
  settings: WorkshopSettings,
  reckon: Reckoning,
  moment: Date,
): Promise<JobNeeds[]> {
  const all = await readNeeds(db, settings);
  const margin = moment.getTime() + SHARED_DAY_MS;
  const isLater = ({ begins }: Read) => Date.parse(begins) > margin;
  const laterUnknown = all.filter((one) => !one.needs && isLater(one));
  if (laterUnknown.length <= AT_ONCE) {
    await workOutMissing(db, all, reckon);
    return known(all);
  }
  const soon = all.filter((one) => !isLater(one));
  await workOutMissing(db, soon, reckon);
  workOutBehind(db, laterUnknown, reckon);
  return known(soon);
}

/** Gear that is out on the day on which another's comes home is shared with it, whatever the clock of the place. */
const SHARED_DAY_MS = 2 * 24 * 60 * 60 * 1000;

/** A job with what is known of its needs. */
interface Read {
  id: string;
  /** When one may come in, RFC 3339. */
  begins: string;
  madeOf: string;
  needs: JobNeeds | null;
}

async function readNeeds(db: Queries, settings: WorkshopSettings): Promise<Read[]> {
  const people = (await db.select({ data: crew.data }).from(crew).orderBy(crew.id)).map(({ data }) => data);
  const ways = waysOf(settings, people);
  const theirPieces = sql<string>`(
    select coalesce(string_agg(p.id || ' ' || p.revision || ' ' || p.position, ',' order by p.position, p.id), '')
    from pieces p where p.job_id = ${jobs.id}
  )`;
  const rows = await db
    .select({
      id: jobs.id,
      begins: sql<string>`${jobs.data}->'access'->>'from'`,
      made: sql<string>`concat_ws('|', ${jobs.revision}, ${sites.id}, ${sites.revision}, md5(${theirPieces}))`,
      known: jobNeeds.madeOf,
    })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .leftJoin(jobNeeds, eq(jobNeeds.jobId, jobs.id))
    .where(and(isNull(jobs.deletedAt), isNull(jobs.usedAt)))
    .orderBy(jobs.doors, jobs.id);
  const kept = rows.filter(({ made, known }) => known === `${ways}|${made}`);
  const needs = await keptNeeds(
    db,
    kept.map(({ id, made }) => ({ id, madeOf: `${ways}|${made}` })),
  );
  return rows.map(({ id, begins, made }) => ({
    id,
    begins,
    madeOf: `${ways}|${made}`,
    needs: needs.get(id) ?? null,
  }));
}

/** What was worked out before, by job id: only what this process does not remember is read. */
async function keptNeeds(
  db: Queries,
  wanted: readonly { id: string; madeOf: string }[],
): Promise<Map<string, JobNeeds>> {
  const memory = memoryOf(db);
  const known = ({ id, madeOf }: { id: string; madeOf: string }) => {
    const found = memory.get(keyOf(id));
    return found?.madeOf === madeOf ? found.needs : undefined;
  };
  const unread = wanted.filter((one) => !known(one)).map(({ id }) => id);
  if (unread.length > 0) {
    const rows = await db.select().from(jobNeeds).where(inArray(jobNeeds.jobId, unread));
    for (const { jobId, madeOf, needs } of rows) memory.set(keyOf(jobId), { madeOf, needs });
  }
  return new Map(
    wanted.flatMap((one) => {
      const needs = known(one);
      return needs ? [[one.id, needs]] : [];
    }),
  );
}

type Memory = LRUCache<string, { madeOf: string; needs: JobNeeds }>;

/** Of each database: the needs of a season are asked for with every list, and reading them all takes longer than going by them. */
const memories = new WeakMap<Queries, Memory>();
const MOST_REMEMBERED = 5_000;

function memoryOf(db: Queries): Memory {
  const memory: Memory = memories.get(db) ?? new LRUCache({ max: MOST_REMEMBERED });
  memories.set(db, memory);
  return memory;
}

const keyOf = (jobId: string) => `${workshopAsked() ?? ''}/${jobId}`;

/** One that cannot be counted holds nothing, and keeps nothing from the others: its own lamps say what is wrong. */
const known = (all: readonly Read[]): JobNeeds[] => all.flatMap(({ needs }) => needs ?? []);

/** Works out what is not known and keeps it, the jobs with the earliest doors first. */
async function workOutMissing(db: Queries, all: readonly Read[], reckon: Reckoning): Promise<void> {
  const unknown = all.filter(({ needs }) => !needs);
  for (let from = 0; from < unknown.length; from += AT_ONCE) {
    const asked = unknown.slice(from, from + AT_ONCE);
    const files = await assembleJobFiles(
      db,
      asked.map(({ id }) => id),
    );
    const fresh = await reckon(files);
    for (const [i, one] of asked.entries()) {
      const needs = fresh[i];
      if (!needs) continue;
      one.needs = needs;
      await db
        .insert(jobNeeds)
        .values({ jobId: one.id, madeOf: one.madeOf, needs })
        .onConflictDoUpdate({
          target: [jobNeeds.workshopId, jobNeeds.jobId],
          set: { madeOf: one.madeOf, needs },
        });
      memoryOf(db).set(keyOf(one.id), { madeOf: one.madeOf, needs });
    }
  }
}

/** So many jobs are handed to a worker together. */
const AT_ONCE = 20;

/** Whoever asked waits for lamps now: the cores are theirs for so long, ms. */
const FIRST_THE_OTHERS_MS = 4000;

/** Workshops for which this process is at it. */
const behind = new Set<string | undefined>();

/** Works out what nobody waits for, once, and says so when all is known. */
function workOutBehind(db: Queries, unknown: readonly Read[], reckon: Reckoning): void {
  const workshop = workshopAsked();
  if (behind.has(workshop)) return;
  behind.add(workshop);
  void sleep(FIRST_THE_OTHERS_MS, undefined, { ref: false })
    .then(() => workOutMissing(db, unknown, reckon))
    // Told only where it is known more than before: whoever hears it asks again.
    .then(async () => {
      if (known(unknown).length > 0) await tellChanged(db, 'needs');
    })
    // Whoever looks next begins where it stopped.
    .catch(() => undefined)
    .finally(() => behind.delete(workshop));
}

/** Works out beforehand what is not known yet; a stop in the middle of it does no harm. */
export async function warmNeeds(db: Queries, reckon: Reckoning): Promise<void> {
  const settings = await findSettings(db).catch(() => undefined);
  if (settings) await openNeeds(db, settings.data, reckon).catch(() => undefined);
}

/** Of a workshop whatever needs may go by, as one word: not what is on the shelf, which changes with every booking. */
function waysOf(settings: WorkshopSettings, people: readonly CrewMember[]): string {
  const { stock: _, onOrder: __, suppliers: ___, ...ways } = settings;
  return createHash('sha1')
    .update(JSON.stringify([VERSION, ways, people]))
    .digest('base64');
}

/** Counts up with every change of the program that makes other needs of the same job. */
const VERSION = 4;

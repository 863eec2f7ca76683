import type {
  Availability,
  DayCounts,
  GearAway,
  JobFile,
  Lack,
  ProductWant,
  WorkshopSettings,
} from '@early-lantern/contract';
import {
  balloonsTogether,
  countedHome,
  countedHomeAt,
  filesAskedFor,
  gearAway,
  type JobNeeds,
  lacksOfAll,
  leftFor,
  totalMaterials,
  workedJob,
} from '@early-lantern/core';
import { and, gte, isNull, lt } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import { assembleJobFiles } from '../job-files/assemble.ts';
import { getJob } from '../jobs/store.ts';
import { getSettings } from '../workshop/store.ts';
import { type GearTold, gearTold } from './gear-told.ts';
import type { Reckoning } from './needs-of-all.ts';
import { needsUpTo, openNeeds } from './needs-store.ts';

export const NOTHING_LEFT = {
  reserved: [],
  heldMaterials: [],
  othersLack: [],
  overlapping: [],
  awayGear: [],
};

/** What the other open jobs leave to this one. */
export async function availabilityFor(db: Queries, jobId: string, reckon: Reckoning): Promise<Availability> {
  const { usedAt } = await getJob(db, jobId);
  if (usedAt) return { ...NOTHING_LEFT, isUsed: true };
  const season = await readSeason(db, (settings) => openNeeds(db, settings, reckon));
  const left = await leftIn(db, season, (id) => id === jobId);
  return left[jobId] ?? { ...NOTHING_LEFT, isUsed: false };
}

/** What all open jobs go by: the workshop, what each takes, and what was told of gear, by job id. */
export interface Season {
  settings: WorkshopSettings;
  needs: JobNeeds[];
  told: ReadonlyMap<string, GearTold>;
}

export async function readSeason(
  db: Queries,
  needsOf: (settings: WorkshopSettings) => Promise<JobNeeds[]>,
): Promise<Season> {
  const { data: settings } = await getSettings(db);
  return { settings, told: await gearTold(db), needs: await needsOf(settings) };
}

/** What the other open jobs leave to each of these, by job id; what is recorded asks nothing more and is left out. */
export async function leftIn(
  db: Queries,
  { settings, told, needs: planned }: Season,
  wanted: (id: string) => boolean,
): Promise<Record<string, Availability>> {
  const needs = planned.map((own) => asCounted(own, told.get(own.id), settings));
  const asked = await assembleJobFiles(db, filesAskedFor(needs, wanted));
  const files = new Map(asked.map((file) => [file.job.id, file]));
  const open = needs.map((own) => ({ needs: own, file: () => files.get(own.id) as JobFile }));
  const left = leftFor(open, settings, wanted);
  if (told.size === 0) return left;
  const doors = new Map(needs.map((own) => [own.id, Date.parse(own.doors)]));
  return Object.fromEntries(
    Object.entries(left).map(([id, own]) => [id, { ...own, awayGear: awayBefore(told, id, doors.get(id)) }]),
  );
}

/** Gear that has been counted home is free from then on, not only when the plan has it back. */
function asCounted(needs: JobNeeds, told: GearTold | undefined, { timeZone }: WorkshopSettings): JobNeeds {
  const at = told && countedHomeAt(told.log);
  return at ? countedHome(needs, at, timeZone) : needs;
}

/** What did not come home whole from the jobs with earlier doors. */
function awayBefore(told: ReadonlyMap<string, GearTold>, id: string, doorsMs = 0): GearAway[] {
  return gearAway([...told].flatMap(([other, own]) => (other !== id && own.doorsMs < doorsMs ? [own] : [])));
}

/** The same for the open jobs with doors in a span. */
export async function availabilityBetween(
  db: Queries,
  from: Date,
  until: Date,
  reckon: Reckoning,
): Promise<Record<string, Availability>> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), isNull(jobs.usedAt), gte(jobs.doors, from), lt(jobs.doors, until)));
  const ids = new Set(rows.map(({ id }) => id));
  const season = await readSeason(db, (settings) => needsUpTo(db, settings, reckon, until));
  return leftIn(db, season, (id) => ids.has(id));
}

/** The files of the jobs with doors in a span, the earliest first, each with what others leave to it. */
export async function filesBetween(
  db: Queries,
  from: Date,
  until: Date,
  reckon: Reckoning,
): Promise<JobFile[]> {
  const rows = await db
    .select({ id: jobs.id, usedAt: jobs.usedAt })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, from), lt(jobs.doors, until)))
    .orderBy(jobs.doors, jobs.id);
  const open = new Set(rows.filter(({ usedAt }) => !usedAt).map(({ id }) => id));
  const season = await readSeason(db, (settings) => needsUpTo(db, settings, reckon, until));
  const left = await leftIn(db, season, (id) => open.has(id));
  const files = await assembleJobFiles(
    db,
    rows.map(({ id }) => id),
  );
  return files.map((file) => ({
    ...file,
    workshop: { ...file.workshop, ...(left[file.job.id] ?? { isUsed: true }) },
  }));
}

/** What all open jobs lack, each on its day. */
export async function lacksOfSeason(db: Queries, reckon: Reckoning): Promise<Lack[]> {
  const { data: settings } = await getSettings(db);
  return lacksOfAll(await openNeeds(db, settings, reckon), settings);
}

/** Which of the jobs that are agreed to and have their doors after a moment need a product, the earliest doors first. */
export async function wantsOf(
  db: Queries,
  { nominalIn, colour }: Pick<JobNeeds['balloons'][number], 'nominalIn' | 'colour'>,
  moment: Date,
  reckon: Reckoning,
): Promise<ProductWant[]> {
  const { data: settings } = await getSettings(db);
  const needs = await openNeeds(db, settings, reckon);
  return needs
    .filter(({ isHolding, doors }) => isHolding && Date.parse(doors) > moment.getTime())
    .flatMap(({ id, name, balloons }) => {
      const count = balloons.reduce(
        (sum, one) => (one.nominalIn === nominalIn && one.colour === colour ? sum + one.count : sum),
        0,
      );
      return count > 0 ? [{ jobId: id, job: name, count }] : [];
    });
}

/** Balloons and materials of several jobs together. */
export async function countTogether(db: Queries, from: Date, until: Date): Promise<DayCounts> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, from), lt(jobs.doors, until)))
    .orderBy(jobs.doors, jobs.id);
  const files = await assembleJobFiles(
    db,
    rows.map(({ id }) => id),
  );
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

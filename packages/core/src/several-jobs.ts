import type {
  Availability,
  BalloonRow,
  HeldMaterial,
  JobClaim,
  JobFile,
  Lack,
  Workshop,
} from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { balloonsOf, lotsOf } from './piece/counts.ts';
import { madeRecipe } from './piece/recipe-of.ts';
import { holdsOfFile, workedJob } from './plan.ts';
import { groupBy, sumOf } from './quantity/group.ts';
import { wantedDay } from './stock/buy.ts';
import { firstCome, isHolding } from './stock/held.ts';
import { handOut, type ShelfWants } from './stock/season.ts';
import { jobPipeParts } from './structure/pipe-parts.ts';

/** What a job takes, whatever others do. */
export interface JobNeeds extends ShelfWants {
  /** Its days from access to strike by the workshop's clock, `YYYY-MM-DD`: while its gear is out. */
  out: { from: string; until: string };
  /** It takes it: what is only asked about or offered, or called off, does not. */
  isHolding: boolean;
  materials: { item: string; count: number; isGear: boolean }[];
  pipes: JobClaim['pipes'];
}

/** What a job takes: the dear part of looking at several, so that a caller may keep it for the same file. */
export function needsOfJob(file: JobFile): JobNeeds {
  const { job, workshop } = file;
  const { balloons, materials } = workedJob(file).counts;
  const dayOf = (at: string) => DateTime.fromISO(at, { zone: workshop.timeZone }).toISODate() as string;
  return {
    id: job.id,
    name: job.name,
    doors: job.doors,
    wanted: wantedDay(file),
    isHolding: isHolding(job),
    out: { from: dayOf(job.access.from), until: dayOf(job.isKept ? job.doors : job.strike.until) },
    balloons: balloons.map(({ nominalIn, colour, need, spare, kept }) => ({
      nominalIn,
      colour,
      count: need - kept + spare,
    })),
    materials: materials.map(({ item, count, isGear }) => ({ item, count, isGear })),
    pipes: jobPipeParts(file),
  };
}

/**
 * The needs of a job whose gear has been counted home: from the day after that it is free, however long the plan had kept it.
 * @param at when, RFC 3339
 */
export function countedHome(needs: JobNeeds, at: string, timeZone: string): JobNeeds {
  const day = DateTime.fromISO(at, { zone: timeZone }).toISODate() as string;
  const { from, until } = needs.out;
  return day < until ? { ...needs, out: { from, until: day < from ? from : day } } : needs;
}

/** A job that still holds what it needs. Its file is asked for only where it shares a day with another. */
export interface OpenJob {
  needs: JobNeeds;
  file: () => JobFile;
}

/** The shelf and the materials that all jobs share. */
type SharedShelf = Parameters<typeof handOut>[1] & Pick<Workshop, 'materials'>;

/**
 * What open jobs find taken by others, by job id: of the shelf and of consumables by those with earlier doors; of
 * gear, pipes and weights by those that are out on one of its days, pipes whichever comes first, since they are cut
 * together.
 * Each job that holds nothing is looked at as if it alone were agreed to: nothing of it is taken from the others.
 * @param open the jobs to come, and those that are over and whose use nobody has recorded; in any order
 * @param wanted whether a job is asked about; left out, all are
 */
export function leftFor(
  open: readonly OpenJob[],
  shelf: SharedShelf,
  wanted: (id: string) => boolean = () => true,
): Record<string, Availability> {
  const holding = open.filter(({ needs }) => needs.isHolding);
  const asking = open.filter(({ needs }) => !needs.isHolding && wanted(needs.id));
  return Object.assign(
    leftAmong(holding, shelf, wanted),
    ...asking.map((one) => leftAmong([...holding, one], shelf, (id) => id === one.needs.id)),
  );
}

function leftAmong(
  open: readonly OpenJob[],
  shelf: SharedShelf,
  wanted: (id: string) => boolean,
): Record<string, Availability> {
  const inTurn = [...open].sort((a, b) => firstCome(a.needs, b.needs));
  const known = inTurn.map(({ needs }) => needs);
  const handed = handOut(known, shelf);
  const heldMaterials = materialsHeld(known, shelf.materials ?? []);
  const claims: JobClaim[] = [];
  const claimOf = (i: number): JobClaim => {
    const { needs, file } = inTurn[i] as OpenJob;
    const others = sharingDays(known, i);
    claims[i] ??= {
      job: needs.name,
      isFirst: true,
      pipes: needs.pipes,
      weights: others.length === 0 ? [] : weightsOf(file(), others.filter((k) => k < i).map(claimOf)),
    };
    return claims[i];
  };
  const answered = known.flatMap((needs, i) => (wanted(needs.id) ? [[needs.id, i] as const] : []));
  const lacks = handed.map((one) => one.lacks);
  return Object.fromEntries(
    answered.map(([id, i]) => [
      id,
      {
        reserved: handed[i]?.reserved() ?? [],
        othersLack: lacks.flatMap((own, k) => (k === i ? [] : own)),
        heldMaterials: heldMaterials(i),
        isUsed: false,
        awayGear: [],
        overlapping: sharingDays(known, i).map((k) => ({ ...claimOf(k), isFirst: k < i })),
      },
    ]),
  );
}

/** The same of whole files. @param needs of a file, where they are known */
export function leftForEach(
  files: readonly JobFile[],
  needs: (file: JobFile) => JobNeeds = needsOfJob,
): Record<string, Availability> {
  const [first] = files;
  if (!first) return {};
  return leftFor(
    files.map((file) => ({ needs: needs(file), file: () => file })),
    first.workshop,
  );
}

/** Whose files `leftFor` asks for: those that share a day with what is wanted, and with those before them in turn. */
export function filesAskedFor(needs: readonly JobNeeds[], wanted: (id: string) => boolean): string[] {
  const holding = needs.filter((one) => one.isHolding);
  const asking = needs.filter((one) => !one.isHolding && wanted(one.id));
  const asked = [
    ...filesAmong(holding, wanted),
    ...asking.flatMap((one) => filesAmong([...holding, one], (id) => id === one.id)),
  ];
  return [...new Set(asked)];
}

function filesAmong(needs: readonly JobNeeds[], wanted: (id: string) => boolean): string[] {
  const inTurn = [...needs].sort(firstCome);
  const asked = new Set<number>();
  const ask = (i: number) => {
    if (asked.has(i)) return;
    asked.add(i);
    for (const k of sharingDays(inTurn, i)) if (k < i) ask(k);
  };
  inTurn.forEach(({ id }, i) => {
    if (wanted(id)) for (const k of sharingDays(inTurn, i)) ask(k);
  });
  return [...asked].map((i) => (inTurn[i] as JobNeeds).id);
}

/** The other jobs that are out on one of its days. */
const sharingDays = (needs: readonly JobNeeds[], i: number): number[] =>
  needs.flatMap((one, k) => (k !== i && doOverlap(one, needs[i] as JobNeeds) ? [k] : []));

/** What all open jobs lack, each on its day. @param needs of the open jobs, in any order */
export const lacksOfAll = (needs: readonly JobNeeds[], shelf: SharedShelf): Lack[] =>
  handOut([...needs.filter((one) => one.isHolding)].sort(firstCome), shelf).flatMap(({ lacks }) => lacks);

/** Jobs that are out on a common day. */
const doOverlap = ({ out: a }: JobNeeds, { out: b }: JobNeeds): boolean =>
  a.from <= b.until && b.from <= a.until;

/** The weights of a job, after those that overlap with it and come before. */
function weightsOf(file: JobFile, before: JobClaim[]): JobClaim['weights'] {
  const counts = new Map<string, number>();
  const workshop = { ...file.workshop, overlapping: before };
  for (const { weights, ballastKg } of holdsOfFile({ ...file, workshop }).pieces)
    for (const { id, count } of weights) counts.set(id, (counts.get(id) ?? 0) + count * ballastKg.length);
  return [...counts].map(([id, count]) => ({ id, count }));
}

/**
 * Materials that the jobs before each one hold: no more than there are, and of gear only while both are out.
 * @param needs in the order in which they may take
 * @returns what the jobs before the one of that turn hold
 */
function materialsHeld(
  needs: readonly JobNeeds[],
  stock: readonly { item: string; onHand: number }[],
): (turn: number) => HeldMaterial[] {
  const taken: { turn: number; job: JobNeeds; item: string; count: number; isGear: boolean }[] = [];
  /** What is used up is gone for all that come after; gear is looked at by its days. */
  const usedUp = new Map<string, number>();
  needs.forEach((job, turn) => {
    const wanted = new Map<string, { count: number; isGear: boolean }>();
    for (const { item, count, isGear } of job.materials)
      wanted.set(item, { count: (wanted.get(item)?.count ?? 0) + count, isGear });
    for (const { item, onHand } of stock) {
      const own = wanted.get(item);
      if (!own) continue;
      const out = taken.filter((one) => one.isGear && one.item === item && doOverlap(one.job, job));
      const held = (usedUp.get(item) ?? 0) + sumOf(out.map(({ count }) => count));
      const count = Math.min(own.count, Math.max(0, onHand - held));
      if (count === 0) continue;
      taken.push({ turn, job, item, count, isGear: own.isGear });
      if (!own.isGear) usedUp.set(item, (usedUp.get(item) ?? 0) + count);
    }
  });
  return (turn) => {
    const asking = needs[turn] as JobNeeds;
    const before = taken.filter((one) => one.turn < turn && (!one.isGear || doOverlap(one.job, asking)));
    return [...groupBy(before, ({ item }) => item)].map(([item, rows]) => ({
      item,
      count: sumOf(rows.map(({ count }) => count)),
      jobs: [...new Set(rows.map(({ job }) => job.name))],
    }));
  };
}

/** Balloons of several jobs made together: a spare serves them all. @param files of one workshop */
export function balloonsTogether(files: readonly JobFile[]): BalloonRow[] {
  const [first] = files;
  if (!first) return [];
  const pieces = files.flatMap(({ job, workshop }) =>
    job.pieces.map((piece) => ({ piece, recipe: madeRecipe(piece, workshop) })),
  );
  return balloonsOf(lotsOf(pieces, first.workshop).flat());
}

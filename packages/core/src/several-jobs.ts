import type { BalloonRow, DayClaim, JobFile, LeftByOthers } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { balloonsOf, lotsOf } from './piece/counts.ts';
import { recipeOf } from './piece/recipe-of.ts';
import { countPieces, holdsOfFile } from './plan.ts';
import { type Claim, firstCome, heldBy, takenBy } from './stock/held.ts';
import { jobPipeParts } from './structure/pipe-parts.ts';

/**
 * What each coming job finds taken by others, by job id: of the shelf by those with earlier doors; of pipes by all of
 * its day, since they are cut together; of weights by those of its day whose doors open before.
 * @param files the jobs, in any order
 * @param nowMs jobs whose doors lie before take nothing
 */
export function leftForEach(files: readonly JobFile[], nowMs: number): Record<string, LeftByOthers> {
  const coming = files
    .filter(({ job }) => Date.parse(job.doors) >= nowMs)
    .sort((a, b) => firstCome(a.job, b.job));
  const days = coming.map(dayOf);
  const claims: Claim[] = [];
  for (const [i, file] of coming.entries()) {
    const shelf = { ...file.workshop, reserved: heldBy(claims) };
    const takes = takenBy(countPieces(file).balloons, shelf, days[i] as string);
    claims.push({ job: file.job.name, takes });
  }
  const taken: DayClaim[] = [];
  for (const [i, file] of coming.entries()) {
    const before = taken.filter((_, k) => days[k] === days[i]);
    taken.push(claimOf(file, before));
  }
  return Object.fromEntries(
    coming.map(({ job }, i) => [
      job.id,
      {
        reserved: heldBy(claims.slice(0, i)),
        sameDay: taken.flatMap((claim, k) =>
          k !== i && days[k] === days[i] ? [{ ...claim, isFirst: k < i }] : [],
        ),
      },
    ]),
  );
}

/** The day of a job's doors by the workshop's clock, `YYYY-MM-DD`. */
const dayOf = ({ job, workshop }: JobFile): string =>
  DateTime.fromISO(job.doors, { zone: workshop.timeZone }).toISODate() as string;

/** The pipes and weights of a job, after those of its day before it. */
function claimOf(file: JobFile, before: DayClaim[]): DayClaim {
  const workshop = { ...file.workshop, sameDay: before };
  const counts = new Map<string, number>();
  for (const { weights, ballastKg } of holdsOfFile({ ...file, workshop }).pieces)
    for (const { id, count } of weights) counts.set(id, (counts.get(id) ?? 0) + count * ballastKg.length);
  return {
    job: file.job.name,
    isFirst: true,
    pipes: jobPipeParts(file),
    weights: [...counts].map(([id, count]) => ({ id, count })),
  };
}

/** Balloons of several jobs made together: a spare serves them all. @param files of one workshop */
export function balloonsTogether(files: readonly JobFile[]): BalloonRow[] {
  const [first] = files;
  if (!first) return [];
  const pieces = files.flatMap(({ job, workshop }) =>
    job.pieces.map((piece) => ({ piece, recipe: recipeOf(piece, workshop.schools) })),
  );
  return balloonsOf(lotsOf(pieces, first.workshop).flat());
}

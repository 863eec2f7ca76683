import type { JobFile, Plan, PlanPiece } from '@early-lantern/contract';
import { benchBatches, benchMinutes } from './bench/bench.ts';
import { clockFor } from './clock/clock.ts';
import type { WorkedPiece } from './clock/method.ts';
import { enoughLamp } from './lamps/enough.ts';
import { enoughFixes, onTimeFixes } from './lamps/fixes.ts';
import { onTimeLamp } from './lamps/on-time.ts';
import { waitingLamps } from './lamps/unlit.ts';
import { countBalloons, countLots, spareWorking, totalBalloons } from './piece/counts.ts';
import { recipeOf } from './piece/recipe-of.ts';

/**
 * The whole job on one page, in the order the work goes: survey → pieces → counts → bench → clock → lamps → fixes.
 *
 * Pure: the same file gives the same plan, and nothing outside is read.
 *
 * @param file a validated job file: the job with its site, pieces and the workshop's data
 */
export function planJob(file: JobFile): Plan {
  const plan = draftPlan(file);
  const { enough, onTime } = plan.lamps;
  return {
    ...plan,
    lamps: {
      ...plan.lamps,
      enough: {
        ...enough,
        fixes: enoughFixes(file, plan, (tried) => enoughLamp(tried, countPieces(tried).balloons)),
      },
      onTime: { ...onTime, fixes: onTimeFixes(file, plan, (tried) => draftPlan(tried).onTime) },
    },
  };
}

/**
 * The plan before any fix has been tried: for while a line is dragged, and to try the fixes with. Else the same as
 * `planJob`.
 */
export function draftPlan(file: JobFile): Plan {
  const { workshop, job } = file;

  // Survey, pieces, counts, bench: what there is to do.
  const { worked, lots, pieces, balloons } = countJob(file);

  // Clock: who does it when, counted back from doors.
  const clock = clockFor(file, worked);

  return {
    jobId: job.id,
    timeZone: workshop.timeZone,
    pieces,
    totals: {
      balloons,
      working: spareWorking(
        job.pieces.map((piece) => piece.grade),
        lots,
        workshop,
      ),
    },
    tasks: clock.tasks,
    onTime: clock.onTime,
    lamps: { ...waitingLamps, enough: enoughLamp(file, balloons), onTime: onTimeLamp(file, clock) },
  };
}

/** Everything that does not depend on the hour. */
function countJob(file: JobFile) {
  const { lots, counted, balloons } = countPieces(file);

  // Bench: the batches it takes to make each piece, before anybody has a time.
  const worked = counted.map(
    ({ piece, recipe }): WorkedPiece => ({
      piece,
      recipe,
      batches: benchBatches(piece, recipe, file.workshop),
    }),
  );
  const pieces = worked.map((one, i) => asPlanPiece(one, counted[i]?.balloons ?? []));
  return { worked, lots, pieces, balloons };
}

/** Every balloon with its spares, piece by piece and in all. */
function countPieces({ workshop, job }: JobFile) {
  // Survey and pieces: each piece's recipe, from its line on the surveyed spot.
  const recipes = job.pieces.map((piece) => ({ piece, recipe: recipeOf(piece) }));

  // Counts: the chance of complete lots is shared by all lots of the job.
  const lots = recipes.reduce((sum, { recipe }) => sum + countLots(recipe.needs), 0);
  const counted = recipes.map((one) => ({
    ...one,
    balloons: countBalloons(one.recipe.needs, one.piece.grade, lots, workshop),
  }));
  return { lots, counted, balloons: totalBalloons(counted) };
}

function asPlanPiece({ piece, recipe, batches }: WorkedPiece, balloons: PlanPiece['balloons']): PlanPiece {
  return {
    id: piece.id,
    kind: piece.kind,
    name: piece.name,
    lengthM: recipe.lengthM,
    visibleWidthM: recipe.visibleWidthM,
    clusterSize: recipe.clusterSize,
    clusters: recipe.spineClusters + recipe.sideClusters,
    fillerTrios: recipe.fillerTrios,
    sections: recipe.sections,
    benchMin: benchMinutes(batches),
    balloons,
    notes: recipe.notes,
    working: recipe.working,
  };
}

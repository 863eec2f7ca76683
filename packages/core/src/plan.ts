import type { HoldPiece, Holds, JobFile, Lot, Plan, PlanPiece, RoundGood } from '@early-lantern/contract';
import { benchBatches, benchMinutes } from './bench/bench.ts';
import { benchBoard, labelledTasks } from './bench/board.ts';
import { cautionsOf } from './cautions/cautions.ts';
import { clockFor } from './clock/clock.ts';
import type { WorkedJob } from './clock/day-job.ts';
import { floorM2Of } from './clock/floor.ts';
import { mostInHand } from './clock/most-in-hand.ts';
import type { WorkedPiece } from './clock/work.ts';
import { type Counted, enoughLamp } from './lamps/enough.ts';
import { lampsOf, lampsWithFixes, type Tries } from './lamps/lamps.ts';
import { rehearsed } from './lamps/on-time.ts';
import { lastingLots, toldWhatToBlow } from './lasting/lasts.ts';
import { goodsOf } from './loading/every-good.ts';
import { fitsOf, gearOnSite } from './loading/fits.ts';
import { comesLater } from './loading/goods.ts';
import { type LongerLoad, longerLoad } from './loading/longer.ts';
import { packingOf } from './loading/packing-list.ts';
import { SQUEEZE } from './loading/sizes.ts';
import { asRoundGood } from './loading/together.ts';
import { QUICK, THOROUGH, TO_TRY } from './loading/trip.ts';
import { fullOf } from './looks/full.ts';
import { materialRows, totalMaterials } from './materials/materials.ts';
import { pipesAsCut } from './materials/piping.ts';
import { cardOf } from './network/card.ts';
import { withFixings } from './network/fixings.ts';
import { asDoneHere } from './network/own-steps.ts';
import { stepsOf } from './network/steps.ts';
import { colourMark, withColourNames } from './piece/colour-mark.ts';
import { balloonsOf, benchNeeds, gradeOf, lotsOf, spareWorking, totalBalloons } from './piece/counts.ts';
import { kindOf } from './piece/kinds.ts';
import { coloursWithoutRoom } from './piece/pattern-of.ts';
import { madeRecipe, rawNeedsOf, recipeOf, schoolsOf } from './piece/recipe-of.ts';
import { bottleneckOf } from './rehearsal/bottleneck.ts';
import { rehearse } from './rehearsal/rehearse.ts';
import { unmadeOf } from './stock/stand-ins.ts';
import { exposedOnly } from './structure/exposed.ts';
import { holdsOf } from './structure/holds.ts';
import { cutListOf } from './structure/pipe-parts.ts';

/** Days gone through with every plan that is shown, and with each that is only tried; more on demand. */
const REHEARSED_DAYS = 2000;
const TRIED_DAYS = 500;

/**
 * The whole job on one page, in the order the work goes: survey → pieces → what carries what → counts and materials →
 * bench → clock → lasting → sections, bags and load → lamps → fixes.
 *
 * Pure: the same file gives the same plan, and nothing outside is read.
 *
 * @param file a validated job file: the job with its site, pieces and the workshop's data
 */
export function planJob(file: JobFile): Plan {
  const planning = planningJob(file);
  for (;;) {
    const step = planning.next();
    if (step.done) return step.value;
  }
}

/** The same, in steps: whoever runs it may stop between two. */
export function* planningJob(file: JobFile): Generator<void, Plan> {
  const plan = loadedAndRehearsed(file);
  // Ways out are tried from the plan as it is; what the rehearsed days say comes on top of what the clock says.
  const lamps = yield* lampsWithFixes(file, plan, tries);
  return withRehearsedLamp({ ...plan, lamps });
}

/** The same plan with every answer, but no fix tried: for a list of jobs, few of which are looked at closely. */
export const judgeJob = (file: JobFile): Plan => withRehearsedLamp(loadedAndRehearsed(file));

const withRehearsedLamp = (plan: Plan): Plan => ({
  ...plan,
  lamps: { ...plan.lamps, onTime: rehearsed(plan.lamps.onTime, plan.rehearsal) },
});

function loadedAndRehearsed(file: JobFile): Plan {
  const { plan: drafted, worked } = draftJob(file, THOROUGH, 'fine');
  const rehearsal = rehearse(file, drafted, REHEARSED_DAYS);
  const { minutesInHand } = drafted.onTime;
  return {
    ...drafted,
    rehearsal,
    onTime: {
      ...drafted.onTime,
      chance: rehearsal?.chance ?? null,
      bottleneck: bottleneckOf(drafted, rehearsal),
      // Without a plan there is nothing that could be better.
      bound: minutesInHand === null ? null : mostInHand(worked),
    },
  };
}

/** How fixes are tried: no more is worked out than their lamp needs. */
const tries: Tries = {
  draft: (file) => draftPlan(file),
  loaded: (file) => draftJob(file, TO_TRY).plan,
  holds: holdsOfFile,
  enough: (file) => {
    const counts = countPieces(file);
    return { lamp: enoughLamp(file, counts), balloons: counts.balloons };
  },
  rehearsed: (file) => {
    const plan = draftPlan(file);
    return { plan, rehearsal: rehearse(file, plan, TRIED_DAYS) };
  },
};

/**
 * The plan before any fix has been tried: for while a line is dragged, and to try the fixes with. Else the same as
 * `planJob`.
 */
export function draftPlan(file: JobFile, look: 'none' | 'quick' = 'none'): Plan {
  return draftJob(file, QUICK, look).plan;
}

/** How closely it is looked at what the eye will find: for a fix that is tried for another lamp not at all. */
type LookAsked = 'none' | 'quick' | 'fine';

/** A plan with what it was made from. */
interface Draft {
  plan: Plan;
  worked: WorkedJob;
}

function draftJob(file: JobFile, loadsTried: number, look: LookAsked = 'none'): Draft {
  const draft = draftOf(file, loadsTried, look);
  if (!file.job.loadsEvening || draft.plan.lamps.lasts.state !== 'out') return draft;
  // Prepared the evening before only as far as hold times allow.
  const { loadsEvening: _, ...job } = file.job;
  const onTheDay = draftOf({ ...file, job }, loadsTried, look, NOT_THE_EVENING);
  return onTheDay.plan.lamps.lasts.state === 'out' ? draft : onTheDay;
}

const NOT_THE_EVENING =
  'Prepared on the day: loaded the evening before, some balloons would not last to the end.';

/**
 * @param loadsTried of each vehicle
 * @param broken what else is not kept as somebody wished it
 */
function draftOf(file: JobFile, loadsTried: number, look: LookAsked, broken: string | null = null): Draft {
  const { workshop, job } = file;

  const { planned, counts, holds, pieces: worked } = workedAndTimed(file);
  const clock = { ...planned, onTime: { ...planned.onTime, broken: planned.onTime.broken ?? broken } };
  const drawn = worked.map((one, i) => asPlanPiece(one, counts.counted[i] as CountedPiece, file));
  // What becomes of each lot from inflation to the end of the event, and so what to blow it to: one figure on every paper.
  const lots = lastingLots(file, drawn, clock.tasks);
  const pieces = drawn.map((piece) => toldWhatToBlow(piece, lots));
  const tasks = labelledTasks(pieces, clock.tasks);
  const balloons = totalBalloons(pieces);
  // Sections, bags and load: what rides in which vehicle, and the list to tick.
  const toLoad = { file, pieces: worked, materials: counts.materials, tasks };
  const fits = fitsOf(toLoad, loadsTried);
  // What the eye will find: gaps, and what is strung on showing through.
  const full = look === 'none' ? { pieces: [], fillers: [], isQuick: true } : fullOf(file, look === 'quick');
  const plan: Plan = {
    jobId: job.id,
    timeZone: workshop.timeZone,
    pieces,
    totals: {
      balloons,
      materials: counts.materials,
      working: spareWorking(file, counts.balloons),
    },
    tasks,
    bench: {
      batches: benchBoard(pieces, tasks),
      floorM2: worked.reduce((sum, { recipe }) => sum + floorM2Of(recipe), 0),
    },
    onTime: clock.onTime,
    rehearsal: null,
    lasts: { lots },
    holds,
    fits,
    full,
    // While something is edited nothing has a place yet.
    packing: fits.isQuick ? [] : packingOf(toLoad, balloons, fits),
    ...cutListOf(file),
    cautions: cautionsOf(file, holds, tasks),
    lamps: lampsOf({ file, counts, holds, lots, clock, fits, full }),
  };
  return { plan, worked: { file, pieces: worked } };
}

/** So many times what stands when is asked again: less to carry in brings the first piece up a little earlier. */
const EXPOSED_TRIES = 3;

/** What there is to do, and who does it when, counted back from doors. */
function workedAndTimed(file: JobFile) {
  const worked = workedJob(file);
  const planned = clockFor(file, worked.pieces);
  // Wind counts only while something stands: not before the crew comes.
  let exposed = exposedOnly(file, planned.tasks);
  if (!exposed || gustOf(exposed, worked) === worked.holds.gustMs) return { ...worked, planned };
  for (let i = 0; i < EXPOSED_TRIES; i++) {
    const calmer = workedWhile(file, exposed);
    const again = clockFor(file, calmer.pieces);
    const seen = exposedOnly(file, again.tasks);
    if (!seen) break;
    if (seen.job.access.from >= exposed.job.access.from || gustOf(seen, calmer) === calmer.holds.gustMs)
      return { ...calmer, planned: again };
    exposed = seen;
  }
  return { ...worked, planned };
}

const gustOf = (exposed: JobFile, { counts }: ReturnType<typeof workedWhile>) =>
  holdsOf(exposed, counts.counted).gustMs;

/** What there is to do for a job, before anybody has a time: what its clock, alone or with others, begins with. */
export const workedJob = (file: JobFile) => workedWhile(file, file);

/** @param exposed the job with access no longer than things stand, where that is known */
function workedWhile(file: JobFile, exposed: JobFile) {
  const { workshop } = file;
  // Survey, pieces, counts: what there is to have.
  const bare = countPieces(file);
  // What carries what: each piece's stand or points, loads handed down from what is carried to what stands.
  const holds = holdsOf(exposed, bare.counted);
  // Materials: what its points really take.
  const counts = withFixingsOf(bare, holds, file);
  // Bench: the batches it takes to make each piece.
  const pieces = counts.counted.map(
    ({ piece, recipe, lots }, i): WorkedPiece => ({
      piece,
      recipe,
      batches: benchBatches(
        { ...recipe, needs: benchNeeds(recipe.needs, lots) },
        schoolsOf(piece, workshop.schools),
        workshop,
        gradeOf(piece),
      ),
      held: holds.pieces[i] as HoldPiece,
    }),
  );
  return { file, counts, holds, pieces };
}

/** The counts with clamps, loops, ties and hooks as the points of each piece take them. */
function withFixingsOf(counts: ReturnType<typeof countPieces>, { pieces }: Holds, file: JobFile) {
  const { units } = file.workshop;
  const counted = counts.counted.map((one, i) => ({
    ...one,
    materials: materialRows(withFixings(one.recipe.materials, pieces[i], units), units),
  }));
  return { ...counts, counted, materials: pipesAsCut(totalMaterials(counted), cutListOf(file).cutList) };
}

/** Goes on searching for a better load than a job's plan has, until it is broken off or all goes in as it should. */
export function* longerLoads(file: JobFile): Generator<LongerLoad, void, void> {
  const { plan, worked } = draftJob(file, THOROUGH);
  yield* longerLoad({ ...worked, materials: plan.totals.materials, tasks: plan.tasks }, plan.fits);
}

/** What rides to a job's place on the first trip, as its round keeps it for the jobs of the other places. */
export function roundGoodsOf(file: JobFile): RoundGood[] {
  const { plan, worked } = draftJob(file, QUICK);
  const toLoad = { ...worked, materials: plan.totals.materials, gear: gearOnSite(plan.tasks) };
  const squeezed = new Map(goodsOf(toLoad, SQUEEZE).map((good) => [good.cargo.id, good]));
  return goodsOf(toLoad, 0)
    .filter(({ pieceId }) => !comesLater(file, pieceId))
    .map((good) => asRoundGood(good, squeezed.get(good.cargo.id)));
}

/** What carries the pieces of a file, nothing else looked at. */
export function holdsOfFile(file: JobFile): Holds {
  return holdsOf(
    file,
    file.job.pieces.map((piece) => ({ piece, recipe: recipeOf(piece, file.workshop.schools) })),
  );
}

/** A piece's counts: its lots with spares, the balloons and materials they make up, and what is not to be had. */
type CountedPiece = ReturnType<typeof countPieces>['counted'][number];

/** Every balloon with its spares and every material, piece by piece and in all: what does not depend on the hour. */
export function countPieces({ workshop, job }: JobFile) {
  // Survey and pieces: each piece's recipe, from its line or place on the surveyed spot.
  const recipes = job.pieces.map((piece) => ({ piece, recipe: madeRecipe(piece, workshop) }));
  // Counts: the spares are those of the whole job.
  const allLots = lotsOf(recipes, workshop);
  const counted = recipes.map((one, index) => {
    const lots = allLots[index] as Lot[];
    return {
      ...one,
      name: one.piece.name,
      lots,
      balloons: balloonsOf(lots),
      materials: materialRows(one.recipe.materials, workshop.units),
      unmade: unmadeOf(rawNeedsOf(one.piece, workshop.schools), workshop),
      stillUnmade: unmadeOf(one.recipe.needs, workshop),
    };
  });
  return {
    counted,
    balloons: totalBalloons(counted),
    materials: totalMaterials(counted),
    unmade: counted.flatMap((one) => one.stillUnmade),
  } satisfies Counted & Record<string, unknown>;
}

/** What the place has to say to the way a piece is made. */
function placeNotes({ piece, recipe }: WorkedPiece, { site, workshop }: JobFile): string[] {
  const spot = site.spots.find((one) => one.id === piece.spotId);
  const isOutdoors = !(spot?.indoors ?? site.indoors);
  const banded = recipe.fillerClusters > 0 && schoolsOf(piece, workshop.schools).fillerFixing === 'band';
  return isOutdoors && banded
    ? ['Outdoors, bands streak the dulled surface: fix fillers with half 260s there.']
    : [];
}

function asPlanPiece(worked: WorkedPiece, counted: CountedPiece, file: JobFile): PlanPiece {
  const { piece, recipe, batches } = worked;
  const sizeM = kindOf(piece).sizeM?.(piece, recipe);
  return {
    id: piece.id,
    kind: piece.kind,
    name: piece.name,
    ...(piece.group ? { group: piece.group } : {}),
    on: piece.on ?? null,
    alsoOn: piece.alsoOn ?? null,
    lengthM: recipe.lengthM,
    visibleWidthM: recipe.visibleWidthM,
    ...(sizeM ? { sizeM } : {}),
    clusterSize: recipe.clusterSize,
    clusters: recipe.spineClusters + recipe.sideClusters,
    fillerClusters: recipe.fillerClusters,
    sections: recipe.sections.length,
    benchMin: benchMinutes(batches),
    balloons: counted.balloons,
    assemblies: recipe.assemblies.map(({ name, size, count, part }) => ({ name, size, count, part })),
    lots: counted.lots,
    materials: counted.materials,
    unmade: counted.unmade,
    steps: cardOf(recipe.making, asDoneHere(stepsOf(recipe, worked.held), piece, file)).map((step) =>
      withColourNames(step, file.workshop.colours),
    ),
    notes: [
      ...recipe.notes,
      ...coloursWithoutRoom(piece).map((id) => `No layer has room for ${colourMark(id)}: it is not counted.`),
      ...placeNotes(worked, file),
    ].map((note) => withColourNames(note, file.workshop.colours)),
    working: recipe.working,
  };
}

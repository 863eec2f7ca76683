import type { HoldPiece, HoldPoint } from '@early-lantern/contract';
import { methodOf } from '../fixing/methods.ts';
import type { Recipe, SiteWork } from '../piece/recipe.ts';
import { plural } from '../quantity/plural.ts';
import { alike, fixedBy } from './fixings.ts';
import { inOrder } from './stages.ts';

/** A step with what its fixings make of it. */
export interface Step extends SiteWork {
  /** Hooks: so long nothing hangs on them, minutes. */
  cureMin?: number;
  /** Points of the line it is done at. */
  points?: readonly HoldPoint[];
}

/** Of fixing one point of a garland on a bar, what is setting its clamp and loop beforehand. From memory. */
const LOOP_SHARE = 0.25;

/**
 * Every step of one piece on the spot, in its order: those of its recipe, with the points that were found to hold it.
 * The card, the run sheet, the clock and the strike are all read from this list.
 * @param held what carries the piece and how; left out while that is not known
 */
export function stepsOf(recipe: Pick<Recipe, 'siteWork'>, held?: HoldPiece): Step[] {
  const points = held?.points ?? [];
  const hooks = points.filter(({ method }) => methodOf(method).cureMin > 0);
  const loops = points.filter(({ method }) => method === 'bar-clamp');
  const pegs = points.filter(({ method }) => method === 'foot-peg');
  const line = points.length - pegs.length;
  // A piece that hangs by its points is hung at just those.
  const hung = recipe.siteWork.map((one): Step => {
    const step = { ...one, label: labelOf(one, held) };
    if (step.id !== 'hang' || line === 0) return step;
    const how = [
      ...(step.how ?? []),
      `${methodWords(points.filter(({ method }) => method !== 'foot-peg'))}.`,
    ];
    return step.byPoints
      ? { ...step, amount: line - loops.length * LOOP_SHARE, points, how }
      : { ...step, how };
  });
  // What is not hung point by point is still put up where its points are.
  const atPoints = hung.some((step) => step.points)
    ? hung
    : hung.map((step, i) => (i === hung.findIndex(isPutUp) && line > 0 ? { ...step, points } : step));
  return inOrder([
    ...(hooks.length > 0 ? [hookStep(hooks)] : []),
    ...(loops.length > 0 && hung.some(({ points: at }) => at) ? [loopStep(loops)] : []),
    ...atPoints,
    ...(pegs.length > 0 ? [pegStep(pegs.length)] : []),
  ]);
}

const isPutUp = ({ stage }: Step) => stage !== 'frame' && stage !== 'tie' && stage !== 'on-pole';

/** What a step is called; where weights go on, with those on each base. Nothing is weighted that stands without. */
function labelOf({ label, weighted }: SiteWork, held: HoldPiece | undefined): string {
  if (!weighted) return label;
  if (!held) return weighted;
  const { ballastKg, weights } = held;
  if (!ballastKg.some((kg) => kg > 0)) return label;
  if (weights.length === 0) return weighted;
  const each = weights.map(({ count, name }) => `${count} × ${name}`).join(', ');
  return `${weighted} (${each}${ballastKg.length > 1 ? ` on each of ${ballastKg.length} bases` : ''})`;
}

const hookStep = (hooks: readonly HoldPoint[]): Step => {
  const cureMin = Math.max(...hooks.map(({ method }) => methodOf(method).cureMin));
  return {
    id: 'hooks',
    stage: 'tie',
    label: `clean, stick and press ${plural(hooks.length, 'hook')}`,
    rate: 'adhesive-hook',
    amount: hooks.length,
    points: hooks,
    cureMin,
    how: [`Then nothing on them for ${cureMin} min.`],
  };
};

const loopStep = (loops: readonly HoldPoint[]): Step => ({
  id: 'loops',
  stage: 'tie',
  label: `set ${plural(loops.length, 'clamp')} with loops on the bar`,
  rate: 'hang-point',
  amount: loops.length * LOOP_SHARE,
  points: loops,
  how: ['A loop of 260 under each clamp, open for the garland.'],
});

const pegStep = (count: number): Step => ({
  id: 'foot',
  stage: 'dress',
  label: 'pull the foot down to the ground',
  rate: 'hang-point',
  amount: count,
  how: ['A long nail and a 260, so that it lies flush.'],
});

/** "3 × clamp on the bar over a loop of 260, 2 × tie of 260 or line". */
function methodWords(points: readonly HoldPoint[]): string {
  return alike(points)
    .map(({ point, count }) => `${count} × ${fixedBy(point)}`)
    .join(', ');
}

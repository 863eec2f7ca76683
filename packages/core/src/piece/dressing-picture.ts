import type { ColourId } from '@early-lantern/contract';
import { chainLength, nearestOnChain } from '../geometry/line.ts';
import { planColours } from '../pattern/colour-plan.ts';
import { groupBy } from '../quantity/group.ts';
import { seededRandom } from '../quantity/random.ts';
import { doneTo, nearestCluster } from './by-hand.ts';
import { EDGE_SINGLES } from './cluster-names.ts';
import type { DressLine } from './dress-line.ts';
import { type Counts, fillerNeedsSeen } from './dressing-placement.ts';
import type { DrawnBalloon } from './picture.ts';
import type { DressedBalloon } from './placement.ts';

/** Dealing colours draws other numbers than placing. */
const COLOURS_SEED = 0x5eed;

/** A balloon of a dressing in its place, with its colour. */
export type ColouredBalloon = DressedBalloon & { colour: ColourId };

/** The balloons of a dressing as they are drawn, the nearest last. @param placed as `placeDressing` has them */
export const dressingPicture = (
  line: DressLine,
  counts: Counts,
  placed: readonly DressedBalloon[],
): DrawnBalloon[] => nearestLast(colouredDressing(line, counts, placed));

/** The nearest last, without what only placing needs. */
export const nearestLast = (balls: readonly ColouredBalloon[]): DrawnBalloon[] =>
  [...balls]
    .sort((a, b) => a.zM - b.zM)
    .map(({ xM, yM, zM, rM, colour, role, nominalIn }) => ({ xM, yM, zM, rM, colour, role, nominalIn }));

/**
 * The balloons of a dressing in their places with their colours, in the order in which they come: the drawn ones are the
 * counted ones, size by size and colour by colour.
 * @param placed as `placeDressing` has them, in the order of the line
 */
export function colouredDressing(
  line: DressLine,
  counts: Counts,
  placed: readonly DressedBalloon[],
): ColouredBalloon[] {
  const { colourPlan, colours, seed } = line.mix;
  const random = seededRandom(seed ^ COLOURS_SEED);
  const balls = placed.map((ball) => ({ ...ball, colour: ball.ofStretch ?? '' }));
  const base = balls.filter(({ role }) => role === 'base');
  if (!counts.run) {
    const needs = counts.needs.filter((need) => need.role === 'base');
    const groups = [...new Set(needs.map(({ nominalIn }) => nominalIn))].map((size) => ({
      balls: base.filter((ball) => ball.nominalIn === size),
      counts: needs.filter((need) => need.nominalIn === size),
      clusterSize: counts.clusterSize,
    }));
    const largestFirst = [...groups].sort((a, b) => (b.balls[0]?.rM ?? 0) - (a.balls[0]?.rM ?? 0));
    planColours(largestFirst, colourPlan, colours, random);
  }
  swapByHand(line, base);
  for (const filler of counts.fillers) {
    const own = balls.filter((ball) => ball.filler === filler.name);
    const group = { balls: own, counts: fillerNeedsSeen(counts, filler), clusterSize: filler.size };
    planColours([group], colourPlan, colours, random);
  }
  const atEdges = balls.filter(({ role }) => role === 'accent');
  if (atEdges.length > 0) {
    const own = counts.needs.filter(({ cluster }) => cluster === EDGE_SINGLES);
    planColours([{ balls: atEdges, counts: own, clusterSize: 1 }], colourPlan, colours, random);
  }
  return balls;
}

/** The balloons of a base cluster by cluster, in their order along the line. */
export const clustersOf = <B extends DressedBalloon>(base: readonly B[]): B[][] => [
  ...groupBy(base, ({ tieX, tieY }) => `${tieX} ${tieY}`).values(),
];

/** Colours of two clusters changed by hand, size by size, so that the counts stay. */
function swapByHand(line: DressLine, base: readonly ColouredBalloon[]): void {
  const swaps = doneTo(line, 'swap');
  if (swaps.length === 0) return;
  const lengthM = chainLength(line.chain);
  const clusters = clustersOf(base);
  const ties = clusters.map(([ball]) => ({
    along: nearestOnChain(line.chain, { x: ball?.tieX ?? 0, y: ball?.tieY ?? 0 }).along,
  }));
  for (const { at, with: other } of swaps) {
    const [one, two] = [at, other].map((share) => clusters[nearestCluster(ties, share, lengthM)] ?? []) as [
      ColouredBalloon[],
      ColouredBalloon[],
    ];
    if (one === two) continue;
    for (const size of new Set(one.map(({ nominalIn }) => nominalIn))) {
      const [mine, theirs] = [one, two].map((own) => own.filter(({ nominalIn }) => nominalIn === size)) as [
        ColouredBalloon[],
        ColouredBalloon[],
      ];
      mine.forEach((ball, i) => {
        const partner = theirs[i];
        if (partner) [ball.colour, partner.colour] = [partner.colour, ball.colour];
      });
    }
  }
}

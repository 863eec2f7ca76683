import { planColours } from '../pattern/colour-plan.ts';
import { seededRandom } from '../quantity/random.ts';
import type { DressLine } from './dressing.ts';
import { type Counts, fillerNeedsSeen } from './dressing-placement.ts';
import type { DrawnBalloon } from './picture.ts';
import type { DressedBalloon } from './placement.ts';

/** Dealing colours draws other numbers than placing. */
const COLOURS_SEED = 0x5eed;

/**
 * The balloons of a dressing in their places with their colours: the drawn ones are the counted ones, size by size and
 * colour by colour.
 * @param placed as `placeDressing` has them, in the order of the line
 */
export function dressingPicture(
  line: DressLine,
  counts: Counts,
  placed: readonly DressedBalloon[],
): DrawnBalloon[] {
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
  for (const filler of counts.fillers) {
    const own = balls.filter((ball) => ball.filler === filler.name);
    const group = { balls: own, counts: fillerNeedsSeen(counts, filler), clusterSize: filler.size };
    planColours([group], colourPlan, colours, random);
  }
  return balls
    .sort((a, b) => a.zM - b.zM)
    .map(({ xM, yM, rM, colour, role, nominalIn }) => ({ xM, yM, rM, colour, role, nominalIn }));
}

import { nearPairs } from './near-pairs.ts';
import { type Obstacles, type Settled, settleBalls, type TiedBalls } from './soft-balls.ts';

/** What touches what was moved makes room, and what touches that; everything further away keeps its place. */
const RINGS = 2;
/** Balls touch that are no further apart than this share of the largest radius. */
const TOUCH = 0.1;

/**
 * Settles again what lies about some balls that were moved, in place: the rest of the piece stays exactly where it was.
 * @param moved their indices
 */
export function resettle(
  balls: TiedBalls,
  obstacles: Obstacles,
  moved: readonly number[],
  mostSteps?: number,
): Settled {
  const isLoose = new Uint8Array(balls.x.length);
  for (const i of moved) isLoose[i] = 1;
  const largest = balls.r.reduce((a, b) => Math.max(a, b), 0);
  const pairs = nearPairs(balls, TOUCH * largest);
  for (let ring = 0; ring < RINGS; ring++) {
    const before = isLoose.slice();
    for (let p = 0; p < pairs.length; p += 2) {
      const [a, b] = [pairs[p] as number, pairs[p + 1] as number];
      if (before[a]) isLoose[b] = 1;
      if (before[b]) isLoose[a] = 1;
    }
  }
  const loose = Int32Array.from(isLoose.keys()).filter((i) => isLoose[i] === 1);
  return settleBalls(balls, obstacles, { loose, ...(mostSteps === undefined ? {} : { mostSteps }) });
}

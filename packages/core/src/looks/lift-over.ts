import type { Balls } from './near-pairs.ts';
import type { TiedBalls } from './soft-balls.ts';
import type { Spine } from './spine.ts';

/** A string goes taut from balloon to balloon: each is taken for so much wider than it is. */
const TAUT = 1.2;

/** Lifts what is tied over balloons on to their front, in place: its ties with their balloons, and its strings. */
export function liftOver(under: readonly Balls[], balls: TiedBalls, strings: readonly Spine[]): void {
  if (under.length === 0) return;
  const frontAt = (x: number, y: number) => Math.max(...under.map((one) => frontOf(one, x, y)));
  for (let i = 0; i < balls.x.length; i++) {
    const tieZ = balls.tieZ[i] as number;
    const lift = Math.max(0, frontAt(balls.tieX[i] as number, balls.tieY[i] as number) - tieZ);
    balls.tieZ[i] = tieZ + lift;
    balls.z[i] = (balls.z[i] as number) + lift;
  }
  for (const { points } of strings)
    for (const point of points) point.z = Math.max(point.z, frontAt(point.x, point.y));
}

/** How far to the front balls reach at a place, m; −∞ where there are none. */
function frontOf({ x, y, z, r }: Balls, atX: number, atY: number): number {
  let front = -Infinity;
  for (let i = 0; i < x.length; i++) {
    const square = ((x[i] as number) - atX) ** 2 + ((y[i] as number) - atY) ** 2;
    const radius = r[i] as number;
    if (square < (TAUT * radius) ** 2)
      front = Math.max(front, (z[i] as number) + radius * Math.sqrt(1 - square / (TAUT * radius) ** 2));
  }
  return front;
}

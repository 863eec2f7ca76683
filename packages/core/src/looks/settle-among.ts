import type { Balls } from './near-pairs.ts';
import { type Obstacles, settleBalls, type TiedBalls } from './soft-balls.ts';

/**
 * Settles balls in place among others that keep theirs, like those of what carries them.
 * @param others of which only those that one of the balls may reach are looked at
 */
export function settleAmong(
  balls: TiedBalls,
  others: readonly Balls[],
  obstacles: Obstacles,
  mostSteps?: number,
): void {
  const steps = mostSteps === undefined ? {} : { mostSteps };
  const fixed = others.map((one) => withinReach(one, balls)).filter(({ r }) => r.length > 0);
  if (fixed.length === 0) {
    settleBalls(balls, obstacles, steps);
    return;
  }
  const count = balls.x.length;
  const row = (own: Float64Array, of: keyof Balls) =>
    Float64Array.from([...own, ...fixed.flatMap((one) => [...one[of]])]);
  const all: TiedBalls = {
    x: row(balls.x, 'x'),
    y: row(balls.y, 'y'),
    z: row(balls.z, 'z'),
    r: row(balls.r, 'r'),
    tieX: row(balls.tieX, 'x'),
    tieY: row(balls.tieY, 'y'),
    tieZ: row(balls.tieZ, 'z'),
  };
  settleBalls(all, obstacles, { ...steps, loose: Int32Array.from({ length: count }, (_, i) => i) });
  for (const axis of ['x', 'y', 'z'] as const) balls[axis].set(all[axis].subarray(0, count));
}

/** Of some balls those in the box that others may settle in: a diameter beyond where they are tied and where they begin. */
function withinReach({ x, y, z, r }: Balls, balls: TiedBalls): Balls {
  const reach = 2 * balls.r.reduce((a, b) => Math.max(a, b), 0);
  const box = (
    [
      ['x', 'tieX'],
      ['y', 'tieY'],
      ['z', 'tieZ'],
    ] as const
  ).map(([at, tie]) => ({
    least: Math.min(least(balls[at]), least(balls[tie])) - reach,
    most: Math.max(most(balls[at]), most(balls[tie])) + reach,
  }));
  const [inX, inY, inZ] = box.map(
    ({ least: from, most: to }) =>
      (at: number, radius: number) =>
        at + radius > from && at - radius < to,
  ) as [Within, Within, Within];
  const kept = [...r.keys()].filter((i) => {
    const radius = r[i] as number;
    return inX(x[i] as number, radius) && inY(y[i] as number, radius) && inZ(z[i] as number, radius);
  });
  const row = (of: Float64Array) => Float64Array.from(kept, (i) => of[i] as number);
  return { x: row(x), y: row(y), z: row(z), r: row(r) };
}

type Within = (at: number, radius: number) => boolean;

const least = (row: Float64Array) => row.reduce((a, b) => Math.min(a, b), Infinity);
const most = (row: Float64Array) => row.reduce((a, b) => Math.max(a, b), -Infinity);

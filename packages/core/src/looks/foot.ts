import type { XY } from '../geometry/line.ts';
import { inchesToMetres } from '../quantity/length.ts';
import type { Disc } from './along-line.ts';

/** Nearer than this to the floor a balloon lies on it: latex gives. */
const LIES_M = inchesToMetres(0.5);

/** How the foot of a piece meets the floor. */
export interface Foot {
  /** Below its lowest balloon, m. */
  gapM: number;
  /** On the floor from its first balloon to its last, m. */
  spreadM: number;
  at: XY;
}

/**
 * The foot of a line that comes down to the floor, that is ends lower than it is wide.
 * @param widthM of the piece at that end
 * @returns undefined where neither end does
 */
export function footOf(
  ends: readonly { at: XY; widthM: number }[],
  discs: readonly Disc[],
): Foot | undefined {
  const feet = ends
    .filter(({ at, widthM }) => at.y < widthM)
    .map(({ at, widthM }): Foot => {
      const own = discs.filter(({ x, y }) => Math.hypot(x - at.x, y - at.y) < 1.5 * widthM);
      const gapM = Math.max(0, Math.min(...own.map(({ y, r }) => y - r)));
      const lying = own.filter(({ y, r }) => y - r < gapM + LIES_M).map(({ x }) => x);
      const spreadM = gapM < LIES_M && lying.length > 0 ? Math.max(...lying) - Math.min(...lying) : 0;
      return { gapM: own.length > 0 ? gapM : at.y, spreadM, at };
    });
  return feet.sort((one, other) => other.gapM - one.gapM)[0];
}

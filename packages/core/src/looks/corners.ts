import type { XY } from '../geometry/line.ts';
import type { Disc } from './along-line.ts';

/** Rays to either side of straight outward, radians: single balloons stick out. */
const RAYS = [-0.3, -0.15, 0, 0.15, 0.3];

/**
 * How far balloons reach beyond a corner of their line, straight away from its inside, m: on the mean of five rays.
 * @param before, after the points of the line on either side of it
 */
export function cornerReach(corner: XY, before: XY, after: XY, discs: readonly Disc[]): number {
  const towards = (to: XY): XY => {
    const far = Math.hypot(to.x - corner.x, to.y - corner.y) || 1;
    return { x: (to.x - corner.x) / far, y: (to.y - corner.y) / far };
  };
  const [one, other] = [towards(before), towards(after)];
  const out = Math.atan2(-one.y - other.y, -one.x - other.x);
  const reaches = RAYS.map((turn) =>
    discs.reduce((best, disc) => Math.max(best, rayEnd(corner, out + turn, disc)), 0),
  );
  return reaches.reduce((sum, reach) => sum + reach, 0) / RAYS.length;
}

/** Where a ray from a place leaves a disc for the last time, m along it; 0 where it misses. */
function rayEnd({ x, y }: XY, angle: number, disc: Disc): number {
  const [dx, dy] = [disc.x - x, disc.y - y];
  const along = dx * Math.cos(angle) + dy * Math.sin(angle);
  const aside = -dx * Math.sin(angle) + dy * Math.cos(angle);
  const half2 = disc.r * disc.r - aside * aside;
  return half2 < 0 ? 0 : Math.max(0, along + Math.sqrt(half2));
}

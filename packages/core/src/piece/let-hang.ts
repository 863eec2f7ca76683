import type { OrganicGarland, Point } from '@early-lantern/contract';
import { hungLine } from '../geometry/catenary.ts';
import { chainLength, smoothLine, type XY } from '../geometry/line.ts';
import { tidy } from './moved.ts';

/** A line that is longer than its ends are apart by less than this share hangs straight. */
const SLACK = 0.005;
/** A point this near to its place is there, m. */
const THERE_M = 0.01;
/** Points that the drawn line goes through. */
const POINTS = 7;

/**
 * The line of a limp garland that is held by its two ends alone: the catenary of its length, as an even chain hangs.
 * @returns undefined where it has no slack, would lie on the floor, or hangs so already
 */
export function letHang({ line, widthM }: Pick<OrganicGarland, 'line' | 'widthM'>): Point[] | undefined {
  const drawn = line.map(({ xM, yM }) => ({ x: xM, y: yM }));
  const [from, to] = [drawn[0], drawn.at(-1)];
  if (!from || !to) return undefined;
  const lengthM = chainLength(smoothLine(drawn));
  if (lengthM < (1 + SLACK) * Math.hypot(to.x - from.x, to.y - from.y)) return undefined;
  const hung = ofLength(from, to, lengthM);
  if (Math.min(...hung.map(({ y }) => y)) < widthM / 2) return undefined;
  const hanging = Array.from({ length: POINTS }, (_, i) => {
    const { x, y } = hung[Math.round((i * (hung.length - 1)) / (POINTS - 1))] as XY;
    return { xM: tidy(x), yM: tidy(y) };
  });
  const isThere = hanging.every(({ xM, yM }, i) => {
    const now = line[i];
    return now !== undefined && Math.hypot(now.xM - xM, now.yM - yM) < THERE_M;
  });
  return isThere && line.length === POINTS ? undefined : hanging;
}

/** A hung line of a length, m: it grows with the sag, so that the sag is halved in on. */
function ofLength(from: XY, to: XY, lengthM: number): readonly XY[] {
  let [low, high] = [0, lengthM];
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (hungLine(from, to, middle).length < lengthM) low = middle;
    else high = middle;
  }
  return hungLine(from, to, (low + high) / 2).points;
}

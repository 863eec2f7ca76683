import type { XY } from './line.ts';

/** A limp line hung between two points. Any length unit throughout. */
export interface HungLine {
  length: number;
  /** Parameter of `y = a cosh(x/a)`; infinite for a straight line. */
  a: number;
  points: XY[];
}

const POINTS = 49;

/**
 * The catenary between two points whose middle hangs `sag` below the straight line between them.
 * @param sag 0 or more
 */
export function hungLine(from: XY, to: XY, sag: number): HungLine {
  const span = Math.abs(to.x - from.x);
  const rise = to.y - from.y;
  if (sag <= 1e-9 || span <= 1e-9) {
    // Straight, or hung from one vertical line: down and up again.
    const low = { x: (from.x + to.x) / 2, y: Math.min(from.y, to.y) - sag };
    const points = sag <= 1e-9 ? [from, to] : [from, low, to];
    return { length: pathLength(points), a: Number.POSITIVE_INFINITY, points };
  }
  // The sag falls as `a` grows: bisect on its logarithm.
  let [low, high] = [Math.log(span / 1400), Math.log(span * 1e6)];
  for (let step = 0; step < 200; step++) {
    const middle = (low + high) / 2;
    if (sagOf(Math.exp(middle), span, rise) > sag) low = middle;
    else high = middle;
  }
  const a = Math.exp((low + high) / 2);
  const lowest = lowestAt(a, span, rise);
  const forward = Math.sign(to.x - from.x);
  const height = (x: number) => a * (Math.cosh((x - lowest) / a) - Math.cosh(lowest / a));
  const points = Array.from({ length: POINTS }, (_, i) => {
    const x = (span * i) / (POINTS - 1);
    return { x: from.x + forward * x, y: from.y + height(x) };
  });
  return { length: Math.hypot(rise, 2 * a * Math.sinh(span / (2 * a))), a, points };
}

/** Where the catenary's lowest point lies, measured from its first end. */
const lowestAt = (a: number, span: number, rise: number) =>
  span / 2 - a * Math.asinh(rise / (2 * a * Math.sinh(span / (2 * a))));

function sagOf(a: number, span: number, rise: number): number {
  const lowest = lowestAt(a, span, rise);
  return rise / 2 - a * (Math.cosh((span / 2 - lowest) / a) - Math.cosh(lowest / a));
}

const pathLength = (points: readonly XY[]) =>
  points.reduce((sum, p, i) => {
    const before = points[i - 1];
    return before ? sum + Math.hypot(p.x - before.x, p.y - before.y) : 0;
  }, 0);

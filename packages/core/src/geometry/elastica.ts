import { LRUCache } from 'lru-cache';
import type { XY } from './line.ts';

/** A rod bent between two upright bases: its shape and what it takes to hold it. */
export interface BentRod {
  /** Crown above the bases, same unit as the rod. */
  rise: number;
  /** Inward push at each base times L²/EI, no unit. */
  thrust: number;
  /** Curvature at the crown times L, and where it is bent most, no unit. */
  crownCurvature: number;
  tightestCurvature: number;
  /** Curvature at the bases times L: what tips them in the plane of the rod. */
  baseCurvature: number;
  /** From the left base to the right, origin midway between them. */
  points: XY[];
}

const STEPS = 120;
/** Weight is put on in steps of this: each finds its shape from the one before. */
const WEIGHT_STEP = 40;
/** The widest span is a half circle, which needs no thrust. */
export const WIDEST_SPAN = 2 / Math.PI;

/** Along a bent rod, whose points are evenly spaced on it: m right of its middle. */
export const rodX = (points: readonly { x: number }[], at: number): number =>
  points[Math.round(at * (points.length - 1))]?.x ?? 0;

/**
 * Planar, inextensible elastic rod of length `length`, clamped upright at two bases `span` apart:
 * `κ' = f sin θ − g (½ − s) cos θ`, `θ' = −κ`, from `θ = π/2` at the base to `θ = 0` at the crown, `s` along the rod.
 * Solved by shooting on the curvature at the base and the thrust `f`, followed down from the half circle, then up in
 * weight.
 *
 * @param length of the rod, any unit
 * @param span between the bases, same unit, 0.15 to 2/π of the length
 * @param weight `g = w L³ / EI`, w its weight with dressing for each unit of length; 0 for a weightless rod
 * @throws RangeError for a span out of bounds, or a rod too heavy to stand so
 */
export function bentRod(length: number, span: number, weight = 0): BentRod {
  const key = `${length}/${span}/${weight}`;
  const before = known.get(key);
  if (before) return before;
  const rod = solvedRod(length, span, weight);
  known.set(key, rod);
  return rod;
}

/** Shapes worked out before: one arch is asked for by its counts, its picture, what carries it, and every change tried. */
const known = new LRUCache<string, BentRod>({ max: 200 });

function solvedRod(length: number, span: number, weight: number): BentRod {
  const wanted = span / length;
  if (!(wanted >= 0.15 && wanted <= WIDEST_SPAN + 1e-9)) {
    throw new RangeError(`a span of ${wanted.toFixed(3)} of the length is not between 0.15 and 2/π`);
  }
  let solution: [number, number] = [Math.PI, 0];
  const stages = Math.max(1, Math.ceil((WIDEST_SPAN - wanted) / 0.1));
  for (let stage = 1; stage <= stages; stage++) {
    solution = solve(WIDEST_SPAN + ((wanted - WIDEST_SPAN) * stage) / stages, 0, solution);
  }
  const loads = Math.ceil(weight / WEIGHT_STEP);
  for (let load = 1; load <= loads; load++) solution = solve(wanted, (weight * load) / loads, solution);
  const [baseCurvature, thrust] = solution;
  const path: XY[] = [];
  const half = shoot(baseCurvature, thrust, weight, path);
  if (!(Math.abs(half.angle) < 1e-6)) throw new RangeError('a rod so heavy does not stand bent like this');
  // Measured from midway between the bases; the right half mirrors the left.
  const left = path.map((p) => ({ x: p.x - half.x, y: p.y }));
  const right = [...left].reverse().map(({ x, y }) => ({ x: -x, y }));
  return {
    rise: half.y * length,
    thrust,
    crownCurvature: half.curvature,
    tightestCurvature: half.tightest,
    baseCurvature,
    points: [...left, ...right.slice(1)].map(({ x, y }) => ({ x: x * length, y: y * length })),
  };
}

/** Newton's method on the two conditions at the crown: level, and half a span away from the base. */
function solve(span: number, weight: number, start: [number, number]): [number, number] {
  let [k, f] = start;
  for (let round = 0; round < 40; round++) {
    const miss = misses(k, f, weight, span);
    if (Math.abs(miss[0]) + Math.abs(miss[1]) < 1e-12) break;
    const step = 1e-6;
    const dk = misses(k + step, f, weight, span);
    const df = misses(k, f + step, weight, span);
    const [a, b, c, d] = [
      (dk[0] - miss[0]) / step,
      (df[0] - miss[0]) / step,
      (dk[1] - miss[1]) / step,
      (df[1] - miss[1]) / step,
    ];
    const det = a * d - b * c;
    k -= (d * miss[0] - b * miss[1]) / det;
    f -= (a * miss[1] - c * miss[0]) / det;
  }
  return [k, f];
}

function misses(baseCurvature: number, thrust: number, weight: number, span: number): [number, number] {
  const crown = shoot(baseCurvature, thrust, weight);
  return [crown.angle, crown.x - span / 2];
}

/**
 * Half a rod of length 1 from its left base to the crown, by Runge and Kutta's fourth-order steps. Scalars, not
 * vectors: a shape is solved anew at every step of a drag.
 */
function shoot(baseCurvature: number, thrust: number, weight: number, path?: XY[]) {
  const h = 0.5 / STEPS;
  let tightest = baseCurvature;
  let [angle, curvature, x, y] = [Math.PI / 2, baseCurvature, 0, 0];
  path?.push({ x, y });
  for (let step = 0; step < STEPS; step++) {
    const [sin1, cos1] = [Math.sin(angle), Math.cos(angle)];
    const rest = weight * (0.5 - step * h);
    const middle = rest - (weight * h) / 2;
    const k1 = thrust * sin1 - rest * cos1;
    const a2 = angle - (h / 2) * curvature;
    const c2 = curvature + (h / 2) * k1;
    const [sin2, cos2] = [Math.sin(a2), Math.cos(a2)];
    const k2 = thrust * sin2 - middle * cos2;
    const a3 = angle - (h / 2) * c2;
    const c3 = curvature + (h / 2) * k2;
    const [sin3, cos3] = [Math.sin(a3), Math.cos(a3)];
    const k3 = thrust * sin3 - middle * cos3;
    const a4 = angle - h * c3;
    const c4 = curvature + h * k3;
    const [sin4, cos4] = [Math.sin(a4), Math.cos(a4)];
    angle -= (h / 6) * (curvature + 2 * c2 + 2 * c3 + c4);
    curvature += (h / 6) * (k1 + 2 * k2 + 2 * k3 + thrust * sin4 - (rest - weight * h) * cos4);
    x += (h / 6) * (cos1 + 2 * cos2 + 2 * cos3 + cos4);
    y += (h / 6) * (sin1 + 2 * sin2 + 2 * sin3 + sin4);
    tightest = Math.max(tightest, Math.abs(curvature));
    path?.push({ x, y });
  }
  return { angle, curvature, tightest, x, y };
}

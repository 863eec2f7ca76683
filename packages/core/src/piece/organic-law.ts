import type { Fullness, SizeShare } from '@early-lantern/contract';
import { meanCubeM3, meanDiameterM } from './mix.ts';

/** Whether a garland hangs free or lies against a wall, which flattens it. */
export type Backing = 'free' | 'wall';

/**
 * Constants of jumbled clusters on a string, fitted to relaxed soft spheres: 2 to 16 balloons in a cluster, six mixes
 * of sizes, 384 runs; pitch ± 4 %, width ± 2–3 % (root mean square).
 */
const FIT = {
  /** Pitch over cluster size and diameter, and the cluster size at which it has fallen to half of that. */
  free: { pitch: 0.179, half: 43, solid: 0.73, flat: 1 },
  wall: { pitch: 0.218, half: 31, solid: 0.765, flat: 0.77 },
} as const;

/** How the mean over the cubic mean diameter enters the pitch. */
const SPREAD_POWER = 2.08;
/** Strung with play, clusters sit so much further apart than pushed together. */
const LOOSE = 1.175;
/** Largest cluster whose own width is a law: beyond it a garland grows in width and no longer in depth. */
const WIDEST_N = 16;
/** Sizes of clusters that the engine chooses itself: what is wider gets clusters at its sides. */
const SIZES = { least: 2, small: 4, large: 8 } as const;

/** Cubic mean diameter `d3`, m. */
const cubicMeanM = (sizes: readonly SizeShare[]): number => Math.cbrt(meanCubeM3(sizes));

/** How thick a garland is front to back over its width: pressed against a wall it is flatter. */
export const flatness = (backing: Backing): number => FIT[backing].flat;

/**
 * Length that an `n`-cluster takes on the string when pushed together, m: `p = a d3 (d̄/d3)^2.08 · n / (1 + n/n0)`.
 * Almost in proportion to `n`: necks keep a cluster from growing sideways.
 */
export function tightPitchM(n: number, sizes: readonly SizeShare[], backing: Backing): number {
  const { pitch, half } = FIT[backing];
  const d3 = cubicMeanM(sizes);
  return (pitch * d3 * (meanDiameterM(sizes) / d3) ** SPREAD_POWER * n) / (1 + n / half);
}

/** Mean width of the silhouette of `n`-clusters at a pitch, m: `W = √(⅔ n d3³ / (φ κ p))`. */
export function widthAtPitchM(
  n: number,
  pitchM: number,
  sizes: readonly SizeShare[],
  backing: Backing,
): number {
  const { solid, flat } = FIT[backing];
  return Math.sqrt(((2 / 3) * n * meanCubeM3(sizes)) / (solid * flat * pitchM));
}

/** Mean width of the silhouette of `n`-clusters pushed together, m. */
export const tightWidthM = (n: number, sizes: readonly SizeShare[], backing: Backing): number =>
  widthAtPitchM(n, tightPitchM(n, sizes, backing), sizes, backing);

/** The narrowest that a line of balloons comes out, one after the other, m: `√(d3³ / (1.5 φ κ d̄))`. */
export function narrowestM(sizes: readonly SizeShare[], backing: Backing): number {
  const { solid, flat } = FIT[backing];
  return Math.sqrt(meanCubeM3(sizes) / (1.5 * solid * flat * meanDiameterM(sizes)));
}

/**
 * The fewest balloons a metre that fill an outline of a width: `1.5 φ W · min(κ W, κ W16) / d3³`, and one after the
 * other at the least. Continuous, and never fewer for more width.
 */
export function fewestPerM(widthM: number, sizes: readonly SizeShare[], backing: Backing): number {
  const { solid, flat } = FIT[backing];
  const depthM = flat * Math.min(widthM, tightWidthM(WIDEST_N, sizes, backing));
  return Math.max(1 / meanDiameterM(sizes), (1.5 * solid * widthM * depthM) / meanCubeM3(sizes));
}

/** Balloons over the fewest, as full as wanted. Common practice, no source: 95–150 on 10 ft, 24–30 in. wide. */
const FULL: Record<Backing, Record<Fullness, number>> = {
  free: { thin: 1, usual: 1.1, rich: 1.3 },
  wall: { thin: 1, usual: 1.3, rich: 1.5 },
};

export const overFewest = (fullness: Fullness, backing: Backing): number => FULL[backing][fullness];

/**
 * Balloons in a cluster, on the mean: from 4 for what quads give when strung with play to 8 for what eights give when
 * pushed together; strung with play they are larger, and further apart.
 */
export function clusterMean(
  widthM: number,
  strung: 'tight' | 'loose',
  sizes: readonly SizeShare[],
  backing: Backing,
): number {
  const { least, small, large } = SIZES;
  const low = widthAtPitchM(small, LOOSE * tightPitchM(small, sizes, backing), sizes, backing);
  const high = tightWidthM(large, sizes, backing);
  const tight = small + ((large - small) * (widthM - low)) / (high - low);
  return Math.min(large, Math.max(least, strung === 'loose' ? LOOSE * tight : tight));
}

/** The width up to which clusters on one string fill the outline; beyond it some go on at the sides, m. */
export const stringWidthM = (
  clusterSize: number | 'auto',
  sizes: readonly SizeShare[],
  backing: Backing,
): number => tightWidthM(clusterSize === 'auto' ? SIZES.large : clusterSize, sizes, backing);

/**
 * Width that nine tenths of the outline stay within over its mean: 1.13 of one family of sizes, 1.16 of two in halves,
 * up to 1.23 where few large ones stick out of many small ones.
 */
export function outerOverMean(sizes: readonly SizeShare[]): number {
  const all = sizes.reduce((sum, { sharePct }) => sum + sharePct, 0);
  const most = Math.max(...sizes.map(({ sharePct }) => sharePct)) / all;
  if (most > 0.85) return 1.23 - ((most - 0.85) / 0.15) * 0.1;
  return 1.16 + Math.max(0, most - 0.5) * 0.2;
}

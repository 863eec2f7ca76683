import type { SizeShare } from '@early-lantern/contract';
import { nestedPitch } from '../geometry/rings.ts';
import { inchesToMetres } from '../quantity/length.ts';

/** Balloons spread evenly over their range: mean of d, in metres. */
export function meanDiameterM(sizes: readonly SizeShare[]): number {
  return weighted(sizes, ({ inflatedIn: { min, max } }) => inchesToMetres((min + max) / 2));
}

/** Balloons spread evenly over their range: mean of d³, in cubic metres. */
export function meanCubeM3(sizes: readonly SizeShare[]): number {
  return weighted(sizes, ({ inflatedIn }) => {
    const a = inchesToMetres(inflatedIn.min);
    const b = inchesToMetres(inflatedIn.max);
    return b > a ? (b ** 4 - a ** 4) / (4 * (b - a)) : a ** 3;
  });
}

function weighted(sizes: readonly SizeShare[], value: (size: SizeShare) => number): number {
  const total = sizes.reduce((sum, size) => sum + size.sharePct, 0);
  return sizes.reduce((sum, size) => sum + size.sharePct * value(size), 0) / total;
}

/**
 * Width of the silhouette of a jumbled garland of `n`-clusters hung free: `W = 1.48 n^0.29 d3`, d3 the cube
 * root of the mean d³. Fitted to relaxed soft spheres, n = 4 to 8, ± 4 %.
 */
export function silhouetteWidthM(n: number, sizes: readonly SizeShare[]): number {
  return 1.48 * n ** 0.29 * Math.cbrt(meanCubeM3(sizes));
}

/** Length one cluster takes on the string: `k f(n) d̄`, k the press factor (0.97 pushed tight, 1.17 with play). */
export function clusterPitchM(n: number, sizes: readonly SizeShare[], pressFactor: number): number {
  return pressFactor * nestedPitch(n, 1, 1) * meanDiameterM(sizes);
}

/**
 * The same sizes with shares tilted towards the small or the large ones, `share · e^(λ d̄)`, until an `n`-cluster
 * garland of them is `widthM` wide; as near as the mix allows. Shares keep their sum of 100.
 */
export function tiltToWidth(sizes: readonly SizeShare[], n: number, widthM: number): SizeShare[] {
  let low = -80;
  let high = 80;
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (silhouetteWidthM(n, tilt(sizes, middle)) < widthM) low = middle;
    else high = middle;
  }
  return tilt(sizes, (low + high) / 2);
}

function tilt(sizes: readonly SizeShare[], lambda: number): SizeShare[] {
  const centre = meanDiameterM(sizes);
  const weights = sizes.map(
    (size) => size.sharePct * Math.exp(lambda * (meanDiameterM([{ ...size, sharePct: 100 }]) - centre)),
  );
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return sizes.map((size, i) => ({ ...size, sharePct: (100 * (weights[i] as number)) / total }));
}

import type { SizeShare } from '@early-lantern/contract';
import { meanDiameterM } from './mix.ts';
import { type Backing, tightWidthM } from './organic-law.ts';

/**
 * The same sizes with shares tilted towards the small or the large ones, `share · e^(λ d̄)`, until an `n`-cluster
 * garland of them is `widthM` wide; as near as the mix allows. Shares keep their sum of 100.
 */
export function tiltToWidth(
  sizes: readonly SizeShare[],
  n: number,
  widthM: number,
  backing: Backing,
): SizeShare[] {
  let low = -80;
  let high = 80;
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (tightWidthM(n, tilt(sizes, middle), backing) < widthM) low = middle;
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

import type { ColourShare, SizeShare } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';

/** A colour's weight among the balloons of a size: its share there, where it has one for each size. */
export const shareIn = ({ sharePct, inSizes }: ColourShare, nominalIn: number): number =>
  inSizes ? (inSizes.find((one) => one.nominalIn === nominalIn)?.sharePct ?? 0) : sharePct;

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

import type { InflatedRange } from '@early-lantern/contract';
import { inchesText } from '../quantity/length.ts';

/** A diameter to the nearest quarter of an inch, not below one inch: as balloons are sized. Common practice, no source. */
export const toQuarter = (inches: number): number => Math.max(1, Math.round(inches * 4) / 4);

const words = (inches: number): string => inchesText(toQuarter(inches) * 8);

/** "6–8¾ in.", "9 in.": a range of diameters as the bench reads it. */
export const diameters = ({ min, max }: InflatedRange): string =>
  `${toQuarter(min) === toQuarter(max) ? '' : `${words(min)}–`}${words(max)} in.`;

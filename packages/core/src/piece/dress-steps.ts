import type { Fullness, Mix, SizeShare } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';
import type { Backing } from './organic-law.ts';

/** The width at which the filler density is quoted. */
export const FILLER_WIDTH_M = inchesToMetres(22);

/** So many clusters of one size. */
export interface ClusterCount {
  size: number;
  count: number;
}

/** What a dressing was worked out from, step by step. */
export interface DressSteps {
  widthM: number;
  visibleWidthM: number;
  mix: Mix;
  sizes: readonly SizeShare[];
  backing: Backing;
  fullness: Fullness;
  onPole: boolean;
  lengthM: number;
  meanWidthM: number;
  /** The fewest balloons for length and width, before any more for fullness. */
  fewest: number;
  /** Balloons of the string, of the sides and on corners. */
  spine: number;
  side: number;
  extra: number;
  clusterSize: number;
  clusters: { spine: ClusterCount[]; side: ClusterCount[] };
  fillers: readonly { name: string; count: number; perM: number }[];
}

import type { Fullness, Mix, SizeShare } from '@early-lantern/contract';
import type { Backing } from './organic-law.ts';

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
  fillers: readonly { count: number }[];
}

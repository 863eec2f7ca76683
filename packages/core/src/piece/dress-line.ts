import type { ByHand, Mix } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import type { Backing } from './organic-law.ts';

/** What shall be dressed: a line, thick end first, with its mean width there and what it narrows to. */
export interface DressLine {
  chain: readonly XY[];
  widthM: number;
  /** Width at the tip over that at the thick end. */
  taper: number;
  mix: Mix;
  backing: Backing;
  /** Clipped on to a pole: two balloons of a cluster spread round it, so four at the least. */
  onPole?: boolean;
  /** Clusters more than length and width ask for: on corners, for a tail that spreads. */
  extraClusters?: number;
  /** Where those are tied, as shares of the line. */
  extraAt?: readonly number[];
  /** What was done to this line by hand. */
  byHand?: readonly ByHand[];
}

import type { InflatedRange, Working } from '@early-lantern/contract';

/** So many balloons of one size, blown alike, in one colour, for one part of a piece. */
export interface Need {
  role: 'base' | 'filler';
  nominalIn: number;
  inflatedIn: InflatedRange;
  colour: string;
  count: number;
}

/** What a piece is made of: all that counting, the bench and the clock need to know of it. */
export interface Recipe {
  lengthM: number;
  visibleWidthM: number;
  /** Balloons in one cluster. */
  clusterSize: number;
  /** Clusters on the string, and those added at its sides for width. */
  spineClusters: number;
  sideClusters: number;
  fillerTrios: number;
  /** Lengths it is built and carried in. */
  sections: number;
  hangPoints: number;
  /** Highest point of the line above the floor. */
  topM: number;
  needs: Need[];
  notes: string[];
  working: Working[];
}

import type { Need } from './recipe.ts';

/** A balloon where it is: centre and radius in metres on the elevation. */
export interface PlacedBalloon {
  xM: number;
  yM: number;
  rM: number;
  role: Need['role'];
}

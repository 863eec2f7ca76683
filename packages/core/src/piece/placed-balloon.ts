import type { Need } from './recipe.ts';

/** A balloon where it is: centre and radius in metres on the elevation. */
export interface PlacedBalloon {
  xM: number;
  yM: number;
  rM: number;
  /** Towards the viewer, m: from the wall or from the middle of its piece; left out, in that middle. */
  zM?: number;
  role: Need['role'];
}

import type { DressLine } from './dress-line.ts';
import type { DrawnShape } from './picture.ts';
import type { PlacedBalloon } from './placed-balloon.ts';

/** A balloon of a dressing in its place. */
export interface DressedBalloon extends PlacedBalloon {
  nominalIn: number;
  /** Towards the viewer. */
  zM: number;
  /** Tie the neck pulls to. */
  tieX: number;
  tieY: number;
  /** Of a cluster in a stretch of one colour: that colour. */
  ofStretch?: string;
  /** What it is tied into, where it is a filler. */
  filler?: string;
}

/** Where a piece is, whatever its colours: what counts, holds and fits asks for this, never for the picture. */
export interface Placement {
  shapes: readonly DrawnShape[];
  balloons: readonly PlacedBalloon[];
  /** Of what is dressed organically: its balloons line by line, as its picture takes them, and those lines. */
  dressed?: readonly (readonly DressedBalloon[])[];
  lines?: readonly DressLine[];
}

import type { Piece, Schools } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import type { Hardware } from './hardware.ts';
import type { Part } from './part.ts';
import type { Picture } from './picture.ts';
import type { Placement } from './placement.ts';
import type { Recipe } from './recipe.ts';
import type { Traits } from './traits.ts';
import type { Upon } from './upon.ts';

/** What every kind of piece has to say of itself. */
export interface Kind<P extends Piece> {
  /** Counts, materials, work and assembly steps. */
  recipe(piece: P, schools: Schools): Recipe;
  /** What of it the rest of the plan goes by. */
  traits(piece: P): Traits;
  /** Pipes to cut, what joins them, and other stiff parts. */
  hardware(piece: P): Hardware;
  /** Width and height, m, of what nobody measures along a line: a column, a frame, a wall. */
  sizeM?(piece: P, recipe: Recipe): { widthM: number; heightM: number };
  /** How it goes on other pieces or hangs. */
  upon(piece: P): Upon;
  /** Of what is held by two ends that may each be set on a carrier: it with one of them moved. */
  withEnd?(piece: P, end: 'from' | 'to', at: XY): P;
  /** What of it the wind meets from the front, m²; left out, as long as it is, as wide as it shows, of balloons. */
  outlineM2?(piece: P, recipe: Recipe): number;
  /** Where its balloons are; left out, where the picture has them: placing them is no work. */
  placement?(piece: P, recipe: Recipe): Placement;
  /** How it looks on its spot's elevation. @param placed as `placement` has it, where the kind has one */
  picture(piece: P, recipe: Recipe, placed?: Placement): Picture;
  /** How deep it is from front to back, m, without its bases; left out, as deep as it is wide: it is round. */
  depthM?(piece: P, recipe: Recipe): number;
  /** Whether it is made with air between its balloons, so that there is nothing to close; left out, it is not. */
  isOpen?(piece: P): boolean;
  /** What to look at once it hangs besides what its settling shows, a sentence each. Common practice, no source. */
  lookOver?(piece: P): readonly string[];
  /** What other pieces can be put on; left out, nothing can. */
  parts?(piece: P): Part[];
}

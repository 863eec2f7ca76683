import type { Piece } from '@early-lantern/contract';
import { organicGarland } from './organic-garland.ts';
import type { Recipe } from './recipe.ts';

/** The recipe of a piece of any kind: add a kind here and in a file of its own. */
export function recipeOf(piece: Piece): Recipe {
  switch (piece.kind) {
    case 'organic-garland':
      return organicGarland(piece);
  }
}

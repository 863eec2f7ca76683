import type { Piece } from '@early-lantern/contract';
import { organicGarland } from './organic-garland.ts';
import type { Recipe } from './recipe.ts';

/** Recipes worked out before. A piece is never changed in place, so the same object has the same recipe. */
const known = new WeakMap<Piece, Recipe>();

/** The recipe of a piece of any kind: add a kind here and in a file of its own. */
export function recipeOf(piece: Piece): Recipe {
  const recipe = known.get(piece) ?? workOut(piece);
  known.set(piece, recipe);
  return recipe;
}

function workOut(piece: Piece): Recipe {
  switch (piece.kind) {
    case 'organic-garland':
      return organicGarland(piece);
  }
}

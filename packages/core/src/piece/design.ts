import type { Piece, Schools } from '@early-lantern/contract';
import { kindOf } from './kinds.ts';
import type { Picture } from './picture.ts';
import type { Recipe } from './recipe.ts';

/** A piece as it is made, wherever it stands and whatever holds it. */
interface Design {
  recipe: Recipe;
  /** Drawn when it is first asked for. */
  picture: () => Picture;
}

/**
 * Designs worked out before, by what they are of: a fix that is tried changes what holds a piece or how far it is from
 * the wall a hundred times, and nothing of how it is made. The one not asked for longest goes first.
 */
const known = new Map<string, Design>();
const MOST_KNOWN = 120;

/** What a piece is made of and looks like, without attachments' counts, tie lines and stand-ins. */
export function designOf({ hold: _, frontM: __, ...rest }: Piece, schools: Schools): Design {
  const piece = rest as Piece;
  const key = JSON.stringify([schools, piece]);
  const before = known.get(key);
  if (before) {
    known.delete(key);
    known.set(key, before);
    return before;
  }
  const recipe = kindOf(piece).recipe(piece, schools);
  let drawn: Picture | undefined;
  const design: Design = {
    recipe,
    picture: () => {
      drawn ??= kindOf(piece).picture(piece, recipe);
      return drawn;
    },
  };
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value as string);
  known.set(key, design);
  return design;
}

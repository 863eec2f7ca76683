import type { Piece, Schools } from '@early-lantern/contract';
import { LRUCache } from 'lru-cache';
import { kindOf } from './kinds.ts';
import type { Picture } from './picture.ts';
import type { Placement } from './placement.ts';
import type { Recipe } from './recipe.ts';

/** A piece as it is made, wherever it stands and whatever holds it. */
interface Design {
  /** What it is of, as one word: the same for the same design. */
  key: string;
  recipe: Recipe;
  /** Placed and drawn when it is first asked for. */
  placement: () => Placement;
  picture: () => Picture;
}

/**
 * Designs worked out before, by what they are of: a fix that is tried changes what holds a piece or how far it is from
 * the wall a hundred times, and nothing of how it is made. The one not asked for longest goes first.
 */
const known = new LRUCache<string, Design>({ max: 120 });

/** What a piece is made of and looks like, without attachments' counts, tie lines and stand-ins. */
export function designOf({ hold: _, frontM: __, ...rest }: Piece, schools: Schools): Design {
  const piece = rest as Piece;
  const key = JSON.stringify([schools, piece]);
  const before = known.get(key);
  if (before) return before;
  const kind = kindOf(piece);
  const recipe = kind.recipe(piece, schools);
  const placed = once(() => kind.placement?.(piece, recipe));
  const picture = once(() => kind.picture(piece, recipe, placed()));
  const design: Design = { key, recipe, placement: () => placed() ?? picture(), picture };
  known.set(key, design);
  return design;
}

/** Worked out when it is first asked for, and kept. */
function once<T>(workOut: () => T): () => T {
  let found: { answer: T } | undefined;
  return () => {
    found ??= { answer: workOut() };
    return found.answer;
  };
}

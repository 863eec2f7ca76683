import type { Kept, Piece } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { material } from '../materials/materials.ts';
import { sumOf } from '../quantity/group.ts';
import { plural } from '../quantity/plural.ts';
import { colourMark } from './colour-mark.ts';
import type { Need, Recipe } from './recipe.ts';

/** How many of so many needs are kept from an earlier installation. */
export const keptOf = (needs: readonly Need[]): number =>
  sumOf(needs.map(({ isKept, count }) => (isKept ? count : 0)));

/**
 * A recipe with the balloons that are kept from an earlier installation in their places: of each product the base gets
 * them first, then fillers, as its needs are listed.
 */
export function withKept(piece: Piece, recipe: Recipe): Recipe {
  const kept = 'kept' in piece ? piece.kept : undefined;
  if (!kept?.length) return recipe;
  const left = kept.map((one) => ({ ...one }));
  const needs = recipe.needs.flatMap((need) => placed(need, left));
  const count = keptOf(needs);
  const over = left.filter((one) => one.count > 0);
  const notes = over.map(
    (one) =>
      `${plural(one.count, 'kept balloon')} of ${sizeName(one.nominalIn)} ${colourMark(one.colour)}: the piece has no place for ${one.count === 1 ? 'it' : 'them'}.`,
  );
  if (count === 0) return { ...recipe, notes: [...recipe.notes, ...notes] };
  return {
    ...recipe,
    needs,
    materials: [
      ...recipe.materials,
      material('hand-pump', 1, 'to top up kept balloons', [['kept', count]], 'common practice, no source'),
    ],
    making: [
      `Kept balloons first: retie them and top them up by hand pump, ${count} in all. A weak one is left out; a spare takes its place.`,
      ...recipe.making,
    ],
    notes: [...recipe.notes, ...notes],
  };
}

/** Balloons that something is done with while they are blown, by what they are tied into. */
const HANDLED = /double-stuffed|inside|folded/;

/** A need in two parts, kept and new; takes what it gets off what is left. */
function placed(need: Need, left: Kept[]): Need[] {
  // What is blown already takes no other balloon inside, and folds no more.
  if (HANDLED.test(need.cluster)) return [need];
  let open = need.count;
  for (const one of left) {
    if (one.nominalIn !== need.nominalIn || one.colour !== need.colour) continue;
    const taken = Math.min(open, one.count);
    one.count -= taken;
    open -= taken;
  }
  const parts: Need[] = [
    { ...need, count: need.count - open, isKept: true },
    { ...need, count: open },
  ];
  return parts.filter(({ count }) => count > 0);
}

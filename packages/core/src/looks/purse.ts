import type { JobFile, Piece } from '@early-lantern/contract';
import { recipeOf } from '../piece/recipe-of.ts';
import { sumOf } from '../quantity/group.ts';

/**
 * How much may still be tried for one answer, in balloons looked at: by count, not by clock, so that the same file always gives
 * the same fixes. A garland of usual size is looked at some dozens of times; one of two hundred feet hardly ever.
 */
export interface Purse {
  balloons: number;
}

export const fullPurse = (): Purse => ({ balloons: 12_000 });

/** Beyond so many balloons each of them costs more: more gaps are looked through for more fillers. */
const LARGE = 1_000;

/** Takes out what it costs to look at a piece once; false where that is no longer there. */
export function pays(purse: Purse, piece: Piece, { workshop }: JobFile): boolean {
  const balloons = sumOf(recipeOf(piece, workshop.schools).needs.map(({ count }) => count));
  const cost = balloons * Math.max(1, balloons / LARGE);
  if (cost > purse.balloons) return false;
  purse.balloons -= cost;
  return true;
}

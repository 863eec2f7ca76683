import type { Piece } from '@early-lantern/contract';
import type { Recipe } from './recipe.ts';

/**
 * The width, m, that a garland has from its base alone: clusters at the sides are what fills the outline beyond it, and
 * an outline's volume goes with the square of its width.
 * @returns undefined for what has no clusters at its sides
 */
export function fluffDropped(piece: Piece, { spineClusters, sideClusters }: Recipe): number | undefined {
  if (piece.kind !== 'organic-garland' || sideClusters === 0) return undefined;
  return Number((piece.widthM * Math.sqrt(spineClusters / (spineClusters + sideClusters))).toFixed(3));
}

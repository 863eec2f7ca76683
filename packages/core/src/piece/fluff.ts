import type { Piece } from '@early-lantern/contract';
import { stringWidthM } from './organic-law.ts';
import type { Recipe } from './recipe.ts';

/**
 * The width, m, that a garland has from clusters on its string alone: what is wider is filled by those at its sides.
 * @returns undefined for what has no clusters at its sides, or only those of its corners and tail
 */
export function fluffDropped(piece: Piece, { sideClusters }: Recipe): number | undefined {
  if (piece.kind !== 'organic-garland' || sideClusters === 0) return undefined;
  const widthM = stringWidthM(piece.clusterSize, piece.sizes, piece.backing ?? 'wall');
  return widthM < piece.widthM ? Math.floor(widthM * 1000) / 1000 : undefined;
}

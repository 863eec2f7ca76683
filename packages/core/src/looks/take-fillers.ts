import type { FullPiece, Piece } from '@early-lantern/contract';

/** The most fillers a metre that a piece may have. */
const MOST_PER_M = 40;

/**
 * A piece with as many fillers as close it; undefined where it has none to set, or enough.
 * @param lengthM of its base, where none are counted yet
 */
export function withFillersNeeded(
  piece: Piece,
  lengthM: number,
  { needed, counted }: FullPiece['fillers'],
): Piece | undefined {
  if (needed <= counted || !('fillers' in piece) || !piece.fillers || !('triosPerM' in piece.fillers))
    return undefined;
  const now = piece.fillers.triosPerM;
  const perM = counted > 0 && now > 0 ? (now * needed) / counted : needed / Math.max(0.1, lengthM);
  const triosPerM = Math.min(MOST_PER_M, Math.ceil(perM * 100) / 100);
  return { ...piece, fillers: { ...piece.fillers, triosPerM } } as Piece;
}

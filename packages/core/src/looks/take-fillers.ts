import type { FullPiece, Mix, Piece } from '@early-lantern/contract';
import { mixOf, withMix } from '../piece/mix-of.ts';

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
  const mix = mixOf(piece);
  if (needed <= counted || !mix) return undefined;
  const now = mix.fillers.triosPerM;
  return withDensity(
    piece,
    mix.fillers,
    counted > 0 && now > 0 ? (now * needed) / counted : needed / Math.max(0.1, lengthM),
  );
}

/** A piece with so many fillers a metre, rounded up, so that the count does not fall short. */
export const withDensity = <P extends Piece>(piece: P, fillers: Mix['fillers'], perM: number): P =>
  withMix(piece, { fillers: { ...fillers, triosPerM: Math.min(MOST_PER_M, Math.ceil(perM * 100) / 100) } });

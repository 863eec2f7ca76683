import type { Piece, Workshop } from '@early-lantern/contract';
import { mixOf } from '../piece/mix-of.ts';
import { seenOf } from './full.ts';
import { withDensity } from './take-fillers.ts';

/**
 * A new piece with as many fillers as close it, neither more nor fewer: the usual density is only where one begins.
 * The same piece where it is not dressed organically, or is closed without any.
 */
export function closedPiece<P extends Piece>(piece: P, workshop: Workshop): P {
  const mix = mixOf(piece);
  const fillers = seenOf(piece, workshop, false)?.piece.fillers;
  if (!mix || !fillers || fillers.counted === 0 || fillers.needed === 0) return piece;
  return withDensity(piece, mix.fillers, (mix.fillers.triosPerM * fillers.needed) / fillers.counted);
}

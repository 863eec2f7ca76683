import type { Piece, Workshop } from '@early-lantern/contract';
import { mixOf } from '../piece/mix-of.ts';
import { seenOf } from './full.ts';
import { withDensity } from './take-fillers.ts';

const MOST_TRIES = 4;

/**
 * A new piece with as many fillers as close it, neither more nor fewer: the usual density is only where one begins.
 * The same piece where it is not dressed organically, or is closed without any.
 */
export function closedPiece<P extends Piece>(piece: P, workshop: Workshop): P {
  let closed = piece;
  // Line by line fillers are counted in whole ones, so that the first try may fall a few short.
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const mix = mixOf(closed);
    const fillers = seenOf(closed, workshop, false)?.piece.fillers;
    if (!mix || !fillers || fillers.counted === 0 || fillers.needed === 0) return closed;
    if (tries > 0 && fillers.counted >= fillers.needed) return closed;
    closed = withDensity(closed, mix.fillers, (mix.fillers.triosPerM * fillers.needed) / fillers.counted);
  }
  return closed;
}

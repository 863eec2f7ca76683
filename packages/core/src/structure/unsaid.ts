import type { JobFile, Piece } from '@early-lantern/contract';
import { traitsOf } from '../piece/kinds.ts';
import { proposalsFor } from '../support/propose.ts';

/** Whether a piece has to say what carries it, and has not. */
export const isAskedFor = (piece: Piece): boolean => piece.on === undefined && traitsOf(piece).hangs;

/** A piece that lies on another one without saying whether it hangs on it: a sentence, or nothing. */
export function unsaidCarrier(piece: Piece, file: JobFile): string | undefined {
  if (!isAskedFor(piece)) return undefined;
  const [first] = proposalsFor(piece, file.job.pieces);
  return first
    ? `${piece.name} lies on ${first.carrier.name}: say under Hangs on whether that carries it.`
    : undefined;
}

import type { JobFile, Piece } from '@early-lantern/contract';
import { proposalsFor } from '../support/propose.ts';

/** Kinds that hang: what they overlap might carry them. */
const HANGS: readonly Piece['kind'][] = ['organic-garland', 'accent', 'bunch', 'banner'];

/** Whether a piece has to say what carries it, and has not. */
export const isAskedFor = (piece: Piece): boolean =>
  piece.on === undefined &&
  HANGS.includes(piece.kind) &&
  !(piece.kind === 'accent' && piece.look.what === 'helium');

/** A piece that lies on another one without saying whether it hangs on it: a sentence, or nothing. */
export function unsaidCarrier(piece: Piece, file: JobFile): string | undefined {
  if (!isAskedFor(piece)) return undefined;
  const [first] = proposalsFor(piece, file.job.pieces);
  return first
    ? `${piece.name} lies on ${first.carrier.name}: say under Hangs on whether that carries it.`
    : undefined;
}

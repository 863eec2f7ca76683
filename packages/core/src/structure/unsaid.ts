import type { JobFile, Piece } from '@early-lantern/contract';
import { proposalsFor } from '../support/propose.ts';

/** Kinds that hang: what they overlap might carry them. */
const HANGS: readonly Piece['kind'][] = ['organic-garland', 'accent', 'bunch', 'banner'];

/** A piece that lies on another one without saying whether it hangs on it: a sentence, or nothing. */
export function unsaidCarrier(piece: Piece, file: JobFile): string | undefined {
  if (piece.on !== undefined || !HANGS.includes(piece.kind)) return undefined;
  if (piece.kind === 'accent' && piece.look.what === 'helium') return undefined;
  const [first] = proposalsFor(piece, file.job.pieces);
  return first
    ? `${piece.name} lies on ${first.carrier.name}: say under Hangs on whether that carries it.`
    : undefined;
}

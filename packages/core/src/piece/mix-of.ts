import type { Mix, Piece } from '@early-lantern/contract';

/** What a piece that is dressed organically all along is mixed of; undefined for any other. */
export function mixOf(piece: Piece): Mix | undefined {
  if (piece.kind === 'organic-garland') return piece;
  if (piece.kind === 'standing-garland') return piece.mix;
  if (piece.kind === 'photo-frame' && piece.dress.style === 'organic') return piece.dress.mix;
  if (piece.kind === 'panel-wall') return piece.sides?.mix;
  return undefined;
}

/** What changes of a mix when it is dealt again: turns and swaps belong to the dealing before. @param times dealings further on */
export function dealtAgain({ seed, byHand }: Mix, times: number): Partial<Mix> {
  const kept = byHand?.filter(({ what }) => what === 'widen' || what === 'edge');
  return { seed: (seed + times) % 2 ** 31, ...(kept ? { byHand: kept } : {}) };
}

/** The piece with some of its mix changed; the same where it has none. */
export function withMix<P extends Piece>(piece: P, change: Partial<Mix>): P {
  if (piece.kind === 'organic-garland') return { ...piece, ...change };
  if (piece.kind === 'standing-garland') return { ...piece, mix: { ...piece.mix, ...change } };
  if (piece.kind === 'photo-frame' && piece.dress.style === 'organic')
    return { ...piece, dress: { ...piece.dress, mix: { ...piece.dress.mix, ...change } } };
  if (piece.kind === 'panel-wall' && piece.sides)
    return { ...piece, sides: { ...piece.sides, mix: { ...piece.sides.mix, ...change } } };
  return piece;
}

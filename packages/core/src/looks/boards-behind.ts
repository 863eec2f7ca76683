import type { Piece } from '@early-lantern/contract';
import { kindOf } from '../piece/kinds.ts';
import type { Area, PartMade } from '../piece/part.ts';

/** Its edges are to be covered by what runs along them; the hem of a curtain is not. */
const BOARDS: readonly PartMade[] = ['panel', 'board', 'mesh'];

/** The panels and boards that a piece runs along: its own, and those of what carries it. */
export function boardsBehind(piece: Piece, pieces: readonly Piece[]): Area[] {
  const carriers = [piece.on, piece.alsoOn].map((on) => on?.pieceId);
  return [piece, ...pieces.filter(({ id }) => carriers.includes(id))].flatMap((one) =>
    (kindOf(one).parts?.(one) ?? []).flatMap(({ made, area }) => (area && BOARDS.includes(made) ? area : [])),
  );
}

import type { Piece } from '@early-lantern/contract';
import { kindOf } from '../piece/kinds.ts';
import type { Area, PartMade } from '../piece/part.ts';

/** What balloons lie against, and whose edges what runs along them is to cover; a curtain gives way, its hem is to show. */
const BOARDS: readonly PartMade[] = ['panel', 'board', 'mesh'];

/** The panels and boards of a piece. */
export const ownBoards = (piece: Piece): Area[] =>
  (kindOf(piece).parts?.(piece) ?? []).flatMap(({ made, area }) =>
    area && BOARDS.includes(made) ? area : [],
  );

/** The panels and boards of what carries a piece: it lies against them. */
export function boardsBehind(piece: Piece, pieces: readonly Piece[]): Area[] {
  const carriers = [piece.on, piece.alsoOn].map((on) => on?.pieceId);
  return pieces.filter(({ id }) => carriers.includes(id)).flatMap(ownBoards);
}

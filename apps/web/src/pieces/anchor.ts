import type { Piece, Point } from '@early-lantern/contract';

/** The point that a piece's position is typed and told by, and what it is called. */
export function anchorOf(piece: Piece): { at: Point; of: string } {
  if (piece.kind === 'organic-garland') return { at: piece.line[0] as Point, of: 'thick end' };
  if (piece.kind === 'chain') return { at: piece.from, of: 'left end' };
  if (piece.kind === 'furnishing') return { at: piece.at, of: 'left edge' };
  return { at: piece.at, of: 'middle' };
}

import type { Piece } from '@early-lantern/contract';
import { isGarland } from '../piece/kinds.ts';

/** The pieces that a piece carries itself. */
export const carriedBy = (id: string, pieces: readonly Piece[]): Piece[] =>
  pieces.filter(({ on, alsoOn }) => on?.pieceId === id || alsoOn?.pieceId === id);

/** All that stands or falls with a piece: what it carries, what that carries, and so on. Each once. */
export function allCarriedBy(id: string, pieces: readonly Piece[]): Piece[] {
  const found = new Set<Piece>();
  const visit = (carrier: string) => {
    for (const piece of carriedBy(carrier, pieces)) {
      if (found.has(piece)) continue;
      found.add(piece);
      visit(piece.id);
    }
  };
  visit(id);
  return [...found];
}

/** Ends of garlands: what is tied there is joined to it, and hangs on points of its own. */
const JOINED = ['start', 'end', 'foot', 'body'];

/** Whether a piece is only joined to the other one it names, and carries its own weight: a garland to a garland. */
export const isJoin = (piece: Piece, pieces: readonly Piece[]): boolean =>
  isGarland(piece) &&
  piece.alsoOn !== undefined &&
  JOINED.includes(piece.alsoOn.part) &&
  pieces.some(
    ({ id, kind }) =>
      id === piece.alsoOn?.pieceId && (kind === 'organic-garland' || kind === 'standing-garland'),
  );

/** Of a piece's weight, what one carrier bears: half where two carry it. */
export function shareOn(piece: Piece, carrier: string, pieces: readonly Piece[]): number {
  const isTwo = piece.on && piece.alsoOn && !isJoin(piece, pieces);
  if (piece.on?.pieceId === carrier) return isTwo && piece.alsoOn?.pieceId !== carrier ? 0.5 : 1;
  return isTwo && piece.alsoOn?.pieceId === carrier ? 0.5 : 0;
}

/** Pieces with carriers before what they carry, else in their order. */
export function carriersFirst(pieces: readonly Piece[]): Piece[] {
  const sorted = new Set<Piece>();
  const open = new Set<Piece>();
  const put = (piece: Piece) => {
    if (sorted.has(piece) || open.has(piece)) return;
    open.add(piece);
    for (const on of [piece.on, piece.alsoOn]) {
      const carrier = on && pieces.find(({ id }) => id === on.pieceId);
      if (carrier) put(carrier);
    }
    sorted.add(piece);
  };
  pieces.forEach(put);
  return [...sorted];
}

/** How far in front of the wall a piece stands, metres: as far as what carries it. */
export function depthOf(piece: Piece, pieces: readonly Piece[]): number {
  const carrier = piece.on && pieces.find(({ id }) => id === piece.on?.pieceId);
  return carrier ? depthOf(carrier, pieces) : (piece.frontM ?? 0);
}

/** Pieces as they are seen from the front: what stands farther from the wall hides what is behind it. */
export function backToFront(pieces: readonly Piece[]): Piece[] {
  const near = new Map(pieces.map((piece) => [piece, depthOf(piece, pieces)]));
  return carriersFirst([...pieces].sort((a, b) => (near.get(a) as number) - (near.get(b) as number)));
}

import type { Piece } from '@early-lantern/contract';
import { moved } from '@early-lantern/core';

/** A piece so far from the wall, m; against it, nothing is said. */
export function atDepth(piece: Piece, metres: number): Piece {
  const { frontM: _, ...rest } = piece;
  return (metres > 0 ? { ...rest, frontM: Number(Math.min(30, metres).toFixed(4)) } : rest) as Piece;
}

/** The pieces with some of them brought out from the wall; how far out what is carried is, its carrier says. */
export const broughtOut = (pieces: readonly Piece[], ids: ReadonlySet<string>, dOutM: number): Piece[] =>
  pieces.map((one) =>
    ids.has(one.id) && !one.on && dOutM !== 0 ? atDepth(one, (one.frontM ?? 0) + dOutM) : one,
  );

/** The pieces with one moved, and whatever hangs on it. */
export const movedWith = (pieces: readonly Piece[], ids: ReadonlySet<string>, dxM: number, dyM: number) =>
  pieces.map((one) => (ids.has(one.id) ? moved(one, dxM, dyM) : one));

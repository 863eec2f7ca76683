import type { GroundArea, Piece } from '@early-lantern/contract';
import { moved } from '@early-lantern/core';
import type { SpotView } from '../ground/ViewToggle.tsx';
import { newId } from '../parts/ids.ts';
import { broughtOut } from './moving.ts';

/** Beside or before what is copied, m. */
const COPY_ASIDE_M = 0.3048;

/** Where a copy is put: to the right, and out from the wall. */
export interface Aside {
  dxM: number;
  dOutM: number;
}

/** Copies of pieces, those that hang on each other hanging on each other's copies. The first one leads. */
export function copiesOf(
  ids: readonly string[],
  all: readonly Piece[],
  { dxM, dOutM }: Aside,
): [Piece, ...Piece[]] {
  const chosen = ids.flatMap((id) => all.find((one) => one.id === id) ?? []);
  const named = new Map(
    chosen.map(({ id, name }) => {
      const copy = `${name}, another`.slice(0, 120);
      return [id, { id: newId(copy), name: copy }];
    }),
  );
  const hungAlike = <K extends 'on' | 'alsoOn'>(piece: Piece, key: K) => {
    const on = piece[key];
    const copy = on && named.get(on.pieceId);
    return on && copy ? { [key]: { ...on, pieceId: copy.id } } : {};
  };
  const copies = chosen.map((piece) =>
    moved(
      { ...piece, ...hungAlike(piece, 'on'), ...hungAlike(piece, 'alsoOn'), ...named.get(piece.id) } as Piece,
      dxM,
      0,
    ),
  );
  return broughtOut(copies, new Set(copies.map(({ id }) => id)), dOutM) as [Piece, ...Piece[]];
}

/** The pieces without some; what hung on one of those says nothing of a carrier any more. */
export function without(pieces: readonly Piece[], ids: readonly string[]): Piece[] {
  const isGone = (id: string | undefined) => id !== undefined && ids.includes(id);
  return pieces
    .filter(({ id }) => !isGone(id))
    .map((piece) => {
      if (!isGone(piece.on?.pieceId) && !isGone(piece.alsoOn?.pieceId)) return piece;
      const { on, alsoOn, ...rest } = piece;
      return {
        ...rest,
        ...(isGone(on?.pieceId) || on === undefined ? {} : { on }),
        ...(isGone(alsoOn?.pieceId) || alsoOn === undefined ? {} : { alsoOn }),
      } as Piece;
    });
}

/** Seen from above a copy is put in front of what it is copied from, else beside it. @param ground of that, if known */
export function asideOf(ground: readonly GroundArea[], view: SpotView): Aside {
  if (view === 'front' || ground.length === 0) return { dxM: COPY_ASIDE_M, dOutM: 0 };
  const back = Math.min(...ground.map(({ outM }) => outM));
  const front = Math.max(...ground.map(({ outM, depthM }) => outM + depthM));
  return { dxM: 0, dOutM: front - back + COPY_ASIDE_M };
}

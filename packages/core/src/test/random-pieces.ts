import type { Piece, PieceKind } from '@early-lantern/contract';
import { partsOf } from '../support/parts.ts';
import { made } from './carried.ts';

/** A repeatable source of numbers from 0 to 1 (mulberry32). */
export function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const KINDS: PieceKind[] = [
  'organic-garland',
  'organic-garland',
  'backdrop',
  'furnishing',
  'tower',
  'packed-column',
  'square-column',
  'panel-wall',
  'photo-frame',
  'standing-garland',
  'topiary',
  'pair-arch',
  'chain',
  'accent',
  'centrepiece',
  'table-arch',
  'packed-arch',
  'bunch',
  'banner',
];

/** Up to eight pieces, most of them on a part of one that is there already, some on two. */
export function randomPieces(random: () => number): Piece[] {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const pieces: Piece[] = [];
  const count = 2 + Math.floor(random() * 7);
  for (let i = 0; i < count; i++) {
    const kind = pick(KINDS);
    const what =
      kind === 'backdrop' ? { what: pick(['curtain', 'greenery', 'boards', 'sign'] as const) } : {};
    const bare = made(kind, `p${i}-${kind}`, what as never) as Piece;
    const somewhere = () => {
      const carrier = pick(pieces);
      const parts = carrier ? partsOf(carrier) : [];
      return parts.length > 0 ? { pieceId: carrier.id, part: pick(parts).id } : undefined;
    };
    const on = pieces.length > 0 && random() < 0.7 ? somewhere() : undefined;
    const alsoOn = on && random() < 0.25 ? somewhere() : undefined;
    pieces.push({ ...bare, ...(on ? { on } : {}), ...(alsoOn ? { alsoOn } : {}) } as Piece);
  }
  // In the order in which somebody thought of them.
  return pieces
    .map((piece) => ({ piece, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ piece }) => piece);
}

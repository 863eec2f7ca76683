import type { On, Piece } from '@early-lantern/contract';
import { uponOf } from '../piece/kinds.ts';
import type { Part, PartMade } from '../piece/part.ts';
import { memoByPair } from '../quantity/memo.ts';
import { allCarriedBy } from './carried.ts';
import { type Carrying, distanceTo, partsOf } from './parts.ts';

/** A carrier that a piece could go on, the likeliest first. */
export interface Proposal extends Carrying {
  on: On;
  /** Of the piece, what lies on the part, 0 to 1. */
  share: number;
}

/** A piece lies on a part within this, m; less of it than this share is by chance. From memory. */
const WITHIN_M = 0.35;
const LEAST_SHARE = 0.12;
/** Pieces that stand further apart than this before the wall, m, only look as if one lay on the other. From memory. */
const DEPTH_APART_M = 0.5;
/** A way that is one later in the list counts so much less. */
const LATER = 0.04;

/** Ends and bodies of garlands take garlands only at their ends: one is joined there, not hung. */
const takes = (piece: Piece, part: Part): boolean =>
  uponOf(piece).goesOn.includes(part.made) &&
  (uponOf(piece).line === undefined || part.made !== 'balloons' || part.id === 'start' || part.id === 'end');

/** Other pieces of the spot; none that hangs on the piece itself. */
function othersBeside(piece: Piece, pieces: readonly Piece[]): Piece[] {
  const below = new Set(allCarriedBy(piece.id, pieces).map(({ id }) => id));
  return pieces.filter(({ id, spotId }) => id !== piece.id && spotId === piece.spotId && !below.has(id));
}

/** Every part of other pieces of the spot that a piece can go on at all; nothing that hangs on it itself. */
export const placesFor = (piece: Piece, pieces: readonly Piece[]): Carrying[] =>
  othersBeside(piece, pieces).flatMap((carrier) =>
    partsOf(carrier)
      .filter((part) => takes(piece, part))
      .map((part) => ({ carrier, part })),
  );

/** What a piece lies on as it is drawn, the likeliest first. */
export function proposalsFor(piece: Piece, pieces: readonly Piece[]): Proposal[] {
  const ways = uponOf(piece).goesOn;
  return othersBeside(piece, pieces)
    .flatMap((carrier) => liesOn(piece, carrier))
    .sort((a, b) => rank(b, ways) - rank(a, ways));
}

/** The parts of one other piece that a piece lies on. */
const liesOn = memoByPair(
  () => [],
  (piece: Piece, carrier: Piece): Proposal[] => {
    if (isApart(piece, carrier)) return [];
    const at = uponOf(piece).samples;
    return partsOf(carrier)
      .filter((part) => takes(piece, part))
      .map((part): Proposal => {
        const near = at.filter((point) => distanceTo(part, point) <= WITHIN_M).length;
        return {
          carrier,
          part,
          on: { pieceId: carrier.id, part: part.id },
          share: near / Math.max(1, at.length),
        };
      })
      .filter(({ share }) => share >= LEAST_SHARE);
  },
);

/** Whether a piece is said to be well before or behind another; a place from the wall that nobody gave says nothing. */
const isApart = ({ frontM }: Piece, carrier: Piece) =>
  frontM !== undefined && Math.abs((carrier.frontM ?? 0) - frontM) > DEPTH_APART_M;

const rank = ({ share, part }: Proposal, ways: readonly PartMade[]) =>
  share - LATER * ways.indexOf(part.made);

import type { On, Piece } from '@early-lantern/contract';
import { smoothLine, type XY } from '../geometry/line.ts';
import type { Part, PartMade } from '../piece/part.ts';
import { memoByPair, memoByPiece } from '../quantity/memo.ts';
import { allCarriedBy } from './carried.ts';
import { type Carrying, distanceTo, partsOf } from './parts.ts';

/** A carrier that a piece could go on, the likeliest first. */
export interface Proposal extends Carrying {
  on: On;
  /** Of the piece, what lies on the part, 0 to 1. */
  share: number;
}

/** What each kind of piece can go on, the usual way first. Common practice, no source. */
const goesOn: Partial<Record<Piece['kind'], readonly PartMade[]>> = {
  'organic-garland': [
    'bar',
    'gap',
    'mesh',
    'frame-behind',
    'pole',
    'board',
    'table-edge',
    'balloons',
    'cloth',
    'leg',
  ],
  'pair-arch': ['balloons', 'pole', 'bar'],
  chain: ['balloons', 'pole', 'bar'],
  banner: ['bar', 'balloons', 'mesh', 'board'],
  accent: ['balloons', 'mesh', 'panel', 'board', 'bar', 'table-top'],
  bunch: ['bar', 'balloons', 'mesh'],
  centrepiece: ['table-top'],
  'table-arch': ['table-top', 'table-edge'],
  topiary: ['table-top'],
  furnishing: ['balloons', 'table-top'],
};

/** A piece lies on a part within this, m; less of it than this share is by chance. From memory. */
const WITHIN_M = 0.35;
const LEAST_SHARE = 0.12;
/** Pieces that stand further apart than this before the wall, m, only look as if one lay on the other. From memory. */
const DEPTH_APART_M = 0.5;
/** A way that is one later in the list counts so much less. */
const LATER = 0.04;

/** What a piece can go on, by what parts are made of. */
const waysFor = (piece: Piece): readonly PartMade[] => {
  if (piece.kind === 'backdrop') return piece.what === 'sign' ? ['pole', 'board', 'balloons', 'mesh'] : [];
  return goesOn[piece.kind] ?? [];
};

/** Ends and bodies of garlands take garlands only at their ends: one is joined there, not hung. */
const takes = (piece: Piece, part: Part): boolean =>
  waysFor(piece).includes(part.made) &&
  (piece.kind !== 'organic-garland' || part.made !== 'balloons' || part.id === 'start' || part.id === 'end');

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
  const ways = waysFor(piece);
  return othersBeside(piece, pieces)
    .flatMap((carrier) => liesOn(piece, carrier))
    .sort((a, b) => rank(b, ways) - rank(a, ways));
}

/** The parts of one other piece that a piece lies on. */
const liesOn = memoByPair(
  () => [],
  (piece: Piece, carrier: Piece): Proposal[] => {
    if (isApart(piece, carrier)) return [];
    const at = samplesOf(piece);
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

/** Points that stand for a piece: along its line, its two ends, its place. */
export const samplesOf = memoByPiece<Piece, [], readonly XY[]>(() => [], samplesAnew);

function samplesAnew(piece: Piece): XY[] {
  if (piece.kind === 'organic-garland') {
    const chain = smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM })));
    const step = Math.max(1, Math.floor(chain.length / 24));
    return chain.filter((_, i) => i % step === 0);
  }
  const ends = endsOf(piece);
  if (ends) return [ends.left, ends.right];
  if (!('at' in piece)) return [];
  const { xM, yM } = piece.at;
  if (piece.kind === 'backdrop')
    return [{ x: xM, y: yM + piece.heightM - Math.min(piece.heightM, piece.unitHeightM) / 2 }];
  return [{ x: xM, y: yM }];
}

/** Both ends of a piece that has two, the left one first; undefined for others. */
export function endsOf(piece: Piece): { left: XY; right: XY } | undefined {
  switch (piece.kind) {
    case 'pair-arch':
      return {
        left: { x: piece.at.xM - piece.spanM / 2, y: piece.at.yM },
        right: { x: piece.at.xM + piece.spanM / 2, y: piece.at.yM },
      };
    case 'chain':
      return {
        left: { x: piece.from.xM, y: piece.from.yM },
        right: { x: piece.to.xM, y: piece.to.yM },
      };
    default:
      return undefined;
  }
}

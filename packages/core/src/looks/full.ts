import type {
  Full,
  FullPiece,
  JobFile,
  LookFiller,
  LookLimits,
  Piece,
  Workshop,
} from '@early-lantern/contract';
import { LRUCache } from 'lru-cache';
import { sizeName } from '../balloon/catalogue.ts';
import { clusterName } from '../piece/cluster-names.ts';
import { designOf } from '../piece/design.ts';
import { kindOf } from '../piece/kinds.ts';
import { schoolsOf } from '../piece/recipe-of.ts';
import { type Around, alone } from './around.ts';
import { aroundOf } from './around-of.ts';
import { detailsOf, noDetails } from './details.ts';
import { limitsOf } from './limits.ts';
import { type Filler, type Look, lookOf } from './look-of.ts';
import { lookOverOf } from './look-over.ts';
import { type PackedLook, packedLook } from './packed-look.ts';

/** What is seen of a piece, and where its fillers go. */
interface Seen {
  piece: FullPiece;
  fillers: LookFiller[];
}

const known = new LRUCache<string, Seen>({ max: 80 });

/** How the pieces of a job will look that are made of balloons. @param isQuick while something is dragged */
export function fullOf({ job, workshop }: JobFile, isQuick: boolean): Full {
  const seen = job.pieces.flatMap(
    (piece) => seenOf(piece, workshop, isQuick, aroundOf(piece, job.pieces, workshop, isQuick)) ?? [],
  );
  return {
    pieces: seen.map(({ piece }) => piece),
    // Roughly nobody knows where each goes.
    fillers: isQuick ? [] : seen.flatMap(({ fillers }) => fillers),
    isQuick,
  };
}

/** What is seen of one piece; undefined for what has no balloons. @param around what it lies against, and what hangs on it */
export function seenOf(
  piece: Piece,
  workshop: JobFile['workshop'],
  isQuick: boolean,
  around: Around = alone,
): Seen | undefined {
  const design = designOf(piece, schoolsOf(piece, workshop.schools));
  const limits = limitsOf(piece, workshop);
  const name = `${isQuick ? 'quick' : 'fine'} ${workshop.units} ${JSON.stringify([limits, around.key, around.accents])} ${design.key}`;
  const before = known.get(name);
  if (before) return before;
  if (kindOf(piece).isOpen?.(piece)) return seenOpen(piece, limits);
  const placement = design.placement();
  const look = lookOf(design.key, placement, limits, isQuick, around);
  if (!look) {
    const packed = packedLook(placement, limits, isQuick);
    const seen = packed && seenPacked(piece, packed, limits, workshop);
    if (seen) known.set(name, seen);
    return seen;
  }
  const details = isQuick ? noDetails : detailsOf(piece, placement, look, limits, around, workshop);
  const fillers = fillersAlong(piece, look);
  const full = {
    ...asFullPiece(piece, look, () => inWords(look.fillers)),
    ...details,
    limits,
    isOpen: false,
  };
  const chains = (placement.lines ?? []).map(({ chain }) => chain);
  const lookOver = isQuick ? [] : lookOverOf(piece, chains, full, fillers, workshop);
  const seen = { piece: { ...full, lookOver }, fillers };
  known.set(name, seen);
  return seen;
}

const noFillers = { name: 'fillers', nominalIn: 0, size: 1, needed: 0, counted: 0 };

/** What is made with air between its balloons: nothing of it is to be closed, and what to look at goes with the kind. */
function seenOpen(piece: Piece, limits: LookLimits): Seen {
  const nothing = { spine: { pct: 0, longestM: 0 }, throughPct: 0, holesPct: 0 };
  const look = { before: nothing, after: nothing, gaps: [], fillers: noFillers };
  return {
    piece: {
      ...asFullPiece(piece, look, () => ''),
      ...noDetails,
      limits,
      isOpen: true,
      lookOver: [...(kindOf(piece).lookOver?.(piece) ?? [])],
    },
    fillers: [],
  };
}

/** Packed work as it is seen: nothing but its rings closes it. */
function seenPacked(piece: Piece, look: PackedLook, limits: LookLimits, workshop: Workshop): Seen {
  const full = {
    ...asFullPiece(piece, { ...look, fillers: noFillers }, () => 'press the layers on either side together.'),
    ...noDetails,
    limits,
    isOpen: false,
  };
  return { piece: { ...full, lookOver: lookOverOf(piece, [], full, [], workshop) }, fillers: [] };
}

type Closed = Omit<FullPiece, keyof typeof noDetails | 'limits' | 'isOpen' | 'lookOver'>;

const asFullPiece = (
  { id }: Piece,
  { before, after, gaps, fillers }: Pick<Look, 'before' | 'after' | 'gaps' | 'fillers'>,
  closedBy: () => string,
): Closed => ({
  id,
  spineSeenPct: { before: before.spine.pct, after: after.spine.pct },
  spineSeenM: after.spine.longestM,
  seeThroughPct: { before: before.throughPct, after: after.throughPct },
  holesPct: after.holesPct,
  largestGapM: 2 * (gaps[0]?.radiusM ?? 0),
  gaps: gaps.map(({ x, y, z, radiusM, turn }) => ({
    xM: x,
    yM: y,
    zM: z,
    radiusM,
    view: viewOf(turn),
    closeWith: closedBy(),
  })),
  fillers: { name: fillers.name, needed: fillers.needed, counted: fillers.counted },
});

const viewOf = (turn: number) => (turn === 0 ? 'front' : turn < 0 ? 'left' : 'right');

/** "a trio of 5 in." */
const inWords = ({ size, nominalIn }: Pick<Filler, 'size' | 'nominalIn'>): string =>
  `a ${clusterName(size).replace(/s$/, '')} of ${sizeName(nominalIn)}`;

/** The fillers that close a piece, those counted before those that are not, in the order along it: as somebody goes who puts them in. */
function fillersAlong({ id }: Piece, { placed, fillers, hung }: Look): LookFiller[] {
  const ties = hung.strings.flatMap(({ points }) => points);
  const along = ({ x, y }: { x: number; y: number }) => {
    const far = (one: { x: number; y: number }) => Math.hypot(one.x - x, one.y - y);
    return ties.reduce((best, one, i) => (far(one) < far(ties[best] as typeof one) ? i : best), 0);
  };
  // The last make is the one there may be more of: what is placed beyond its count is not counted yet.
  const others = placed.filter(({ make }) => make.name !== fillers.name).length;
  return placed
    .map(({ make, at, turn }, i) => ({
      tie: along(at),
      filler: {
        pieceId: id,
        name: inWords(make),
        xM: at.x,
        yM: at.y,
        zM: at.z,
        view: viewOf(turn),
        isCounted: i < others + fillers.counted,
      } satisfies Omit<LookFiller, 'number'>,
    }))
    .sort(
      (one, other) => Number(other.filler.isCounted) - Number(one.filler.isCounted) || one.tie - other.tie,
    )
    .map(({ filler }, i) => ({ ...filler, number: i + 1 }));
}

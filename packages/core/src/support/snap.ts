import type { On, Piece, Point } from '@early-lantern/contract';
import { chainLength, smoothLine, stationsAt, type XY } from '../geometry/line.ts';
import { moved } from '../piece/moved.ts';
import type { Part } from '../piece/part.ts';
import { allCarriedBy } from './carried.ts';
import { carryingOf, distanceTo, nearestPlace } from './parts.ts';
import { endsOf, samplesOf } from './propose.ts';

/** Which of its two carriers is meant: the first, or that of its right end or of what it is joined to. */
export type Side = 'on' | 'alsoOn';

const asPoint = ({ x, y }: XY): Point => ({ xM: tidy(x), yM: tidy(Math.max(0, y)) });
const tidy = (metres: number) => Number(metres.toFixed(5));

/** Of a tower or column, an arch ends so far down from the top: two layers below the roof. Common practice, no source. */
const BELOW_TOP = 0.85;
/** Chains end lower still, three layers below it. Common practice, no source. */
const CHAIN_BELOW_TOP = 0.78;

/** A piece with what carries it, moved onto that part; null for the spot itself, undefined to leave it unsaid. */
export function hungOn(piece: Piece, side: Side, on: On | null | undefined, pieces: readonly Piece[]): Piece {
  const { [side]: _, ...rest } = piece;
  if (!on) return (on === null && side === 'on' ? { ...rest, on: null } : rest) as Piece;
  // How far before the wall it is, its carrier says from now on.
  const { frontM: __, ...carried } = { ...rest, [side]: on } as Piece;
  return snapped(carried as Piece, side, pieces);
}

/** The piece moved so that it sits on the part it says; as it is where it does already. */
function snapped(piece: Piece, side: Side, pieces: readonly Piece[]): Piece {
  const carrying = carryingOf(piece[side], pieces);
  if (!carrying) return piece;
  const { part } = carrying;
  if (piece.kind === 'pair-arch' || piece.kind === 'chain') return endMoved(piece, side, pieces);
  const samples = samplesOf(piece);
  const ends = piece.kind === 'organic-garland' && (part.id === 'start' || part.id === 'end');
  const own = ends ? [samples[0], samples.at(-1)].flatMap((one) => one ?? []) : samples;
  const nearest = own.reduce<XY | undefined>(
    (best, one) => (best && distanceTo(part, best) <= distanceTo(part, one) ? best : one),
    undefined,
  );
  if (!nearest) return piece;
  const to = nearestPlace(part, nearest);
  return moved(piece, to.x - nearest.x, to.y - nearest.y);
}

/** One end set on its carrier; a pair arch keeps its other end, so its span changes. */
function endMoved(
  piece: Extract<Piece, { kind: 'pair-arch' | 'chain' }>,
  side: Side,
  pieces: readonly Piece[],
): Piece {
  const carrying = carryingOf(piece[side], pieces);
  const ends = endsOf(piece);
  if (!carrying || !ends) return piece;
  const from = side === 'on' ? ends.left : ends.right;
  const { part } = carrying;
  const at =
    part.area && part.made === 'balloons'
      ? {
          x: part.area.xM + part.area.widthM / 2,
          y: part.area.yM + part.area.heightM * (piece.kind === 'chain' ? CHAIN_BELOW_TOP : BELOW_TOP),
        }
      : nearestPlace(part, from);
  if (piece.kind === 'chain') return { ...piece, [side === 'on' ? 'from' : 'to']: asPoint(at) };
  const other = side === 'on' ? ends.right : ends.left;
  const spanM = tidy(Math.max(0.3, Math.abs(other.x - at.x)));
  const isTurned = side === 'on' ? at.x > other.x : at.x < other.x;
  const middle = isTurned ? at.x + (side === 'on' ? spanM / 2 : -spanM / 2) : (at.x + other.x) / 2;
  return { ...piece, at: asPoint({ x: middle, y: at.y }), spanM };
}

/** Points of a line laid along a part. */
const LAID_POINTS = 4;

/**
 * A garland laid along the nearest line of a part from end to end, as it runs, and no longer than that; undefined for
 * what has no line to lay.
 */
export function laidAlong(piece: Piece, part: Part): { piece: Piece; lengthM: number } | undefined {
  if (piece.kind !== 'organic-garland') return undefined;
  const own = smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM })));
  const middle = stationsAt(own, [chainLength(own) / 2])[0];
  const first = own[0];
  if (!middle || !first) return undefined;
  const away = (line: readonly XY[]) => distanceTo({ ...part, lines: [line], area: undefined }, middle);
  const along = [...part.lines].sort((a, b) => away(a) - away(b))[0];
  if (!along || along.length < 2) return undefined;
  const whole = chainLength(along);
  const lengthM = Math.min(whole, chainLength(own));
  const start = (whole - lengthM) / 2;
  const places = stationsAt(
    along,
    Array.from({ length: LAID_POINTS }, (_, i) => start + (i / (LAID_POINTS - 1)) * lengthM),
  );
  const [a, b] = [places[0] as XY, places.at(-1) as XY];
  const isTurned = Math.hypot(first.x - b.x, first.y - b.y) < Math.hypot(first.x - a.x, first.y - a.y);
  const line = (isTurned ? places.reverse() : places).map(asPoint);
  return { piece: { ...piece, line }, lengthM };
}

/** Pieces that move with one: those of its group, and all that hangs on any of them. */
export function movesWith(piece: Piece, all: readonly Piece[]): Piece[] {
  const group = piece.group
    ? all.filter((one) => one.group === piece.group && one.spotId === piece.spotId)
    : [piece];
  return [...new Set(group.flatMap((one) => [one, ...allCarriedBy(one.id, all)]))];
}

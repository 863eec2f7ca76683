import type { On, Piece } from '@early-lantern/contract';
import { chainLength, stationsAt, type XY } from '../geometry/line.ts';
import { kindOf, uponOf } from '../piece/kinds.ts';
import { asPoint, moved } from '../piece/moved.ts';
import type { Part } from '../piece/part.ts';
import type { Ends } from '../piece/upon.ts';
import { allCarriedBy } from './carried.ts';
import { carryingOf, distanceTo, nearestPlace } from './parts.ts';

/** Which of its two carriers is meant: the first, or that of its right end or of what it is joined to. */
export type Side = 'on' | 'alsoOn';

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
  const { samples, line, ends } = uponOf(piece);
  if (ends?.setAt !== undefined)
    return endMoved(piece, side === 'on' ? 'from' : 'to', part, ends, ends.setAt);
  const isJoined = line && (part.id === 'start' || part.id === 'end');
  const own = isJoined ? [line[0], line.at(-1)].flatMap((one) => one ?? []) : samples;
  const nearest = own.reduce<XY | undefined>(
    (best, one) => (best && distanceTo(part, best) <= distanceTo(part, one) ? best : one),
    undefined,
  );
  if (!nearest) return piece;
  const to = nearestPlace(part, nearest);
  return moved(piece, to.x - nearest.x, to.y - nearest.y);
}

/** One end set on its carrier: on a tower or column at its height, else where it is nearest. */
function endMoved(piece: Piece, end: 'from' | 'to', part: Part, ends: Ends, setAt: number): Piece {
  const { xM: x, yM: y } = ends[end];
  const { area } = part;
  const at =
    area && part.made === 'balloons'
      ? { x: area.xM + area.widthM / 2, y: area.yM + area.heightM * setAt }
      : nearestPlace(part, { x, y });
  return kindOf(piece).withEnd?.(piece, end, at) ?? piece;
}

/** Points of a line laid along a part. */
const LAID_POINTS = 4;

/**
 * A garland laid along the nearest line of a part from end to end, as it runs, and no longer than that; undefined for
 * what has no line to lay.
 */
export function laidAlong(piece: Piece, part: Part): { piece: Piece; lengthM: number } | undefined {
  const own = uponOf(piece).line;
  if (!own || !('line' in piece)) return undefined;
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

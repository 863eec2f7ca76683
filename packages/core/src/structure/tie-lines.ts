import type { Spot } from '@early-lantern/contract';
import { keptClear } from '../fixing/place.ts';
import { crosses } from '../geometry/box.ts';

interface XY {
  xM: number;
  yM: number;
}

/** A line as the elevation shows it: its upper end, and where its stake stands before or behind. */
export interface TiePlace {
  from: XY;
  toXM: number;
}

/** Stakes are tried ever further to the side, in steps of this, as far as the line is high, m. */
const STEP_M = 0.2;
/** Each line has a stake of its own, so far from the next, m. From memory, an editable default. */
const APART_M = 0.6;

/**
 * Where the lines of one side of a piece run: half to the left, half to the right, each from the upper end and to the
 * stake nearest straight down that keep it and its like to the back out of every zone kept clear; no two to one stake.
 * @param ends upper ends that there are, in metres on the spot, left ones for the left lines; the best one first
 * @param count lines of the side, one or more
 * @param outM how far from the wall their upper ends are
 * @param reachOf how far forward and back the stakes of an upper end are from it, m
 * @returns the places, and how many lines found none that is clear (these run straight down)
 */
export function tiePlaces(
  ends: { left: readonly XY[]; right: readonly XY[] },
  count: number,
  spot: Spot,
  outM: number,
  reachOf: (from: XY) => number,
): { places: TiePlace[]; blocked: number } {
  const zones = (spot.keepClear ?? []).map(keptClear);
  const sides = Array.from({ length: count }, (_, i) =>
    i < count / 2 ? ('left' as const) : ('right' as const),
  );
  let blocked = 0;
  const places: TiePlace[] = [];
  const isBlocked = (from: XY, toXM: number) =>
    [-1, 1].some((way) => {
      const foot = { x: toXM, y: 0, z: outM + way * reachOf(from) };
      return zones.some((zone) => crosses({ x: from.xM, y: from.yM, z: outM }, foot, zone));
    });
  const isTaken = (xM: number) => places.some(({ toXM }) => Math.abs(toXM - xM) < APART_M - 1e-9);
  const placed = (side: 'left' | 'right'): TiePlace => {
    const outwards = side === 'left' ? -1 : 1;
    for (const from of ends[side]) {
      for (let away = 0; away <= from.yM + 1e-9; away += STEP_M) {
        const toXM = from.xM + outwards * away;
        if (isTaken(toXM)) continue;
        if (!isBlocked(from, toXM)) return { from, toXM };
      }
    }
    blocked += 1;
    const from = ends[side][0] as XY;
    return { from, toXM: from.xM };
  };
  for (const side of sides) places.push(placed(side));
  return { places, blocked };
}

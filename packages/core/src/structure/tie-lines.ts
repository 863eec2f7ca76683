import type { Spot } from '@early-lantern/contract';
import { keptClear } from '../fixing/place.ts';

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
 * stake nearest straight down that keep it out of every zone kept clear, as the elevation shows them; no two to one stake.
 * @param ends upper ends that there are, in metres on the spot, left ones for the left lines; the best one first
 * @param count lines of the side, one or more
 * @returns the places, and how many lines found none that is clear (these run straight down)
 */
export function tiePlaces(
  ends: { left: readonly XY[]; right: readonly XY[] },
  count: number,
  spot: Spot,
): { places: TiePlace[]; blocked: number } {
  const zones = (spot.keepClear ?? []).map(keptClear);
  const sides = Array.from({ length: count }, (_, i) =>
    i < count / 2 ? ('left' as const) : ('right' as const),
  );
  let blocked = 0;
  const places: TiePlace[] = [];
  const isTaken = (xM: number) => places.some(({ toXM }) => Math.abs(toXM - xM) < APART_M - 1e-9);
  const placed = (side: 'left' | 'right'): TiePlace => {
    const outwards = side === 'left' ? -1 : 1;
    for (const from of ends[side]) {
      for (let away = 0; away <= from.yM + 1e-9; away += STEP_M) {
        const toXM = from.xM + outwards * away;
        if (isTaken(toXM)) continue;
        if (!zones.some((zone) => crosses(from, { xM: toXM, yM: 0 }, zone))) return { from, toXM };
      }
    }
    blocked += 1;
    const from = ends[side][0] as XY;
    return { from, toXM: from.xM };
  };
  for (const side of sides) places.push(placed(side));
  return { places, blocked };
}

type Box = ReturnType<typeof keptClear>;

/** Whether a line crosses a box: clipped to it after Liang and Barsky, something is left. */
function crosses(a: XY, b: XY, { xM, yM, widthM, heightM }: Box): boolean {
  let [from, to] = [0, 1];
  const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
  for (const [slope, room] of [
    [-dx, a.xM - xM],
    [dx, xM + widthM - a.xM],
    [-dy, a.yM - yM],
    [dy, yM + heightM - a.yM],
  ] as const) {
    if (slope === 0) {
      if (room < 0) return false;
    } else if (slope < 0) from = Math.max(from, room / slope);
    else to = Math.min(to, room / slope);
  }
  return from < to;
}

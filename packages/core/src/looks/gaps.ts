import { inchesToMetres } from '../quantity/length.ts';
import { grown } from './grown.ts';
import type { Balls } from './near-pairs.ts';
import { across, type Seen } from './seen.ts';

/** An outline is closed where no circle of this radius goes in from outside: a hollow narrower than that is a gap. Fitted: so a base of 10 ft takes about 20 trios. */
const CLOSING_M = inchesToMetres(4.75);

/** Cells that a radius may fall short by for rounding. */
const HAIR = 1e-9;

/** What is seen through a piece from one side. */
export interface Through {
  /** Share of the closed outline that is not covered, per cent: enclosed holes, and notches in its edge. */
  holesPct: number;
  notchesPct: number;
}

/** A place without balloons: the largest circle that goes in, on the picture, m. */
export interface Gap {
  uM: number;
  vM: number;
  radiusM: number;
}

/** 1 for the cells that are farther than so many cells. */
function beyond(distances: Float64Array, cells: number): Uint8Array {
  const set = new Uint8Array(distances.length);
  for (let c = 0; c < distances.length; c++) set[c] = (distances[c] as number) > cells ? 1 : 0;
  return set;
}

/** How far the middle of each cell is from the nearest ball as it is seen, cells; no farther than a hollow is closed. */
function freeOf(seen: Seen, { x, y, z, r }: Balls): Float64Array {
  const free = new Float64Array(seen.width * seen.height).fill(CLOSING_M / seen.cellM + 1);
  for (let i = 0; i < x.length; i++)
    aroundDisc(seen, across(seen.turn, x[i] as number, z[i] as number), y[i] as number, r[i] as number, free);
  return free;
}

/** A disc more: whatever is nearer to it than to all before is as free as it is far from it. */
function aroundDisc(
  { cellM, width, height, uM: u0, vM: v0 }: Seen,
  uM: number,
  vM: number,
  rM: number,
  free: Float64Array,
): void {
  const u = (uM - u0) / cellM - 0.5;
  const v = (vM - v0) / cellM - 0.5;
  const r = rM / cellM;
  const reach = r + CLOSING_M / cellM + 1;
  const lowest = Math.max(0, Math.ceil(v - reach));
  const highest = Math.min(height - 1, Math.floor(v + reach));
  for (let row = lowest; row <= highest; row++) {
    const dv = row - v;
    const half = Math.sqrt(Math.max(0, reach * reach - dv * dv));
    const first = Math.max(0, Math.ceil(u - half));
    const last = Math.min(width - 1, Math.floor(u + half));
    for (let c = row * width + first, du = first - u; c <= row * width + last; c++, du++) {
      const before = free[c] as number;
      // Compared by squares: few cells need the root.
      const square = du * du + dv * dv;
      if (before > 0 && square < (before + r) * (before + r)) free[c] = Math.max(0, Math.sqrt(square) - r);
    }
  }
}

/** The outline with its hollows closed, grown by a circle and shrunk again; and how far each cell is from the nearest ball. */
export function outlineOf(seen: Seen, balls: Balls): Outline {
  const free = freeOf(seen, balls);
  const cells = CLOSING_M / seen.cellM;
  // From the middle of one cell to the middle of another: the edge lies half a cell before it.
  const outside = grown(beyond(free, cells), seen, cells + 0.5);
  const open: number[] = [];
  let closed = 0;
  for (let c = 0; c < outside.length; c++) {
    if (outside[c]) continue;
    closed++;
    if ((free[c] as number) > 0) open.push(c);
  }
  return { outside, closed, open: Int32Array.from(open), free };
}

/** The closed outline of a view, cell by cell. */
export interface Outline {
  /** 1 for the cells that are not in it; and how many are. */
  outside: Uint8Array;
  closed: number;
  /** Those in it that no ball covers. */
  open: Int32Array;
  /** How far each cell of the picture is from the nearest ball, cells. */
  free: Float64Array;
}

/** How much is seen through, holes and notches apart. @param outline as it was before fillers, where they are in */
export function seenThrough(seen: Seen, outline: Outline): Through {
  const { bare, notches } = bareIn(seen, outline);
  const share = (cells: number) => (outline.closed > 0 ? (100 * cells) / outline.closed : 0);
  return { holesPct: share(bare - notches), notchesPct: share(notches) };
}

/** The outline with only its enclosed holes open: for work whose edge is scalloped by design. */
export function holesOnly(seen: Seen, outline: Outline): Outline {
  const { reached } = bareIn(seen, outline);
  return { ...outline, open: outline.open.filter((c) => !reached[c]) };
}

/** Cells of the outline without balloons, and which of them are notches: those that can be reached from outside of it. */
function bareIn(
  { depth, width }: Seen,
  { outside, open }: Outline,
): { bare: number; notches: number; reached: Uint8Array } {
  const isBare = (c: number) => !((depth[c] as number) > -Infinity);
  const reached = new Uint8Array(outside.length);
  const waiting = new Int32Array(open.length);
  let left = 0;
  const visit = (c: number) => {
    if (outside[c] || reached[c] || !isBare(c)) return;
    reached[c] = 1;
    waiting[left++] = c;
  };
  // The picture's edge is empty: every cell of the outline has four neighbours.
  let bare = 0;
  for (const c of open) {
    if (!isBare(c)) continue;
    bare++;
    if (outside[c - 1] || outside[c + 1] || outside[c - width] || outside[c + width]) visit(c);
  }
  let notches = 0;
  while (left > 0) {
    const c = waiting[--left] as number;
    notches++;
    visit(c - 1);
    visit(c + 1);
    visit(c - width);
    visit(c + width);
  }
  return { bare, notches, reached };
}

/** The gaps of one view that are worth closing: how far each cell within the closed outline is from what is covered, cells. */
export class GapMap {
  private readonly seen: Seen;
  private readonly leastM: number;
  private readonly free: Float64Array;
  /** Cells in which a circle of the least radius goes in: few of all there are. */
  private readonly spots: Int32Array;

  /**
   * @param outline as `outlineOf` has it for the view as it is seen: the map goes on with its distances
   * @param leastM circles smaller than this are no gaps
   */
  constructor(seen: Seen, { open, free }: Outline, leastM: number) {
    this.seen = seen;
    this.leastM = leastM;
    this.free = free;
    const least = this.least();
    this.spots = open.filter((c) => (free[c] as number) > least);
  }

  /** The largest circle that still goes in; undefined where none does. */
  largest(): Gap | undefined {
    return this.widest(this.free);
  }

  /** A disc more is covered. */
  cover(uM: number, vM: number, rM: number): void {
    aroundDisc(this.seen, uM, vM, rM, this.free);
  }

  /** A spot that is not looked at any more. */
  leave({ uM, vM, radiusM }: Gap, free = this.free): void {
    const { cellM, width, uM: u0, vM: v0 } = this.seen;
    for (const c of this.spots) {
      const du = u0 + ((c % width) + 0.5) * cellM - uM;
      const dv = v0 + (Math.floor(c / width) + 0.5) * cellM - vM;
      if (du * du + dv * dv <= radiusM * radiusM) free[c] = 0;
    }
  }

  /** All gaps, largest first: each the largest circle beside those before it. */
  all(): Gap[] {
    const left = this.free.slice();
    const found: Gap[] = [];
    for (;;) {
      const gap = this.widest(left);
      if (!gap) return found;
      found.push(gap);
      this.leave({ ...gap, radiusM: 2 * gap.radiusM }, left);
    }
  }

  private least(): number {
    return this.leastM / this.seen.cellM - HAIR;
  }

  private widest(free: Float64Array): Gap | undefined {
    const { seen, spots } = this;
    let best = -1;
    let most = this.least();
    for (let s = 0; s < spots.length; s++) {
      const c = spots[s] as number;
      if ((free[c] as number) > most) {
        best = c;
        most = free[c] as number;
      }
    }
    if (best < 0) return undefined;
    const [column, row] = [best % seen.width, Math.floor(best / seen.width)];
    return {
      uM: seen.uM + (column + 0.5) * seen.cellM,
      vM: seen.vM + (row + 0.5) * seen.cellM,
      radiusM: most * seen.cellM,
    };
  }
}

import { inchesToMetres } from '../quantity/length.ts';
import { distanceTo, type Grid } from './distance.ts';
import type { Balls } from './near-pairs.ts';
import { across, coveredIn, type Seen } from './seen.ts';

/** An outline is closed where no circle of this radius goes in from outside: a hollow narrower than that is a gap. Fitted: so a base of 10 ft takes about 20 trios. */
const CLOSING_M = inchesToMetres(5);

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
  const lowest = Math.max(0, Math.floor(v - reach));
  const highest = Math.min(height - 1, Math.ceil(v + reach));
  const first = Math.max(0, Math.floor(u - reach));
  const last = Math.min(width - 1, Math.ceil(u + reach));
  for (let row = lowest; row <= highest; row++)
    for (let column = first; column <= last; column++) {
      const du = column - u;
      const dv = row - v;
      const far = Math.sqrt(du * du + dv * dv) - r;
      const c = row * width + column;
      if (far < (free[c] as number)) free[c] = Math.max(0, far);
    }
}

/** The outline with its hollows closed, grown by a circle and shrunk again; and how far each cell is from the nearest ball. */
export function outlineOf(seen: Seen, balls: Balls): Outline {
  const free = freeOf(seen, balls);
  const cells = CLOSING_M / seen.cellM;
  // From the middle of one cell to the middle of another: the edge lies half a cell before it.
  return { closed: beyond(distanceTo(beyond(free, cells), seen), cells + 0.5), free };
}

/** The closed outline of a view, cell by cell, and how far each cell is from the nearest ball, cells. */
interface Outline {
  closed: Uint8Array;
  free: Float64Array;
}

/** How much is seen through, holes and notches apart. @param closed as it was before fillers, where they are in */
export function seenThrough(seen: Seen, closed: Uint8Array): Through {
  const covered = coveredIn(seen);
  const outside = reachedFromEdge(covered, seen);
  let [all, holes, notches] = [0, 0, 0];
  for (let c = 0; c < closed.length; c++) {
    if (!closed[c] && !covered[c]) continue;
    all++;
    if (covered[c]) continue;
    if (outside[c]) notches++;
    else holes++;
  }
  const share = (cells: number) => (all > 0 ? (100 * cells) / all : 0);
  return { holesPct: share(holes), notchesPct: share(notches) };
}

/** Empty cells that can be reached from the picture's edge. */
function reachedFromEdge(covered: Uint8Array, { width, height }: Grid): Uint8Array {
  const reached = new Uint8Array(covered.length);
  const open: number[] = [];
  const visit = (c: number) => {
    if (covered[c] || reached[c]) return;
    reached[c] = 1;
    open.push(c);
  };
  for (let column = 0; column < width; column++) {
    visit(column);
    visit((height - 1) * width + column);
  }
  for (let row = 0; row < height; row++) {
    visit(row * width);
    visit(row * width + width - 1);
  }
  while (open.length > 0) {
    const c = open.pop() as number;
    const column = c % width;
    if (column > 0) visit(c - 1);
    if (column < width - 1) visit(c + 1);
    if (c >= width) visit(c - width);
    if (c + width < covered.length) visit(c + width);
  }
  return reached;
}

/** The gaps of one view: how far each cell within the closed outline is from what is covered, cells. */
export class GapMap {
  private readonly seen: Seen;
  private readonly free: Float64Array;
  /** Cells that are free at all: few of all there are. */
  private readonly spots: Int32Array;

  /** @param outline as `outlineOf` has it for the view as it is seen; cells outside of it are no gaps */
  constructor(seen: Seen, { closed, free }: Outline) {
    this.seen = seen;
    this.free = new Float64Array(free.length);
    const spots: number[] = [];
    for (let c = 0; c < closed.length; c++) {
      if (!closed[c] || !((free[c] as number) > 0)) continue;
      this.free[c] = free[c] as number;
      spots.push(c);
    }
    this.spots = Int32Array.from(spots);
  }

  /** The largest circle that still goes in; undefined where none of this radius does. */
  largest(leastM: number): Gap | undefined {
    const { free, seen, spots } = this;
    let best = -1;
    let most = leastM / seen.cellM - HAIR;
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

  /** A disc more is covered. */
  cover(uM: number, vM: number, rM: number): void {
    aroundDisc(this.seen, uM, vM, rM, this.free);
  }

  /** A spot that is not looked at any more. */
  leave({ uM, vM, radiusM }: Gap): void {
    const { cellM, width, uM: u0, vM: v0 } = this.seen;
    for (const c of this.spots) {
      const du = u0 + ((c % width) + 0.5) * cellM - uM;
      const dv = v0 + (Math.floor(c / width) + 0.5) * cellM - vM;
      if (du * du + dv * dv <= radiusM * radiusM) this.free[c] = 0;
    }
  }

  /** All gaps, largest first: each the largest circle beside those before it. */
  all(leastM: number): Gap[] {
    const left = new GapMap(this.seen, {
      closed: new Uint8Array(this.free.length).fill(1),
      free: this.free,
    });
    const found: Gap[] = [];
    for (;;) {
      const gap = left.largest(leastM);
      if (!gap) return found;
      found.push(gap);
      left.leave({ ...gap, radiusM: 2 * gap.radiusM });
    }
  }
}

import { inchesToMetres } from '../quantity/length.ts';
import type { Outline } from './gaps.ts';
import type { Balls } from './near-pairs.ts';
import { type Seen, seenFrom } from './seen.ts';

/** Pits are filled level by a square of twice this: what is wider is the shape of the piece, not a pit. From memory. */
const ROUND_M = inchesToMetres(3);
/** A pit counts where a circle of this radius is as deep. From memory. */
const FINGER_M = inchesToMetres(0.75);
/** Of the open outline one looks in as deep as this. */
const OPEN_M = inchesToMetres(12);

/** How deep one looks in at each cell, m: 0 outside of the outline and on what stands out. */
export interface Pits {
  seen: Seen;
  depthM: Float32Array;
}

/** A crevice: where it is deepest on the picture, and how deep, m. */
export interface Crevice {
  uM: number;
  vM: number;
  depthM: number;
}

/** Of each place of a picture how deep it lies behind what stands round it on all sides (a grey closing, Serra, 1982). @param outline the picture's own */
export function pitsOf(seen: Seen, { outside }: Outline): Pits {
  const { depth, width, height, cellM } = seen;
  const reach = Math.round(ROUND_M / cellM);
  // Closed in grey: raised to what stands out round it, then lowered again where that does not stand on all sides.
  const raised = windowed(depth, width, height, reach, Math.max);
  const level = windowed(raised, width, height, reach, Math.min);
  const depthM = new Float32Array(depth.length);
  for (let c = 0; c < depth.length; c++) {
    if (outside[c]) continue;
    const own = depth[c] as number;
    const front = level[c] as number;
    if (front !== -Infinity) depthM[c] = own === -Infinity ? OPEN_M : Math.min(OPEN_M, front - own);
  }
  return { seen, depthM };
}

/** The crevices that are deeper than so much, the deepest first, each once; open gaps are none. */
export function crevicesIn({ seen, depthM }: Pits, deeperM: number): Crevice[] {
  const { width, height, cellM, uM, vM, depth } = seen;
  const solid = depthM.map((pit, c) => ((depth[c] as number) === -Infinity ? 0 : pit));
  const even = windowed(Float64Array.from(solid), width, height, Math.round(FINGER_M / cellM), Math.min);
  const found: Crevice[] = [];
  for (;;) {
    let best = -1;
    let most = deeperM;
    for (let c = 0; c < even.length; c++) {
      if ((even[c] as number) <= most) continue;
      best = c;
      most = even[c] as number;
    }
    if (best < 0) return found;
    const at = { uM: uM + ((best % width) + 0.5) * cellM, vM: vM + (Math.floor(best / width) + 0.5) * cellM };
    found.push({ ...at, depthM: most });
    for (let c = 0; c < even.length; c++) {
      const du = uM + ((c % width) + 0.5) * cellM - at.uM;
      const dv = vM + (Math.floor(c / width) + 0.5) * cellM - at.vM;
      if (du * du + dv * dv < 4 * ROUND_M * ROUND_M) even[c] = 0;
    }
  }
}

/** Of each cell the largest, or the least, within a square window: along rows, then along columns. */
function windowed(
  values: Float64Array,
  width: number,
  height: number,
  reach: number,
  of: (a: number, b: number) => number,
): Float64Array {
  const along = new Float64Array(values.length);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      let found = values[row * width + column] as number;
      for (let c = Math.max(0, column - reach); c <= Math.min(width - 1, column + reach); c++)
        found = of(found, values[row * width + c] as number);
      along[row * width + column] = found;
    }
  const both = new Float64Array(values.length);
  for (let column = 0; column < width; column++)
    for (let row = 0; row < height; row++) {
      let found = along[row * width + column] as number;
      for (let r = Math.max(0, row - reach); r <= Math.min(height - 1, row + reach); r++)
        found = of(found, along[r * width + column] as number);
      both[row * width + column] = found;
    }
  return both;
}

/** A picture of balls from the front that pits are looked for in. */
export const frontOf = (balls: Balls, cellM: number): Seen => seenFrom(0, balls, cellM, inchesToMetres(8));

import type { Grid } from './grown.ts';
import type { Balls } from './near-pairs.ts';

/** From where a piece is looked at: turned about the upright axis, radians; 0 is the front, positive from its right. */
export type Turn = number;

/** From the front and half-way to either side. */
export const THREE_VIEWS: readonly Turn[] = [0, -Math.PI / 4, Math.PI / 4];

/** What is seen of balls from afar, cell by cell: how near the foremost is. */
export interface Seen extends Grid {
  turn: Turn;
  cellM: number;
  /** Across and up of the lower left corner, m. */
  uM: number;
  vM: number;
  /** Towards the viewer, m; −Infinity where there is none. */
  depth: Float64Array;
  /** Which ball it is, where that is asked; −1 where there is none. */
  owner?: Int32Array;
}

/** A place as it is seen: across, up, and towards the viewer, m. */
export const across = (turn: Turn, x: number, z: number): number => x * Math.cos(turn) - z * Math.sin(turn);
export const towards = (turn: Turn, x: number, z: number): number => x * Math.sin(turn) + z * Math.cos(turn);

/** Where a place on the picture is in the room. */
export const placed = (turn: Turn, u: number, w: number): { x: number; z: number } => ({
  x: u * Math.cos(turn) + w * Math.sin(turn),
  z: w * Math.cos(turn) - u * Math.sin(turn),
});

/**
 * Balls seen from one side, straight on.
 * @param marginM empty cells all round
 */
export function seenFrom(turn: Turn, balls: Balls, cellM: number, marginM: number): Seen {
  const seen = emptyPicture(turn, balls, cellM, marginM);
  addAll(seen, balls);
  return seen;
}

/** Which of them is seen in each cell, from one side. */
export function ownersFrom(turn: Turn, balls: Balls, cellM: number): { width: number; owner: Int32Array } {
  const seen = emptyPicture(turn, balls, cellM, 0);
  const owner = new Int32Array(seen.width * seen.height).fill(-1);
  addAll({ ...seen, owner }, balls);
  return { width: seen.width, owner };
}

function addAll(seen: Seen, { x, y, z, r }: Balls): void {
  for (let i = 0; i < x.length; i++)
    addBall(seen, x[i] as number, y[i] as number, z[i] as number, r[i] as number, i);
}

function emptyPicture(turn: Turn, balls: Balls, cellM: number, marginM: number): Seen {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < balls.x.length; i++) {
    const r = balls.r[i] as number;
    const u = across(turn, balls.x[i] as number, balls.z[i] as number);
    const v = balls.y[i] as number;
    left = Math.min(left, u - r);
    right = Math.max(right, u + r);
    low = Math.min(low, v - r);
    high = Math.max(high, v + r);
  }
  if (balls.x.length === 0) [left, right, low, high] = [0, 0, 0, 0];
  const width = Math.max(1, Math.ceil((right - left + 2 * marginM) / cellM));
  const height = Math.max(1, Math.ceil((high - low + 2 * marginM) / cellM));
  return {
    turn,
    cellM,
    uM: left - marginM,
    vM: low - marginM,
    width,
    height,
    depth: new Float64Array(width * height).fill(-Infinity),
  };
}

/** One more ball in the picture: of the cells whose middles it covers. @param index which one, where that is asked */
export function addBall(seen: Seen, x: number, y: number, z: number, r: number, index = -1): void {
  const { turn, cellM, uM, vM, width, height, depth, owner } = seen;
  const u = (across(turn, x, z) - uM) / cellM;
  const v = (y - vM) / cellM;
  const w = towards(turn, x, z);
  const reach = r / cellM;
  const lowest = Math.max(0, Math.ceil(v - reach - 0.5));
  const highest = Math.min(height - 1, Math.floor(v + reach - 0.5));
  for (let row = lowest; row <= highest; row++) {
    const dv = row + 0.5 - v;
    const half2 = reach * reach - dv * dv;
    if (half2 < 0) continue;
    const half = Math.sqrt(half2);
    const first = Math.max(0, Math.ceil(u - half - 0.5));
    const last = Math.min(width - 1, Math.floor(u + half - 0.5));
    const start = row * width;
    for (let column = first; column <= last; column++) {
      const du = column + 0.5 - u;
      const near = w + Math.sqrt(Math.max(0, half2 - du * du)) * cellM;
      if (near <= (depth[start + column] as number)) continue;
      depth[start + column] = near;
      if (owner) owner[start + column] = index;
    }
  }
}

/** 1 for the cells that something is seen in. */
export function coveredIn({ depth }: Pick<Seen, 'depth'>): Uint8Array {
  const covered = new Uint8Array(depth.length);
  for (let c = 0; c < depth.length; c++) covered[c] = (depth[c] as number) > -Infinity ? 1 : 0;
  return covered;
}

/** The cell that a place of the picture is in; −1 outside of it. */
export function cellAt({ uM, vM, cellM, width, height }: Seen, u: number, v: number): number {
  const column = Math.floor((u - uM) / cellM);
  const row = Math.floor((v - vM) / cellM);
  return column < 0 || row < 0 || column >= width || row >= height ? -1 : row * width + column;
}

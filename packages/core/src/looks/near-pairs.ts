/** Positions and radii of balls, a row for each figure, m. */
export interface Balls {
  x: Float64Array;
  y: Float64Array;
  z: Float64Array;
  r: Float64Array;
}

/** Balloons as rows of figures; one without a depth lies in the plane of its piece. */
export function asBalls(balloons: readonly { xM: number; yM: number; zM?: number; rM: number }[]): Balls {
  const row = (figure: (ball: (typeof balloons)[number]) => number) => Float64Array.from(balloons, figure);
  return {
    x: row(({ xM }) => xM),
    y: row(({ yM }) => yM),
    z: row(({ zM = 0 }) => zM),
    r: row(({ rM }) => rM),
  };
}

/** Neighbours of a ball that lie after it in its own cell, and in half of the cells around. */
const AHEAD = [
  [1, 0, 0],
  [-1, 1, 0],
  [0, 1, 0],
  [1, 1, 0],
  [-1, -1, 1],
  [0, -1, 1],
  [1, -1, 1],
  [-1, 0, 1],
  [0, 0, 1],
  [1, 0, 1],
  [-1, 1, 1],
  [0, 1, 1],
  [1, 1, 1],
] as const;

/**
 * All pairs of balls nearer to each other than touching and a skin, as two numbers each, in the order of the balls; by cells
 * as wide as the largest pair reaches.
 * @param skinM so far apart two may be and still be in the list
 */
export function nearPairs({ x, y, z, r }: Balls, skinM: number): Int32Array {
  const count = x.length;
  if (count === 0) return new Int32Array(0);
  let most = 0;
  for (let i = 0; i < count; i++) most = Math.max(most, r[i] as number);
  const cell = 2 * most + skinM;
  const least = (row: Float64Array) => row.reduce((a, b) => Math.min(a, b), Infinity);
  const [x0, y0, z0] = [least(x), least(y), least(z)];
  const at = (value: number, from: number) => Math.floor((value - from) / cell);
  const largest = (row: Float64Array, from: number) => row.reduce((a, b) => Math.max(a, at(b, from)), 0) + 1;
  const [nx, ny, nz] = [largest(x, x0), largest(y, y0), largest(z, z0)];
  // Balls by cell: how many before each, then which.
  const cellOf = new Int32Array(count);
  const starts = new Int32Array(nx * ny * nz + 1);
  for (let i = 0; i < count; i++) {
    const c = at(x[i] as number, x0) + nx * (at(y[i] as number, y0) + ny * at(z[i] as number, z0));
    cellOf[i] = c;
    starts[c + 1] = (starts[c + 1] as number) + 1;
  }
  for (let c = 1; c < starts.length; c++) starts[c] = (starts[c] as number) + (starts[c - 1] as number);
  const members = new Int32Array(count);
  const filled = starts.slice();
  for (let i = 0; i < count; i++) {
    const c = cellOf[i] as number;
    members[filled[c] as number] = i;
    filled[c] = (filled[c] as number) + 1;
  }
  let pairs = new Int32Array(count * 16);
  let found = 0;
  const consider = (a: number, b: number) => {
    const dx = (x[a] as number) - (x[b] as number);
    const dy = (y[a] as number) - (y[b] as number);
    const dz = (z[a] as number) - (z[b] as number);
    const reach = (r[a] as number) + (r[b] as number) + skinM;
    if (dx * dx + dy * dy + dz * dz >= reach * reach) return;
    if (found + 2 > pairs.length) {
      const more = new Int32Array(pairs.length * 2);
      more.set(pairs);
      pairs = more;
    }
    pairs[found] = a;
    pairs[found + 1] = b;
    found += 2;
  };
  for (let c = 0; c < nx * ny * nz; c++) {
    const [from, to] = [starts[c] as number, starts[c + 1] as number];
    if (from === to) continue;
    const cx = c % nx;
    const cy = Math.floor(c / nx) % ny;
    const cz = Math.floor(c / (nx * ny));
    for (let i = from; i < to; i++)
      for (let j = i + 1; j < to; j++) consider(members[i] as number, members[j] as number);
    for (const [dx, dy, dz] of AHEAD) {
      const [ox, oy, oz] = [cx + dx, cy + dy, cz + dz];
      if (ox < 0 || ox >= nx || oy < 0 || oy >= ny || oz >= nz) continue;
      const o = ox + nx * (oy + ny * oz);
      for (let i = from; i < to; i++)
        for (let j = starts[o] as number; j < (starts[o + 1] as number); j++)
          consider(members[i] as number, members[j] as number);
    }
  }
  return pairs.slice(0, found);
}

/** A picture of cells, row by row. */
export interface Grid {
  width: number;
  height: number;
}

const FAR = 1e12;

/**
 * Of each cell the distance to the nearest cell that is set, in cells; infinite where none is. Exact, in two passes of lower
 * envelopes of parabolas (Felzenszwalb and Huttenlocher, 2012), from memory.
 */
export function distanceTo(set: Uint8Array, { width, height }: Grid): Float64Array {
  const squares = new Float64Array(set.length);
  for (let c = 0; c < set.length; c++) squares[c] = set[c] ? 0 : FAR;
  const longest = Math.max(width, height);
  const line = new Float64Array(longest);
  const out = new Float64Array(longest);
  const vertex = new Int32Array(longest);
  const border = new Float64Array(longest + 1);
  for (let column = 0; column < width; column++) {
    for (let row = 0; row < height; row++) line[row] = squares[row * width + column] as number;
    envelope(line, height, out, vertex, border);
    for (let row = 0; row < height; row++) squares[row * width + column] = out[row] as number;
  }
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) line[column] = squares[row * width + column] as number;
    envelope(line, width, out, vertex, border);
    for (let column = 0; column < width; column++)
      squares[row * width + column] = Math.sqrt(out[column] as number);
  }
  return squares;
}

/** `out[i] = min over j of (i − j)² + line[j]`. */
function envelope(
  line: Float64Array,
  length: number,
  out: Float64Array,
  vertex: Int32Array,
  border: Float64Array,
): void {
  let last = 0;
  vertex[0] = 0;
  border[0] = -Infinity;
  border[1] = Infinity;
  for (let q = 1; q < length; q++) {
    const height = (line[q] as number) + q * q;
    let crossing: number;
    do {
      const v = vertex[last] as number;
      crossing = (height - (line[v] as number) - v * v) / (2 * (q - v));
    } while (crossing <= (border[last] as number) && --last >= 0);
    last++;
    vertex[last] = q;
    border[last] = crossing;
    border[last + 1] = Infinity;
  }
  let at = 0;
  for (let i = 0; i < length; i++) {
    while ((border[at + 1] as number) < i) at++;
    const v = vertex[at] as number;
    out[i] = (i - v) * (i - v) + (line[v] as number);
  }
}

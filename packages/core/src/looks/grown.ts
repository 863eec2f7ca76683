/** A picture of cells, row by row. */
export interface Grid {
  width: number;
  height: number;
}

/**
 * 1 for every cell whose middle lies no farther than so many cells from the middle of one that is set. Exact: every run of
 * set cells in a row reaches as far into the rows around as the circle is wide there; where runs begin and end is summed up.
 */
export function grown(set: Uint8Array, { width, height }: Grid, cells: number): Uint8Array {
  const reach = Math.floor(cells);
  const half = Array.from({ length: reach + 1 }, (_, dv) => Math.floor(Math.sqrt(cells * cells - dv * dv)));
  // One more place in a row: where a run ends beyond the last cell.
  const wide = width + 1;
  const steps = new Int32Array(wide * height);
  const add = (row: number, first: number, last: number) => {
    const lowest = Math.max(0, row - reach);
    const highest = Math.min(height - 1, row + reach);
    for (let other = lowest; other <= highest; other++) {
      const beside = half[Math.abs(other - row)] as number;
      const from = other * wide + Math.max(0, first - beside);
      const to = other * wide + Math.min(width, last + beside + 1);
      steps[from] = (steps[from] as number) + 1;
      steps[to] = (steps[to] as number) - 1;
    }
  };
  for (let row = 0; row < height; row++) {
    let first = -1;
    for (let column = 0; column <= width; column++) {
      const isSet = column < width && set[row * width + column] === 1;
      if (isSet && first < 0) first = column;
      if (!isSet && first >= 0) {
        add(row, first, column - 1);
        first = -1;
      }
    }
  }
  const near = new Uint8Array(width * height);
  for (let row = 0; row < height; row++) {
    let open = 0;
    for (let column = 0; column < width; column++) {
      open += steps[row * wide + column] as number;
      near[row * width + column] = open > 0 ? 1 : 0;
    }
  }
  return near;
}

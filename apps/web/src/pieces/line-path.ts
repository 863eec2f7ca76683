import type { Point } from '@early-lantern/contract';
import { smoothLine } from '@early-lantern/core';

/** SVG path of a smooth line through points of the elevation; y runs downward from the top of the wall. */
export function linePath(line: readonly Point[], heightM: number): string {
  return smoothLine(line.map(({ xM, yM }) => ({ x: xM, y: heightM - yM })))
    .map(({ x, y }, i) => `${i ? 'L' : 'M'}${x.toFixed(4)} ${y.toFixed(4)}`)
    .join('');
}

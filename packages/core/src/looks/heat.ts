import type { Piece, Workshop } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';
import type { Around } from './around.ts';
import { outlineOf } from './gaps.ts';
import { asBalls } from './near-pairs.ts';
import { frontOf, pitsOf } from './pits.ts';
import { settledPictureOf } from './settled-picture.ts';

const CELL_M = inchesToMetres(0.5);
/** As deep as this, or open, is as hot as it gets. */
const HOTTEST_M = inchesToMetres(9);

/** How deep one looks into a piece from the front, cell by cell. */
export interface Heat {
  /** Lower left corner on the elevation, m, and the side of a cell. */
  xM: number;
  yM: number;
  cellM: number;
  width: number;
  height: number;
  /** Row by row from below: 0 for what stands out or lies outside, 255 for open or deep places. */
  values: Uint8Array;
}

/**
 * Where a piece is open or deep as it will hang, seen from the front.
 * @param around what it lies against
 * @returns undefined for what does not settle
 */
export function heatOf(piece: Piece, workshop: Workshop, around: Around): Heat | undefined {
  const picture = settledPictureOf(piece, workshop, around);
  if (!picture) return undefined;
  const balls = asBalls(picture.balloons);
  const seen = frontOf(balls, CELL_M);
  const { depthM } = pitsOf(seen, outlineOf(seen, balls));
  const { uM, vM, cellM, width, height } = seen;
  return {
    xM: uM,
    yM: vM,
    cellM,
    width,
    height,
    values: Uint8Array.from(depthM, (pit) => Math.round(255 * Math.min(1, pit / HOTTEST_M))),
  };
}

import type { GroundArea, JobFile, Piece } from '@early-lantern/contract';
import { pieceDepthM } from '../piece/recipe-of.ts';
import { depthOf } from '../support/carried.ts';

/** How far a piece's back, middle and front are from the wall, m. */
export interface InDepth {
  backM: number;
  axisM: number;
  frontM: number;
  /** Without its bases. */
  body: { from: number; to: number };
}

/**
 * Where a piece is from back to front: its back at the distance from the wall that it says, or what carries it.
 * @param baseM how deep its bases are, m: it takes up as much where it is thinner itself
 */
export function inDepth(piece: Piece, { job, workshop }: JobFile, baseM = 0): InDepth {
  const backM = depthOf(piece, job.pieces);
  const ownM = pieceDepthM(piece, workshop.schools);
  const deepM = Math.max(baseM, ownM);
  const axisM = backM + deepM / 2;
  return { backM, axisM, frontM: backM + deepM, body: { from: axisM - ownM / 2, to: axisM + ownM / 2 } };
}

/** Its bases from above, each in the middle of its depth. */
export function basesOnGround(
  piece: Piece,
  { feetXM }: { feetXM: readonly number[] },
  { widthM, depthM }: { widthM: number; depthM: number },
  axisM: number,
): GroundArea[] {
  const middleM = 'at' in piece ? piece.at.xM : 0;
  const fromM = 'at' in piece ? piece.at.yM : 0;
  return feetXM.map((xM) => ({
    what: 'base' as const,
    xM: middleM + xM - widthM / 2,
    outM: axisM - depthM / 2,
    widthM,
    depthM,
    fromM,
  }));
}

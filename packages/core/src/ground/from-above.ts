import type { GroundArea, HoldPiece, JobFile, Piece } from '@early-lantern/contract';
import { boundsOf } from '../support/room.ts';
import { inDepth } from './in-depth.ts';

/** A piece from above: what it covers as a rectangle, then its bases. */
export function groundOf(piece: Piece, held: HoldPiece, file: JobFile): GroundArea[] {
  const bounds = boundsOf(piece, file.workshop.schools);
  const baseM = Math.max(0, ...held.ground.map(({ depthM }) => depthM));
  const { from, to } = inDepth(piece, file, baseM).body;
  const body: GroundArea[] = bounds
    ? [
        {
          what: 'body',
          xM: bounds.xM,
          outM: from,
          widthM: bounds.widthM,
          depthM: to - from,
          fromM: Math.max(0, bounds.yM),
        },
      ]
    : [];
  const round = (metres: number) => Number(metres.toFixed(3));
  return [...body, ...held.ground].map((one) => ({
    what: one.what,
    xM: round(one.xM),
    outM: round(one.outM),
    widthM: round(one.widthM),
    depthM: round(one.depthM),
    fromM: round(one.fromM),
  }));
}

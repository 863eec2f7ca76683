import type { Full, FullPiece, JobFile, Piece } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { clusterName } from '../piece/cluster-names.ts';
import { designOf } from '../piece/design.ts';
import { schoolsOf } from '../piece/recipe-of.ts';
import { type Look, lookOf } from './look-of.ts';

/** How the pieces of a job will look that are dressed organically. @param isQuick while something is dragged */
export const fullOf = ({ job, workshop }: JobFile, isQuick: boolean): Full => ({
  pieces: job.pieces.flatMap((piece): FullPiece[] => {
    // Garlands at the sides of boards would have to settle against them.
    if (piece.kind === 'panel-wall') return [];
    const design = designOf(piece, schoolsOf(piece, workshop.schools));
    const look = lookOf(design.key, design.placement(), isQuick);
    return look ? [asFullPiece(piece, look)] : [];
  }),
  isQuick,
});

const asFullPiece = ({ id }: Piece, { before, after, gaps, fillers }: Look): FullPiece => ({
  id,
  spineSeenPct: { before: before.spine.pct, after: after.spine.pct },
  spineSeenM: after.spine.longestM,
  seeThroughPct: { before: before.throughPct, after: after.throughPct },
  holesPct: after.holesPct,
  largestGapM: 2 * (gaps[0]?.radiusM ?? 0),
  gaps: gaps.map(({ x, y, z, radiusM, turn }) => ({
    xM: x,
    yM: y,
    zM: z,
    radiusM,
    view: turn === 0 ? 'front' : turn < 0 ? 'left' : 'right',
    closeWith: `a ${clusterName(fillers.size).replace(/s$/, '')} of ${sizeName(fillers.nominalIn)}`,
  })),
  fillers: { name: fillers.name, needed: fillers.needed, counted: fillers.counted },
});

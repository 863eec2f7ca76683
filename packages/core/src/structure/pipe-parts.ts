import type { CutBar, JobFile, Piece, PipeId } from '@early-lantern/contract';
import { unitsFor } from '../materials/materials.ts';
import { cutPlan } from './cut-list.ts';
import { pipeOf } from './pipes.ts';

/** A length of pipe that a piece takes. */
interface PipePart {
  pipe: PipeId;
  pieceId: string;
  label: string;
  lengthM: number;
}

/** Bars and posts of frames and centrepieces are of this. Common practice, no source. */
const FRAME_PIPE: PipeId = 'pvc-half';

/** A run of pipe in stock lengths joined by couplings, the rest at its end. */
function run(pipe: PipeId, pieceId: string, label: string, lengthM: number): PipePart[] {
  const { stockM } = pipeOf(pipe);
  const count = Math.max(1, unitsFor(lengthM, stockM));
  return Array.from({ length: count }, (_, i) => ({
    pipe,
    pieceId,
    label: count > 1 ? `${label}, ${i + 1} of ${count}` : label,
    lengthM: Math.min(stockM, Math.max(0.05, lengthM - i * stockM)),
  }));
}

/** What has to be cut of pipe for a piece. */
function pipePartsOf(piece: Piece): PipePart[] {
  switch (piece.kind) {
    case 'packed-arch':
      return run(piece.pipe, piece.id, `${piece.name}: arch`, piece.pipeLengthM);
    case 'photo-frame':
      return ['upper bar', 'lower bar'].flatMap((bar) =>
        run(FRAME_PIPE, piece.id, `${piece.name}: ${bar}`, piece.widthM),
      );
    case 'centrepiece':
      return Array.from({ length: piece.count }, (_, i) =>
        run(FRAME_PIPE, piece.id, `${piece.name}: post ${i + 1}`, piece.postM),
      ).flat();
    default:
      return [];
  }
}

/** The cut list over all pieces: for each pipe the fewest stock lengths, and the bound that shows it. */
export function cutListOf({ job }: JobFile): {
  cutList: CutBar[];
  cutBounds: { stock: string; lengths: number; atLeast: number }[];
} {
  const parts = job.pieces.flatMap(pipePartsOf);
  const used = [...new Set(parts.map((part) => part.pipe))];
  const plans = used.map((pipe) => {
    const { stockM } = pipeOf(pipe);
    const plan = cutPlan(
      parts.filter((part) => part.pipe === pipe),
      stockM,
    );
    return { stock: `pipe-${pipe}`, stockM, plan };
  });
  return {
    cutList: plans.flatMap(({ stock, stockM, plan }) =>
      plan.bars.map(({ parts: cuts, wasteM }) => ({
        stock,
        stockM,
        cuts: cuts.map(({ pieceId, label, lengthM }) => ({ pieceId, label, lengthM })),
        wasteM,
      })),
    ),
    cutBounds: plans.map(({ stock, plan }) => ({ stock, lengths: plan.bars.length, atLeast: plan.atLeast })),
  };
}

import type { JobFile, Piece, PipeId, PipePart, Plan } from '@early-lantern/contract';
import { unitsFor } from '../materials/materials.ts';
import { cutPlan } from './cut-list.ts';
import { pipeOf } from './pipes.ts';

/** A part with the other job of the day that takes it. */
type Cut = PipePart & { job?: string };

/** So many pipes alike are looked at: a day takes fewer. */
const MOST_OWNED = 40;

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
export function pipePartsOf(piece: Piece): PipePart[] {
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

/** What has to be cut of pipe for all pieces of a job. */
export const jobPipeParts = ({ job }: JobFile): PipePart[] => job.pieces.flatMap(pipePartsOf);

/** What joins the pipes of a job: couplings within a run, tees and elbows at a frame's corners. */
function jointsOf({ job }: JobFile): Plan['joints'] {
  const found = new Map<string, Plan['joints'][number]>();
  const add = (item: string, pipe: PipeId, count: number) => {
    if (count === 0) return;
    const key = `${item}, ${pipe}`;
    const before = found.get(key)?.count ?? 0;
    found.set(key, { item, pipe, label: `${pipeOf(pipe).label} ${item}`, count: before + count });
  };
  for (const piece of job.pieces) {
    if (piece.kind === 'packed-arch') add('coupling', piece.pipe, pipePartsOf(piece).length - 1);
    if (piece.kind === 'photo-frame') {
      add('coupling', FRAME_PIPE, pipePartsOf(piece).length - 2);
      add('tee', FRAME_PIPE, 2);
      add('elbow', FRAME_PIPE, 2);
    }
  }
  return [...found.values()];
}

type Cuts = Pick<Plan, 'cutList' | 'cutBounds' | 'joints'>;

let known: { key: string; cuts: Cuts } | undefined;

/**
 * The cut list over all pieces of the day, other jobs' too: for each pipe what the workshop owns first, then the
 * fewest stock lengths, and the bound that shows it. Worked out again only when something to be cut has changed.
 */
export function cutListOf(file: JobFile): Cuts {
  const { ownPipes = [], overlapping = [] } = file.workshop;
  const parts: Cut[] = [
    ...jobPipeParts(file),
    ...overlapping.flatMap(({ job, pipes }) => pipes.map((part) => ({ ...part, job }))),
  ];
  const key = JSON.stringify([parts, ownPipes]);
  if (known?.key === key) return known.cuts;
  const used = [...new Set(parts.map((part) => part.pipe))];
  const plans = used.map((pipe) => {
    const { stockM } = pipeOf(pipe);
    const owned = ownPipes
      .filter((one) => one.pipe === pipe)
      .flatMap(({ lengthM, count }) => Array.from({ length: Math.min(count, MOST_OWNED) }, () => lengthM));
    const plan = cutPlan(
      parts.filter((part) => part.pipe === pipe),
      stockM,
      owned,
    );
    return { stock: `pipe-${pipe}`, plan };
  });
  const cuts: Cuts = {
    cutList: plans.flatMap(({ stock, plan }) =>
      plan.bars.map(({ parts: cuts, lengthM, isOwned, wasteM }) => ({
        stock,
        stockM: lengthM,
        isOwned,
        cuts: cuts.map(({ pieceId, label, lengthM, job }) => ({
          pieceId,
          label,
          lengthM,
          ...(job ? { job } : {}),
        })),
        wasteM,
      })),
    ),
    cutBounds: plans.map(({ stock, plan: { lengths, atLeast, cuts, cutsAtLeast } }) => ({
      stock,
      lengths,
      atLeast,
      saws: cuts,
      sawsAtLeast: cutsAtLeast,
    })),
    joints: jointsOf(file),
  };
  known = { key, cuts };
  return cuts;
}

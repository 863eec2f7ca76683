import type { JobFile, Piece, PieceId, PipeId, PipePart, Plan } from '@early-lantern/contract';
import { unitsFor } from '../materials/materials.ts';
import type { Fitting } from '../piece/hardware.ts';
import { kindOf } from '../piece/kinds.ts';
import { formatBore } from '../quantity/customary.ts';
import type { LengthUnits } from '../quantity/length.ts';
import { cutPlan } from './cut-list.ts';
import { pipeOf } from './pipes.ts';
import { sleeveFit, socketOf } from './sleeve-fit.ts';

/** A part with the other job of the day that takes it. */
type Cut = PipePart & { job?: string };

/** So many pipes alike are looked at: a day takes fewer. */
const MOST_OWNED = 40;

/** A run of pipe in stock lengths joined by couplings, the rest at its end. */
function run(pipe: PipeId, pieceId: PieceId, label: string, lengthM: number): PipePart[] {
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
export const pipePartsOf = (piece: Piece): PipePart[] =>
  kindOf(piece)
    .hardware(piece)
    .pipes.flatMap(({ pipe, label, lengthM }) => run(pipe, piece.id, `${piece.name}: ${label}`, lengthM));

/** What has to be cut of pipe for all pieces of a job. */
export const jobPipeParts = ({ job }: JobFile): PipePart[] => job.pieces.flatMap(pipePartsOf);

/** What joins the pipes of a job: couplings within a run, tees and elbows at corners, and whether all goes together. */
function jointsOf({ job }: JobFile): Plan['joints'] {
  const found = new Map<string, Plan['joints'][number]>();
  const add = (item: Fitting['item'] | 'coupling', pipe: PipeId, count: number, pole?: Fitting['pole']) => {
    if (count === 0) return;
    const { odM, label } = pipeOf(pipe);
    const key = JSON.stringify([item, pipe, pole?.odM]);
    const before = found.get(key)?.count ?? 0;
    const fits = [{ what: label, odM }, ...(pole ? [{ what: pole.label, odM: pole.odM }] : [])].map(
      (rod) => ({ ...rod, ...sleeveFit(socketOf(pipe).idM, rod.odM) }),
    );
    found.set(key, { item, pipe, label: `${label} ${item}`, count: before + count, fits });
  };
  for (const piece of job.pieces) {
    const { pipes, fittings } = kindOf(piece).hardware(piece);
    for (const { pipe, lengthM } of pipes) add('coupling', pipe, run(pipe, piece.id, '', lengthM).length - 1);
    for (const { item, pipe, count, pole } of fittings) add(item, pipe, count, pole);
  }
  return [...found.values()];
}

/** What of a piece's corners does not go together: a tee or elbow too narrow for its pole, or too wide to hold it. */
export function misfitsOf(piece: Piece, units: LengthUnits): string[] {
  const { fittings } = kindOf(piece).hardware(piece);
  return fittings.flatMap(({ item, pipe, pole }) => {
    const { verdict } = sleeveFit(socketOf(pipe).idM, pole.odM);
    if (verdict !== 'does not go' && verdict !== 'no joint') return [];
    const od = formatBore(pole.odM, units);
    return [
      verdict === 'does not go'
        ? `An ${pole.label} of ${od} does not go into a ${pipeOf(pipe).label} ${item}: choose wider bars or thinner uprights.`
        : `An ${pole.label} of ${od} has no hold in a ${pipeOf(pipe).label} ${item}: choose thinner bars or thicker uprights.`,
    ];
  });
}

type Cuts = Pick<Plan, 'cutList' | 'cutBounds' | 'joints'>;

let known: { key: string; cuts: Omit<Cuts, 'joints'> } | undefined;

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
  const joints = jointsOf(file);
  if (known?.key === key) return { ...known.cuts, joints };
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
  const cuts = {
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
  };
  known = { key, cuts };
  return { ...cuts, joints };
}

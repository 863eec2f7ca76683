import type { JobFile, PieceKind, PieceStep, WorkshopSettings } from '@early-lantern/contract';
import { defaultRates } from '../bench/rates.ts';
import { inOrder, mayLeaveOut, stages } from '../network/stages.ts';
import { newPiece } from '../piece/new-piece.ts';
import { recipeOf } from '../piece/recipe-of.ts';
import { working } from '../working.ts';
import { leftOut, waiting } from './own-methods.ts';
import { ownId, type Work } from './work.ts';

/** One step of a kind of piece on site, as it is usually done. */
interface UsualStep {
  id: string;
  label: string;
  /** What its rate is for. */
  rate: string;
  hands: number;
  /** Nothing stands or falls by it. */
  mayBeLeftOut: boolean;
}

/** A wall to try a kind of piece on. */
const SAMPLE = { id: 'wall', name: 'Wall', kind: 'wall', widthM: 6, heightM: 4, surface: 'painted' } as const;

/** How a kind of piece is put up on site, step after step, as the house's schools have it. */
export function usualSteps(kind: PieceKind, workshop: WorkshopSettings): UsualStep[] {
  const colours = workshop.colours.map(({ id }) => id);
  const piece = newPiece(kind, { id: 'sample', name: 'Sample', spot: SAMPLE, colours, seed: 1 });
  // Wider, there is fluffing; with a shine, there is wiping: every step that a piece of the kind may have.
  const wider = 'widthM' in piece ? [{ ...piece, widthM: piece.widthM * 1.6 }] : [];
  const wiped = 'mix' in piece || 'sizes' in piece ? [{ ...piece, schools: { bloom: 'wipe' as const } }] : [];
  const found = [piece, ...wider, ...wiped].flatMap((one) => recipeOf(one, workshop.schools).siteWork);
  return stages.flatMap(({ stage }) =>
    inOrder([
      ...new Map(found.filter((one) => one.stage === stage).map((one) => [one.id, one])).values(),
    ]).map(({ id, label, rate, pair }) => ({
      id,
      // What is counted differs from piece to piece.
      label: label.replace(/\s*\b\d+\b\s*/g, ' ').trim(),
      rate: defaultRates[rate].label,
      hands: pair ? 2 : 1,
      mayBeLeftOut: mayLeaveOut(stage),
    })),
  );
}

/** The work with the steps of each piece as the house does them for its kind. */
export function withPieceSteps(
  work: readonly Work[],
  steps: readonly PieceStep[],
  { job }: JobFile,
  crew: number,
): Work[] {
  return job.pieces.reduce<Work[]>(
    (all, piece) =>
      steps
        .filter(({ kind }) => kind === piece.kind)
        .reduce((now, step) => withStep(now, ownId(piece.id, step.step), piece.name, step, crew), all),
    [...work],
  );
}

function withStep(work: readonly Work[], id: string, name: string, step: PieceStep, crew: number): Work[] {
  // Safety is nobody's to leave out.
  if (step.isLeftOut) return work.find((one) => one.id === id)?.mayBeLeftOut ? leftOut(work, id) : [...work];
  return work.map((one) => (one.id === id ? changed(one, name, step, crew) : one));
}

function changed(one: Work, name: string, step: PieceStep, crew: number): Work {
  const hands = Math.min(step.hands ?? one.hands, crew);
  const factor = ((step.timePct ?? 100) / 100) * (one.hands / Math.max(1, hands));
  const { quickS, usualS, slowS } = one.spread;
  const { ways, ...rest } = one;
  const isSame = factor === 1 && hands === one.hands;
  return {
    ...rest,
    // Hands that were said are not the plan's to choose any more.
    ...(ways && isSame ? { ways } : {}),
    label: step.label ? `${name}: ${step.label}` : one.label,
    hands,
    minutes: Math.max(1, Math.ceil(one.minutes * factor)),
    spread: { quickS: quickS * factor, usualS: usualS * factor, slowS: slowS * factor },
    ...(step.waitMin === undefined ? {} : { lags: waiting(one, step.waitMin) }),
    working: isSame
      ? one.working
      : [
          ...one.working,
          working(
            'As this house does it',
            'share of the usual time · usual hands / hands',
            [
              ['of the usual time', step.timePct ?? 100, '%'],
              ['usual hands', one.hands],
              ['hands', hands],
            ],
            { value: factor, unit: '×' },
            "the workshop's own figures",
          ),
        ],
  };
}

import type {
  HoldPiece,
  Piece,
  PieceId,
  Stage,
  Task,
  TooLoud,
  Working,
  WorkshopSettings,
} from '@early-lantern/contract';
import type { Batch } from '../bench/batch.ts';
import { type Effort, effort, type Spread } from '../bench/rates.ts';
import type { Recipe } from '../piece/recipe.ts';
import type { Mode } from '../schedule/problem.ts';
import { mayLeaveOutStep } from './visit-steps.ts';

/** A piece with what has been worked out for it. */
export interface WorkedPiece {
  piece: Piece;
  recipe: Recipe;
  batches: Batch[];
  /** What carries it or what it hangs from. */
  held?: HoldPiece;
}

/** A task of the job before it has a time. */
export interface Work {
  id: string;
  label: string;
  place: Task['place'];
  minutes: number;
  /** Quick, usual, slow, with the hands it has. */
  spread: Spread;
  hands: number;
  skills: string[];
  gear: string[];
  pieceId?: string;
  /** Its stage in putting a piece up; left out, it is something else. */
  stage?: Stage;
  /** Nothing stands or falls by it: it may be left out of a job. */
  mayBeLeftOut?: boolean;
  /** What of it may be too loud for a house; an inflator is heard whoever runs it. */
  noise?: TooLoud;
  /** What it blows. */
  blows?: NonNullable<Task['blows']>;
  after: string[];
  /** Codes of the catalogue of cautions. */
  cautions: string[];
  working: Working[];
  /** Minutes from its start to its arrival on site: it need not arrive before access opens. */
  arrivesAfter?: number;
  /** Other numbers of hands it can be done with. */
  ways?: Mode[];
  /** At least and at most so many minutes after the end of a task it waits for, by that one's id. */
  lags?: Record<string, { min?: number; max?: number }>;
  /** The run to the site it belongs to: people and vehicle are away together meanwhile. */
  trip?: Trip;
  /** Ladders it is done from, by id. */
  ladders?: string[];
  /** How long it takes with so many of the wagons taken along, the most first. */
  withWagons?: WithWagons[];
}

/** A task done with a number of wagons. */
interface WithWagons {
  wagons: number;
  minutes: number;
  /** Why it takes that long. */
  working: Working[];
}

/** The two runs to a site: to put it up, and to take it down. */
export type Trip = 'set-up' | 'strike';

/** Whole minutes when `hands` share an effort evenly. */
export function shared(work: Effort, hands: number): { minutes: number; spread: Spread; working: Working[] } {
  const { quickS, usualS, slowS } = work.spread;
  return {
    minutes: Math.max(1, Math.ceil(work.seconds / 60 / hands)),
    spread: { quickS: quickS / hands, usualS: usualS / hands, slowS: slowS / hands },
    working: work.working,
  };
}

/** A third pair of hands helps by this much of the first two, and so does any further. From memory, editable. */
const FURTHER_HANDS = 0.6;

/** What so many hands do at once, in hands: two share evenly, more get in each other's way. */
const helping = (hands: number): number => (hands <= 2 ? hands : 2 + FURTHER_HANDS * (hands - 2));

/** The ways of doing an effort with from `least` to `most` hands, but for the usual one. */
export function otherWays(work: Effort, usual: number, least: number, most: number): Mode[] {
  const ways: Mode[] = [];
  for (let hands = least; hands <= most; hands++)
    if (hands !== usual)
      ways.push({ hands, minutes: Math.max(1, Math.ceil(work.seconds / 60 / helping(hands))) });
  return ways;
}

/** A span that somebody has threePoint, with what it may come to: shares of it. */
export const threePoint = (minutes: number, quick: number, slow: number): Spread => ({
  quickS: minutes * 60 * quick,
  usualS: minutes * 60,
  slowS: minutes * 60 * slow,
});

/** A task that is one unit of the rate it is named after. */
export function simple(
  id:
    | 'clean-floor'
    | 'load-vehicle'
    | 'protect-floor'
    | 'step-back'
    | 'look-again'
    | 'touch-up'
    | 'sign-off'
    | 'photograph-before'
    | 'look-over'
    | 'return-gear',
  label: string,
  place: Task['place'],
  settings: WorkshopSettings,
  more: Partial<Work> = {},
): Work {
  const took = shared(effort(id, 1, settings), more.hands ?? 1);
  return {
    id,
    label,
    place,
    hands: 1,
    skills: [],
    gear: [],
    after: [],
    cautions: [],
    ...(mayLeaveOutStep(id) ? { mayBeLeftOut: true } : {}),
    ...more,
    minutes: took.minutes,
    spread: took.spread,
    working: [...took.working, ...(more.working ?? [])],
  };
}

/** Name of a step among those of all pieces of a job. */
export const ownId = (pieceId: PieceId, step: string) => `${pieceId}--${step}`;

/** Mark between a task cut into goes and the number of one of them. */
export const GO = '~';

/** The step of its piece that a task is, or is a go of: the same whatever else is edited. */
export const stepOf = (id: string, pieceId: PieceId) => id.slice(pieceId.length + 2).split(GO)[0] ?? id;

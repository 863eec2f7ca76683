import type { XY } from '../geometry/line.ts';
import type { Area } from '../piece/part.ts';
import type { Balls } from './near-pairs.ts';

/** What is about a piece: what it lies against, and what others put on it. */
export interface Around {
  /** Panels and boards of what carries it. */
  boards: readonly Area[];
  /** Balloons of what carries it or it is joined to: they keep their places. */
  balls: readonly Balls[];
  /** Of those the ones that it is tied over, where others have it go on at their ends. */
  under: readonly Balls[];
  /** All of that as one word. */
  key: string;
  /** Accents that hang on it. */
  accents: readonly XY[];
}

/** Nothing is. */
export const alone: Around = { boards: [], balls: [], under: [], key: '', accents: [] };

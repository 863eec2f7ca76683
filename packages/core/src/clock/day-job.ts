import type { JobFile } from '@early-lantern/contract';
import type { Work, WorkedPiece } from './work.ts';

/** A job with what has been worked out for its pieces. */
export interface WorkedJob {
  file: JobFile;
  pieces: readonly WorkedPiece[];
}

/** Two pieces of one job whose bases do not wait for each other: the heavier goes up first where both can. */
export interface Turn {
  /** Tasks by id. */
  heavier: string;
  lighter: string;
}

/** A job of the day: its tasks, and the minutes that matter to it. */
export interface DayJob extends WorkedJob {
  work: Work[];
  /** The heavier first, where two bases do not wait for each other. */
  turns: Turn[];
  doors: number;
  access: { from: number; until: number };
  strike: { from: number; until: number };
  /** Sign-off wanted by then, so many minutes before doors; and everybody out by then, so many before access closes. */
  wanted: number;
  wantedOut: number;
}

/** Name of a task among those of several jobs. */
export const inDay = (jobId: string, task: string) => `${jobId}:${task}`;

import type { DayJob } from './day-job.ts';
import type { Work } from './work.ts';

/** Ladders that some work is done from, by id. */
export const laddersOf = (work: readonly Work[]): Set<string> =>
  new Set(work.flatMap(({ ladders = [] }) => ladders));

/** Whether a job has a ladder hired for itself. */
export const hires = ({ file }: DayJob, ladder: string): boolean =>
  file.job.hiredLadders?.includes(ladder) ?? false;

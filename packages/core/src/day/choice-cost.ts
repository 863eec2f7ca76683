import type { ClockChoices, JobFile } from '@early-lantern/contract';
import { dayProblem } from '../clock/day-problem.ts';
import { DaySearch } from '../clock/day-search.ts';
import { workedJob } from '../plan.ts';

/** Orders tried with a choice and without it. */
const TRIED = 120;

/**
 * Minutes between sign-off and doors that what somebody chose about a task costs: with it against without it, all else
 * alike, everything as early as it goes.
 * @returns null where there is no plan with it
 */
export function choiceCost(file: JobFile, task: string): number | null {
  const kept = mostInHand(file);
  if (kept === -Infinity) return null;
  const { clock = {}, ...head } = file.job;
  const others = <T extends { task: string }>(all: readonly T[] | undefined) =>
    all?.filter((one) => one.task !== task && one.task !== task.split('~')[0]);
  const free: ClockChoices = {
    pins: others(clock.pins),
    keptOff: others(clock.keptOff),
    splits: others(clock.splits),
    orders: clock.orders?.filter(({ next }) => next !== task),
  };
  return Math.max(0, mostInHand({ ...file, job: { ...head, clock: free } }) - kept);
}

function mostInHand(file: JobFile): number {
  const search = new DaySearch(dayProblem([workedJob(file)]), TRIED);
  search.runForward(TRIED);
  return search.inHand()[0] ?? -Infinity;
}

import type { ClockChoices, JobFile } from '@early-lantern/contract';
import { clockFor } from '../clock/clock.ts';
import { workedJob } from '../plan.ts';

/**
 * Minutes to spare that what somebody chose about a task costs: the plan shown with it against the one shown without it.
 * @returns null where there is no plan with it
 */
export function choiceCost(file: JobFile, task: string): number | null {
  const kept = planOf(file);
  if (kept.broken !== null || kept.minutesInHand === null) return null;
  const { clock = {}, ...head } = file.job;
  const others = <T extends { task: string }>(all: readonly T[] | undefined) =>
    all?.filter((one) => one.task !== task && one.task !== task.split('~')[0]);
  const free: ClockChoices = {
    ...clock,
    pins: others(clock.pins),
    keptOff: others(clock.keptOff),
    splits: others(clock.splits),
    orders: clock.orders?.filter(({ next }) => next !== task),
  };
  const without = planOf({ ...file, job: { ...head, clock: free } }).minutesInHand ?? -Infinity;
  return Math.max(0, without - kept.minutesInHand);
}

const planOf = (file: JobFile) => clockFor(file, workedJob(file).pieces).onTime;

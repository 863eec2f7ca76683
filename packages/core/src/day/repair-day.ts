import type { JobFile } from '@early-lantern/contract';
import { isShort, isWorthMoving, movedTasks, movedWords } from '../clock/repair.ts';
import type { DayPlan } from './plan-day.ts';

/** What of a day's plan has moved from what was agreed, for one job. */
export interface Moved {
  jobId: string;
  name: string;
  /** "3 of 63 tasks moved: Tie quads, Load the van, Drive"; empty where nothing has. */
  words: string;
}

const judged = ({ tasks, onTime, broken }: DayPlan['jobs'][number]) => ({
  tasks,
  onTime,
  stuck: tasks.length > 0 ? undefined : (broken[0] ?? 'there is no plan.'),
});

/** The jobs whose plan as agreed cannot be done, leaves a window, or has less to spare than is wanted. */
export const shortJobs = (files: readonly JobFile[], plan: DayPlan): DayPlan['jobs'] =>
  plan.jobs.filter((job) => files.some((file) => file.job.id === job.jobId && isShort(file, judged(job))));

/** Whether a repaired plan of a day is so much better for a job of it that tasks may move for it. */
export const isDayWorthMoving = (files: readonly JobFile[], repaired: DayPlan, kept: DayPlan): boolean =>
  files.some((file) => {
    const [now, before] = [repaired, kept].map(({ jobs }) => jobs.find(({ jobId }) => jobId === file.job.id));
    return now && before && isWorthMoving(file, judged(now), judged(before));
  });

/** What has moved from what was agreed, job by job. */
export const dayMoves = (files: readonly JobFile[], plan: DayPlan): Moved[] =>
  plan.jobs.map(({ jobId, name, tasks }) => {
    const agreed = files.find(({ job }) => job.id === jobId)?.job.clock?.agreed?.tasks ?? [];
    const moved = movedTasks(agreed, tasks);
    return { jobId, name, words: moved.length > 0 ? movedWords(moved, tasks) : '' };
  });

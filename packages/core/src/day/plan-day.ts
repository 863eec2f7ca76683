import type { AgreedTask, JobFile, OnTime, Task } from '@early-lantern/contract';
import { type ClockPlan, clockPlans } from '../clock/clock.ts';
import { paidMinutes } from '../clock/day-cost.ts';
import type { WorkedJob } from '../clock/day-job.ts';
import { type DayProblem, dayProblem } from '../clock/day-problem.ts';
import { DaySearch } from '../clock/day-search.ts';
import { boundOf } from '../clock/most-in-hand.ts';
import { overrunsOf } from '../clock/overruns.ts';
import { asWish } from '../clock/repair.ts';
import { compile } from '../schedule/compiled.ts';

/** One job in the plan of its day. */
interface DayJobPlan {
  jobId: string;
  name: string;
  onTime: OnTime;
  tasks: Task[];
  /** Windows it does not keep, in sentences; empty when all is well. */
  broken: string[];
}

/** The plan of all jobs of a day together. */
export interface DayPlan {
  jobs: DayJobPlan[];
  /** Orders tried so far. */
  tried: number;
  paidHours: number;
  /** What the paid hours cost, where everybody's wage is known. */
  wages: number | null;
}

/** A day's plan being looked for. */
export interface PlanningDay {
  run: (orders: number) => void;
  readonly isOver: boolean;
  readonly tried: number;
  /** Another word whenever a better plan has been found. */
  readonly mark: string;
  result: () => DayPlan;
}

/**
 * Begins to look for a plan of several jobs together: the best so far can always be had.
 * @param orders how many are to be tried in all
 */
export function planningDay(worked: readonly WorkedJob[], orders: number, seed = 1): PlanningDay {
  const day = dayProblem(worked);
  const search = new DaySearch(day, orders, seed);
  // The same for every plan: worked out once, after the first plan has been told.
  let bounds: (number | null)[] | undefined;
  let told = 0;
  return {
    run: (more) => search.run(more),
    get isOver() {
      return search.isOver || search.stuck !== undefined;
    },
    get tried() {
      return search.tried;
    },
    get mark() {
      return search.mark;
    },
    result: () => {
      told += 1;
      // What was agreed is a wish: nothing is proven from it.
      if (told > 1)
        bounds ??= boundsOf(dayProblem(worked.map((one) => ({ ...one, file: asWish(one.file) }))));
      return resultOf(day, search, bounds);
    },
  };
}

function boundsOf(day: DayProblem): (number | null)[] {
  const compiled = compile(day.problem);
  return day.jobs.map((_, j) => boundOf(day, compiled, j));
}

function resultOf(
  day: DayProblem,
  search: DaySearch,
  bounds: readonly (number | null)[] | undefined,
): DayPlan {
  const plans = clockPlans(day, search);
  const answer = search.answer();
  const crew = day.jobs[0]?.file.workshop.crew ?? [];
  const paid = answer ? paidMinutes({ ...answer, stuck: -1 }, search.compiled) : 0;
  return {
    jobs: day.jobs.map((job, i) => ({
      jobId: job.file.job.id,
      name: job.file.job.name,
      onTime: { ...(plans[i] as ClockPlan).onTime, bound: bounds?.[i] ?? null },
      tasks: (plans[i] as ClockPlan).tasks,
      broken: brokenOf(job.file, plans[i] as ClockPlan),
    })),
    tried: search.tried,
    paidHours: paid / 60,
    wages: crew.every(({ wage }) => wage !== undefined) && answer ? wagesOf(day, search) : null,
  };
}

/** Everybody's paid hours at their wage. */
function wagesOf(day: DayProblem, search: DaySearch): number {
  const answer = search.answer();
  if (!answer) return 0;
  const crew = day.jobs[0]?.file.workshop.crew ?? [];
  return search.compiled.workers.reduce((sum, id, p) => {
    const own = { ...answer, stuck: -1, crew: answer.crew.map((bits) => bits & (1 << p)) };
    return sum + (paidMinutes(own, search.compiled) / 60) * (crew.find((one) => one.id === id)?.wage ?? 0);
  }, 0);
}

/** Which windows a job's plan leaves, in sentences. */
function brokenOf(file: JobFile, { onTime, stuck, tasks }: ClockPlan): string[] {
  if (stuck !== undefined) return [`There is no plan: ${stuck}`];
  return overrunsOf(file, tasks, onTime).map(({ told }) => told);
}

/** A job's tasks as they stand in the plan of its day: to be kept with the job. */
export const agreedTasks = (tasks: readonly Task[]): AgreedTask[] =>
  tasks.map(({ id, start, end, crew, gear }) => ({ task: id, start, end, crew, gear }));

/** A plan as it is on screen, as short as it can be kept: the next one begins there. */
export const shownTasks = (tasks: readonly Task[]): AgreedTask[] =>
  tasks.map(({ id, start, crew }) => ({ task: id, start, crew }));

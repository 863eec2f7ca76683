import type { AgreedTask, JobFile, OnTime, Round, RoundGood, Task } from '@early-lantern/contract';
import { dequal } from 'dequal';
import { type ClockPlan, clockPlans } from '../clock/clock.ts';
import { paidMinutes } from '../clock/day-cost.ts';
import type { WorkedJob } from '../clock/day-job.ts';
import { type DayProblem, dayProblem } from '../clock/day-problem.ts';
import { DaySearch } from '../clock/day-search.ts';
import { boundOf } from '../clock/most-in-hand.ts';
import { overrunsOf } from '../clock/overruns.ts';
import { asWish } from '../clock/repair.ts';
import { goTogether } from '../loading/round-load.ts';
import { IS_SHARED } from '../loading/together.ts';
import { roundGoodsOf } from '../plan.ts';
import { compile } from '../schedule/compiled.ts';
import { drivenRounds } from './round-legs.ts';
import { type MayLoad, RoundSearch } from './round-search.ts';
import { roundsOf } from './rounds.ts';

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
  /** Drives to several places in a row. */
  rounds: Round[];
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

/** So many orders are tried with the rounds that are the best by now before others are looked at. */
const FIRST = 60;

/**
 * Begins to look for a plan of several jobs together: the best so far can always be had. Who drives what where is part of
 * it: drives are made rounds where that costs fewer paid hours and no window.
 * @param orders how many are to be tried in all
 */
export function planningDay(
  worked: readonly WorkedJob[],
  orders: number,
  mayLoad: MayLoad = loadedTogether(),
  seed = 1,
): PlanningDay {
  const rounds = new RoundSearch(worked, orders, seed, mayLoad);
  let jobs: readonly WorkedJob[] | undefined;
  let day: DayProblem;
  let search: DaySearch;
  /** The search among the rounds that are the best by now; begun anew where they are others. */
  const current = () => {
    if (jobs !== rounds.best) {
      jobs = rounds.best;
      day = dayProblem(jobs);
      search = new DaySearch(day, orders, seed);
      bounds = undefined;
    }
    return { day, search };
  };
  // The same for every plan: worked out once, after the first plan has been told.
  let bounds: (number | null)[] | undefined;
  let told = 0;
  return {
    run: (more) => {
      // A plan that can be shown first, then other rounds, then the best plan with the best rounds.
      const tried = current().search.tried < FIRST ? 0 : rounds.run(more);
      if (tried < more) current().search.run(more - tried);
    },
    get isOver() {
      const { search: now } = current();
      return rounds.isOver && (rounds.tried + now.tried >= orders || now.isOver || now.stuck !== undefined);
    },
    get tried() {
      return rounds.tried + current().search.tried;
    },
    get mark() {
      return `${rounds.mark} ${current().search.mark}`;
    },
    result: () => {
      told += 1;
      const now = current();
      // What was agreed is a wish: nothing is proven from it.
      if (told > 1)
        bounds ??= boundsOf(dayProblem(rounds.best.map((one) => ({ ...one, file: asWish(one.file) }))));
      return { ...resultOf(now.day, now.search, bounds), tried: rounds.tried + now.search.tried };
    },
  };
}

/**
 * The rounds of a plan as they are kept with its jobs: with their hours and vehicles, and with what rides to each place, so
 * that every job of one knows the whole way and the whole load.
 */
export function loadedRounds(files: readonly JobFile[], plan: Pick<DayPlan, 'rounds' | 'jobs'>): Round[] {
  return plan.rounds.map((round): Round => {
    const [driven] = drivenRounds({ ...plan, rounds: [round] });
    const stops = round.stops.map((stop, i) => {
      const file = files.find(({ job }) => job.id === stop.job);
      const { arrive, leave } = driven?.places[i] ?? {};
      return {
        ...stop,
        ...(arrive && leave ? { arrive, leave } : {}),
        ...(file && round.trip === 'set-up' && stop.does !== 'fetch' ? { goods: roundGoodsOf(file) } : {}),
      };
    });
    const { leave, home, vehicles } = driven ?? {};
    return { ...round, stops, ...(leave && home && vehicles ? { leave, home, vehicles } : {}) };
  });
}

/**
 * Places of agreed rounds to which other things ride by now than were loaded with the round: a piece was changed since,
 * and the other jobs of the round still show the load as it was.
 */
export function placesReloaded(files: readonly JobFile[]): string[] {
  const stops = files.flatMap(({ job }) =>
    (job.clock?.rounds ?? []).flatMap((round) => (round.trip === 'set-up' ? round.stops : [])),
  );
  return files
    .filter((file) => {
      const kept = stops.flatMap(({ job, goods }) => (job === file.job.id && goods ? [goods] : []));
      if (kept.length === 0) return false;
      const now = ownOf(roundGoodsOf(file));
      return kept.some((goods) => !dequal(ownOf(goods), now));
    })
    .map(({ site }) => site.name);
}

/** What is for one place alone: tools, ladders and wagons serve at every one, and change with the hours. */
const ownOf = (goods: readonly RoundGood[]) => goods.filter(({ kind }) => !IS_SHARED.has(kind));

/** Asks by what rides to each place, worked out once for each job. */
function loadedTogether(): MayLoad {
  const known = new Map<string, RoundGood[]>();
  const goodsOf = (file: JobFile) => {
    const goods = known.get(file.job.id) ?? roundGoodsOf(file);
    known.set(file.job.id, goods);
    return goods;
  };
  return (places) => {
    const [first, ...others] = places.map(({ file }) => ({ file, goods: goodsOf(file) }));
    return !first || goTogether([first, ...others]);
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
    rounds: roundsOf(day.jobs.map(({ file }) => file)),
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

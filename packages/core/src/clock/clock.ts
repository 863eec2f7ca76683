import type { JobFile, OnTime, Task } from '@early-lantern/contract';
import { arrivesEarly } from './arrival.ts';
import { paceOf } from './conditions.ts';
import type { DayJob, WorkedJob } from './day-job.ts';
import { type DayProblem, dayProblem } from './day-problem.ts';
import { DaySearch } from './day-search.ts';
import { isWagon } from './gear-names.ts';
import { placeBefore } from './legs.ts';
import { type Placed, placedTasks } from './placed.ts';
import { asWish, isShort, isWorthMoving, movedTasks, movedWords, whatGrew } from './repair.ts';
import { partOfRound } from './rounds.ts';
import { whyOf } from './why.ts';
import { whoIsOff, whyStuck } from './why-stuck.ts';
import { stepOf, type WorkedPiece } from './work.ts';

export interface ClockPlan {
  tasks: Task[];
  onTime: OnTime;
  /** Why there is no plan, in a sentence; undefined when there is one. */
  stuck: string | undefined;
  /** Who is off while there is work to do on site, in a sentence, where sign-off comes after doors through it. */
  off?: string | undefined;
}

/** Orders tried for a plan that must answer at once. */
const AT_ONCE = 24;

/**
 * The job's tasks on the clock, counted back from doors: as many minutes in hand as are wanted or can be found, and
 * inflation as late as that allows.
 *
 * What was agreed for the day is kept where it still fits. Where it does not, it is repaired with as few changes as can
 * be found, and that is said. Pins are laws: with some that leave no plan, they are left aside, and that is said.
 */
export function clockFor(file: JobFile, pieces: readonly WorkedPiece[]): ClockPlan {
  if (pieces.length === 0) return { tasks: [], onTime: nothingYet(file), stuck: undefined };
  const planOf = (one: JobFile) => planned([{ file: one, pieces }], AT_ONCE)[0] as ClockPlan;
  const { agreed, pins } = file.job.clock ?? {};
  const kept = planOf(file);
  if (agreed && isShort(file, kept)) {
    const repaired = planOf(asWish(file));
    if (isWorthMoving(file, repaired, kept)) {
      const short = kept.stuck ?? `it leaves ${kept.onTime.minutesInHand} min to spare.`;
      const why = whatGrew(agreed.tasks, repaired.tasks) ?? short;
      const moved = movedWords(movedTasks(agreed.tasks, repaired.tasks), repaired.tasks);
      return withNote(repaired, `The plan used for the day no longer fits: ${why} Repaired here: ${moved}.`);
    }
  }
  if (kept.stuck === undefined || !pins?.length) return kept;
  const { pins: _, ...free } = file.job.clock ?? {};
  const afresh = planOf(asWish({ ...file, job: { ...file.job, clock: free } }));
  return withNote(afresh, `These pins leave no plan: ${kept.stuck} The plan shown here ignores them.`);
}

const withNote = (plan: ClockPlan, broken: string): ClockPlan => ({
  ...plan,
  onTime: { ...plan.onTime, broken },
});

/** The plans of one or several jobs that share people and gear, in their order. */
function planned(worked: readonly WorkedJob[], orders: number): ClockPlan[] {
  const day = dayProblem(worked);
  const search = new DaySearch(day, orders);
  search.run(orders);
  return clockPlans(day, search);
}

/** What a search has found so far, as a plan for each job. */
export function clockPlans(day: DayProblem, search: DaySearch): ClockPlan[] {
  const schedule = search.answer();
  if (!schedule) {
    const stuck = whyStuck(day, search.stuck);
    return day.jobs.map(({ file }) => ({ tasks: [], onTime: nothingYet(file), stuck }));
  }
  const placed = placedTasks(day, search.compiled, schedule);
  return day.jobs.map((job) => clockPlan(job, day, placed));
}

function clockPlan(job: DayJob, day: DayProblem, all: readonly Placed[]): ClockPlan {
  const { axis, problem } = day;
  const { file, access, doors } = job;
  const own = all.filter(({ jobId }) => jobId === file.job.id);
  const at = (id: string) => own.find((one) => one.id === id);
  const ready = (at('sign-off') as Placed).end;
  const out = at('load-out')?.end ?? ready;
  const shifts = new Map(problem.workers.map((worker) => [worker.id, worker.shifts]));
  const limits = {
    isEarly: arrivesEarly(file.job),
    deadline: Math.max(Math.min(job.wanted, access.until), ready),
    accessFrom: access.from,
    // So many minutes before access ends everybody is wanted out.
    accessUntil: Math.max(job.wantedOut, out),
    shiftsOf: (person: string) => shifts.get(person) ?? [],
  };
  // Where the work is done in the workshop itself nobody drives.
  const drive = at('drive-out');
  const part = partOfRound(file, 'set-up');
  const before = (part && placeBefore(part.round, part.at)) ?? null;
  return {
    tasks: inOrder(own.map((one) => toTask(one, job, day, whyOf(one, all, limits)))),
    onTime: {
      ...nothingYet(file),
      doors: axis.iso(doors),
      ready: axis.iso(ready),
      out: axis.iso(out),
      minutesInHand: Math.min(doors - ready, access.until - out),
      benchFrom: axis.iso((at('clean-floor') as Placed).start),
      leaveAt: drive ? axis.iso(drive.start) : null,
      leaveFrom: before,
      leaveBy:
        drive && before === null
          ? drive.gear.filter((id) => !isWagon(id)).map((vehicle) => ({ vehicle, at: axis.iso(drive.start) }))
          : [],
    },
    stuck: undefined,
    ...(ready > doors ? { off: whoIsOff(job, day) } : {}),
  };
}

/** What is known of a job that has no plan. */
const nothingYet = ({ job }: JobFile): OnTime => ({
  doors: job.doors,
  ready: null,
  out: null,
  minutesInHand: null,
  benchFrom: null,
  leaveAt: null,
  leaveFrom: null,
  leaveBy: [],
  chance: null,
  bottleneck: null,
  bound: null,
  broken: null,
});

function toTask(
  { work, start, end, crew, gear, way }: Placed,
  { file }: DayJob,
  { axis }: DayProblem,
  why: Task['why'],
): Task {
  const people = file.workshop.crew.filter(({ id }) => crew.includes(id));
  // Other hands than usual, or of another pace: quick and slow change as the usual does.
  const share = (end - start) / work.minutes;
  return {
    id: work.id,
    label: work.label,
    place: work.place,
    start: axis.iso(start),
    end: axis.iso(end),
    crew,
    gear,
    ...(work.pieceId ? { pieceId: work.pieceId, step: stepOf(work.id, work.pieceId) } : {}),
    ...(work.stage ? { stage: work.stage } : {}),
    ...(work.blows ? { blows: work.blows } : {}),
    after: work.after,
    ...waitsOf(work),
    ...(work.trip ? { trip: work.trip } : {}),
    ...(work.mayBeLeftOut ? { mayBeLeftOut: true } : {}),
    quickS: Math.round(work.spread.quickS * share),
    usualS: Math.round(work.spread.usualS * share),
    slowS: Math.round(work.spread.slowS * share),
    why,
    cautions: work.cautions,
    working: [
      ...(work.withWagons?.[way]?.working ?? work.working),
      ...(work.place === 'road' ? [] : paceOf(people)),
    ],
  };
}

/** Minutes that have to pass after what a task waits for. */
function waitsOf({ after, lags = {} }: Placed['work']): Pick<Task, 'waits'> {
  const waits = after.flatMap((id) => {
    const min = lags[id]?.min ?? 0;
    return min > 0 ? [[id, min] as const] : [];
  });
  return waits.length > 0 ? { waits: Object.fromEntries(waits) } : {};
}

/** By start, and at the same minute as the work runs. */
const inOrder = (tasks: readonly Task[]): Task[] =>
  [...tasks].sort(
    (a, b) => Date.parse(a.start) - Date.parse(b.start) || Date.parse(a.end) - Date.parse(b.end),
  );

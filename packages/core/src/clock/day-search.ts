import { byChain } from '../schedule/by-chain.ts';
import { type Compiled, compile, mirror } from '../schedule/compiled.ts';
import type { Activity, Mode } from '../schedule/problem.ts';
import { type Found, Search } from '../schedule/search.ts';
import { arrivesEarly } from './arrival.ts';
import { freshCost, inHandOf, lateCost, lateOf, limitsOf, OUT_OF_TURN } from './day-cost.ts';
import { inDay } from './day-job.ts';
import type { DayProblem } from './day-problem.ts';
import { turnsOf } from './heaviest.ts';
import { byTime, changesFrom, type EarlierPlan, earlierPlan, waysOf } from './nearest.ts';
import type { Work } from './work.ts';

/** Of the orders tried, at most this share goes into being on time; the rest into being fresh and cheap. */
const ON_TIME_SHARE = 0.5;

/** What a task that is another person's, or at another time, than in the plan before weighs: an hour of pay is 10. */
const CHANGED = 1;

/** What comes after sign-off, or is driven meanwhile: the minutes wanted before doors are not for it. */
const AFTER_SIGN_OFF = new Set(['load-out', 'drive-home', 'drive-off', 'drive-fetch']);

const isOnSite = ({ place }: Work) => place === 'site';
const isFinishing = ({ id, stage }: Work) => id === 'touch-up' || stage === 'fill';

/** Times of all tasks, by number. */
export interface DaySchedule {
  start: Float64Array;
  end: Float64Array;
  crew: Int32Array;
  /** Which of its ways each is done in, where it decides that itself; `Compiled.leader` says who does. */
  modes: Uint8Array;
}

/**
 * The search for a day's plan, a few orders at a time; the best so far can always be had.
 *
 * First forward: everything as early as it goes, until no window is broken and every job has the minutes wanted, or as
 * many as can be found. Then counted back from what that reached: everything as late as it goes.
 */
export class DaySearch {
  readonly compiled: Compiled;
  private readonly day: DayProblem;
  private readonly orders: number;
  private readonly seed: number;
  /** The plan before, if there is one: where the search begins, and what it stays near to. */
  private readonly earlier: EarlierPlan | undefined;
  private readonly early: Search;
  /** Counted back from the best that was found forward, of the cost it had then. */
  private late: { search: Search; compiled: Compiled; from: number } | undefined;
  /** Orders of earlier countings back, from what was found before. */
  private discardedIterations = 0;

  /** @param orders how many are to be tried in all */
  constructor(day: DayProblem, orders: number, seed = 1) {
    this.day = day;
    this.orders = orders;
    this.seed = seed;
    this.compiled = compile(day.problem);
    this.earlier = earlierPlan(day, this.compiled);
    const usual = byChain(this.compiled, turnsOf(day.jobs, this.compiled));
    this.early = new Search(this.compiled, lateCost(day, this.compiled), {
      seed,
      bound: OUT_OF_TURN,
      ...(this.earlier ? asBefore(this.earlier, this.compiled) : { order: usual }),
      hot: 0.003,
      cold: 0.0003,
    });
    if (this.earlier && !this.early.isOver) this.early.offer(usual, new Uint8Array(usual.length));
    // Of several jobs first what is due first: nobody loads for tomorrow before today's is home.
    if (day.jobs.length > 1 && !this.early.isOver)
      this.early.offer(byTime(this.compiled, this.dueTimes()), new Uint8Array(usual.length));
    // Where time is short everybody lends a hand: with the finishing alone, or with all that is done on site.
    for (const helped of [isFinishing, isOnSite])
      if (!this.early.isOver) this.early.offer(this.early.order, this.quickestWays(helped));
    // Jobs that are out at the same hour: each with its share of the wagons.
    if (day.jobs.length > 1 && !this.early.isOver)
      this.early.offer(this.early.order, this.quickestWays(isOnSite, day.jobs.length));
  }

  /** When each task has to be over: the end of its window, that of the strike for a strike. */
  private dueTimes(): Float64Array {
    const due = Float64Array.from(this.compiled.latest);
    for (const { file, work, strike } of this.day.jobs)
      for (const { id, trip } of work)
        if (trip === 'strike') due[this.compiled.ids.indexOf(inDay(file.job.id, id))] = strike.until;
    return due;
  }

  /**
   * For each task of some the way that takes least time, for the others the usual one.
   * @param sharers jobs among which the wagons are shared out
   */
  private quickestWays(isHelped: (work: Work) => boolean, sharers = 1): Uint8Array {
    const { ids, quickest, leader } = this.compiled;
    const works = new Map(
      this.day.jobs.flatMap(({ work, file }) =>
        work.map((one) => [inDay(file.job.id, one.id), one] as const),
      ),
    );
    return Uint8Array.from(quickest, (minutes, i) => {
      const work = works.get(ids[i] as string);
      if (leader[i] !== i || !work) return 0;
      // With the most wagons first, down to none.
      if (work.withWagons) return Math.ceil((minutes.length - 1) * (1 - 1 / sharers));
      return isHelped(work) ? minutes.indexOf(Math.min(...minutes)) : 0;
    });
  }

  get tried(): number {
    return this.early.tried + this.discardedIterations + (this.late?.search.tried ?? 0);
  }

  /** Another word whenever a better plan has been found. */
  get mark(): string {
    return `${this.early.found.cost} ${this.late?.search.found.cost ?? ''}`;
  }

  get isOver(): boolean {
    return this.tried >= this.orders;
  }

  /** The first task that finds no place in any order tried; undefined when there is a plan. */
  get stuck(): string | undefined {
    return this.early.hasSchedule ? undefined : this.early.stuckAt;
  }

  /** Whether every window is kept and every job has the minutes in hand that are wanted. */
  get isAsWanted(): boolean {
    return this.early.isOver;
  }

  /** Minutes by which the best so far leaves its windows, of all jobs together; Infinity where there is no plan. */
  get lateMin(): number {
    if (this.stuck !== undefined) return Infinity;
    const { end } = this.early.found;
    return limitsOf(this.day, this.compiled).reduce((sum, one) => sum + lateOf(one, end), 0);
  }

  /** Minutes to spare of each job in the best so far; -Infinity where there is no plan. */
  inHand(): number[] {
    const { end } = this.early.found;
    return limitsOf(this.day, this.compiled).map((one) =>
      this.stuck === undefined ? inHandOf(one, end) : -Infinity,
    );
  }

  /** Tries so many orders more, none of them counted back: for whether and when, not for how. */
  runForward(orders: number): void {
    if (!this.early.isOver) this.early.run(orders);
  }

  /** Tries so many orders more. */
  run(orders: number): void {
    const until = Math.min(this.tried + orders, this.orders);
    while (this.tried < until) {
      const left = Math.min(until - this.tried, this.orders * ON_TIME_SHARE - this.early.tried);
      if (!this.early.isOver && left >= 1) this.early.run(Math.min(left, 200));
      else {
        if (this.stuck !== undefined) return;
        const { search } = this.backFromBest();
        const before = search.tried;
        search.run(Math.min(until - this.tried, 200));
        putInTurn(search, turnsOf(this.day.jobs, this.compiled));
        if (search.tried === before) return;
      }
    }
  }

  /** The best so far; undefined while nothing has a place. */
  answer(): DaySchedule | undefined {
    if (this.stuck !== undefined) return undefined;
    const { search } = this.backFromBest();
    // Where counting back finds no place for something, what was found forward still stands.
    return search.hasSchedule ? asForward(search.found) : this.early.found;
  }

  /** The search counted back from the best found forward so far; begun anew when that has become better. */
  private backFromBest(): { search: Search; compiled: Compiled } {
    const { cost } = this.early.found;
    if (this.late?.from !== cost) {
      this.discardedIterations += this.late?.search.tried ?? 0;
      this.late = { ...this.countedBack(), from: cost };
    }
    return this.late;
  }

  /** The problem with its deadlines set to what the forward search has reached, gone through from its end. */
  private countedBack(): { search: Search; compiled: Compiled } {
    const { day, early } = this;
    const { found } = early;
    const limits = limitsOf(day, this.compiled);
    const activities = day.problem.activities.map((activity): Activity => ({ ...activity }));
    const settled = new Set<number>();
    /** Stays as it was found: then, those people, that way. */
    const keep = (number: number) => {
      const activity = activities[number] as Activity;
      const leader = this.compiled.leader[number] as number;
      const mode = activity.modes[found.modes[leader] as number] ?? activity.modes[0];
      const bits = found.crew[number] as number;
      activity.earliest = found.start[number] as number;
      activity.latest = found.end[number] as number;
      activity.startBy = undefined;
      activity.who = this.compiled.workers.filter((_, p) => bits & (1 << p));
      activity.modes = activity.modes.map(() => mode) as [Mode, ...Mode[]];
      settled.add(leader);
    };
    for (const [j, { signOff, loadOut, wanted, wantedOut }] of limits.entries()) {
      const job = day.jobs[j] as DayProblem['jobs'][number];
      const reached = found.end[signOff] as number;
      const isEarly = arrivesEarly(job.file.job);
      for (const { id, trip, place } of job.work) {
        const number = this.compiled.ids.indexOf(inDay(job.file.job.id, id));
        const activity = activities[number];
        if (!activity) continue;
        // A strike is done as soon as it may be, not as late.
        // Nor is what is on site, where the crew comes as the house opens: what is free lies after the work.
        const isSoon = trip === 'strike' || (isEarly && place !== 'workshop');
        if (isSoon || activity.startBy !== undefined) keep(number);
        // Access closes for the way out too.
        else if (number === loadOut) activity.latest = Math.max(wantedOut, found.end[loadOut] as number);
        else if (!AFTER_SIGN_OFF.has(id))
          activity.latest = Math.min(activity.latest ?? Infinity, Math.max(wanted, reached));
      }
    }
    const forward = compile({ ...day.problem, activities });
    const compiled = mirror(forward);
    const cost = freshCost(day, forward);
    const scratch = { start: new Float64Array(forward.count), end: new Float64Array(forward.count) };
    const { earlier } = this;
    const order = [...forward.ids.keys()].sort(
      (a, b) =>
        (found.end[b] as number) - (found.end[a] as number) ||
        (found.start[b] as number) - (found.start[a] as number),
    );
    const begin = earlier
      ? { order: byTime(compiled, endsOf(earlier, forward, found.modes)), crew: earlier.crew }
      : { order, crew: found.crew };
    const search = new Search(
      compiled,
      (schedule) => {
        for (let i = 0; i < forward.count; i++) {
          scratch.start[i] = -(schedule.end[i] as number);
          scratch.end[i] = -(schedule.start[i] as number);
        }
        const changes = earlier ? changesFrom(earlier, { ...scratch, crew: schedule.crew }) : 0;
        return cost({ ...schedule, ...scratch }) + CHANGED * changes;
      },
      { seed: this.seed, ...begin, modes: found.modes, settled, hot: 0.005, cold: 0.0003 },
    );
    if (earlier) search.offer(order, found.modes, found.crew);
    // Vehicles that go from one job to the next may need what was found forward, step for step.
    if (!search.hasSchedule) search.offer([...found.order].reverse(), found.modes, found.crew);
    if (!search.hasSchedule) search.offer([...found.order].reverse(), found.modes);
    return { search, compiled };
  }
}

/**
 * Bases that came out of turn exchanged, where that costs nothing else: two of a hundred tasks, which few orders would
 * hit upon. @param search one counted back: what begins first comes last in it
 */
function putInTurn(search: Search, turns: readonly (readonly [heavier: number, lighter: number])[]): void {
  for (const [heavier, lighter] of turns) {
    const { found } = search;
    if (!search.hasSchedule || (found.end[lighter] as number) <= (found.end[heavier] as number)) continue;
    const order = Int32Array.from(found.order);
    const [a, b] = [order.indexOf(heavier), order.indexOf(lighter)];
    order[a] = lighter;
    order[b] = heavier;
    search.offer(order, found.modes, found.crew);
  }
}

/** A plan before, as far as it goes, to begin with. */
const asBefore = (earlier: EarlierPlan, problem: Compiled) => ({
  order: byTime(problem, earlier.start),
  crew: earlier.crew,
  modes: waysOf(earlier, problem),
});

/** When the tasks of an earlier plan end, done as they are now, with time running backwards. */
const endsOf = ({ start }: EarlierPlan, { modes, leader }: Compiled, ways: ArrayLike<number>): Float64Array =>
  start.map((at, i) => -(at + (modes[i]?.[ways[leader[i] as number] as number]?.minutes ?? 0)));

const asForward = ({ start, end, crew, modes }: Found): DaySchedule => ({
  start: end.map((at) => -at),
  end: start.map((at) => -at),
  crew,
  modes,
});

import type { Compiled } from './compiled.ts';
import { Crews } from './crews.ts';
import { Diary } from './diary.ts';
import { Profile } from './profile.ts';

type Mode = Compiled['modes'][number][number];
type Gear = readonly (readonly [kind: number, amount: number])[];

/** Times an order is begun again because something was placed too early for what follows it. */
const MOST_RESTARTS = 60;

/** Everything placed, by number of the activity; or the first activity that found no place. */
export interface Decoded {
  start: Float64Array;
  end: Float64Array;
  /** The people on each, as bits. */
  crew: Int32Array;
  /** -1 when all are placed. */
  stuck: number;
}

/**
 * Serial schedule generation: one activity after the other, in the order given, goes to its first free place. Where a
 * maximum lag or a hold turns out broken, what began too early is kept back and the order is gone through again.
 *
 * Made once for a problem and used for many orders; what it returns is overwritten by the next.
 */
export class Decoder {
  private readonly problem: Compiled;
  private readonly profile: Profile;
  private readonly diaries: Diary[];
  private readonly crews: Crews;
  private readonly out: Decoded;
  private readonly release: Float64Array;
  private readonly placed: Uint8Array;
  /** When somebody or something may become free, ascending. */
  private moments: number[] = [];
  private readonly firstMoments: number[];
  /** Activities that can be at one time only, by that time: they have their places before all others. */
  private readonly fixed: readonly number[];
  private readonly openHolds: Uint8Array;
  private modes: ArrayLike<number> = [];
  /** Minutes that the last place found takes, with the crew found for it. */
  private span = 0;

  constructor(problem: Compiled) {
    this.problem = problem;
    const changes = 2 * (problem.count + problem.holds.length + problem.absences.length) + 2;
    this.profile = new Profile(problem.capacity, 2 * changes);
    this.diaries = problem.shifts.map((shifts, p) => new Diary(shifts, problem.busy[p] ?? [], problem.rest));
    this.crews = new Crews(problem, this.diaries);
    this.out = {
      start: new Float64Array(problem.count),
      end: new Float64Array(problem.count),
      crew: new Int32Array(problem.count),
      stuck: -1,
    };
    this.release = new Float64Array(problem.count);
    const atOneTime = [...problem.modes.keys()].filter((i) => {
      if (problem.startBy[i] === problem.earliest[i]) return true;
      const least = Math.min(...(problem.quickest[i] as readonly number[]));
      return least === (problem.latest[i] as number) - (problem.earliest[i] as number);
    });
    this.fixed = wholeRuns(problem, atOneTime).sort(
      (a, b) => (problem.earliest[a] as number) - (problem.earliest[b] as number),
    );
    this.placed = new Uint8Array(problem.count);
    this.openHolds = new Uint8Array(problem.holds.length);
    this.firstMoments = [
      ...new Set([
        ...problem.shifts.flat().map(([from]) => from),
        ...problem.busy.flat().map(([, to]) => to),
        ...problem.absences.map(({ until }) => until),
      ]),
    ]
      .filter(Number.isFinite)
      .sort((a, b) => a - b);
  }

  /**
   * @param order every activity's number, each after all it waits for
   * @param modes for each activity that decides it, which of its modes
   * @param wish for each activity who is to do it where they are free, as bits; 0 for whoever suits best
   * @param floor nothing starts before
   * @param isStrict whether those wished for do it or nobody does
   */
  decode(
    order: ArrayLike<number>,
    modes: ArrayLike<number>,
    wish: ArrayLike<number>,
    floor = -Infinity,
    isStrict = false,
  ): Decoded {
    this.crews.wish = wish;
    this.crews.isStrict = isStrict;
    this.modes = modes;
    const { earliest } = this.problem;
    for (let i = 0; i < earliest.length; i++) this.release[i] = Math.max(earliest[i] as number, floor);
    for (let turn = 0; turn < MOST_RESTARTS; turn++) {
      const keptBack = this.pass(order);
      if (!keptBack) return this.out;
    }
    if (this.out.stuck < 0) this.out.stuck = order[0] as number;
    return this.out;
  }

  /** Goes through the order once; true where something was kept back, so that it must be gone through again. */
  private pass(order: ArrayLike<number>): boolean {
    const { problem, placed, out } = this;
    this.profile.clear();
    for (const diary of this.diaries) diary.clear();
    for (const { kind, count, from, until } of problem.absences)
      this.profile.take(from, until, [[kind, count]]);
    this.moments = this.firstMoments.slice();
    placed.fill(0);
    this.openHolds.fill(0);
    out.stuck = -1;
    for (const activity of this.fixed) {
      const answer = this.put(activity, this.release[activity] as number);
      if (answer === 'placed') continue;
      out.stuck = activity;
      return false;
    }
    let waiting: number[] | undefined;
    let line: ArrayLike<number> = order;
    while (true) {
      const later: number[] = [];
      let closed = false;
      for (let i = 0; i < line.length; i++) {
        const activity = line[i] as number;
        // Something placed since has let somebody go: those put off have their turn first.
        if (closed && later.length > 0) {
          for (; i < line.length; i++) later.push(line[i] as number);
          break;
        }
        const answer = this.place(activity);
        if (answer === 'again') return true;
        if (answer === 'never') {
          out.stuck = activity;
          return false;
        }
        if (answer === 'later') later.push(activity);
        else if ((problem.closes[activity] as readonly number[]).length > 0) closed = true;
      }
      if (later.length === 0) return false;
      if (waiting && later.length === waiting.length) {
        out.stuck = this.firstWithoutPlace(later);
        return false;
      }
      waiting = later;
      line = later;
    }
  }

  /** Of those that wait, the one that keeps the others waiting: what it waits for is done, and it has to be over first. */
  private firstWithoutPlace(waiting: readonly number[]): number {
    const { before, latest } = this.problem;
    const isNext = (one: number) =>
      (before[one] as Compiled['before'][number]).every(({ to }) => this.placed[to]);
    const next = waiting.filter(isNext);
    const over = (one: number) => latest[one] as number;
    return next.reduce((a, b) => (over(b) < over(a) ? b : a), next[0] ?? (waiting[0] as number));
  }

  private place(activity: number): 'placed' | 'later' | 'again' | 'never' {
    const { problem, release, out } = this;
    if (this.placed[activity]) return 'placed';
    let from = release[activity] as number;
    for (const { to, min } of problem.before[activity] as Compiled['before'][number]) {
      if (!this.placed[to]) return 'later';
      const after = (out.end[to] as number) + min;
      if (after > from) from = after;
    }
    return this.put(activity, from);
  }

  /** Gives it its first place from `from` on, if what it waits for allows that. */
  private put(activity: number, from: number): 'placed' | 'later' | 'again' | 'never' {
    const { problem, release, out } = this;
    const start = this.firstPlace(activity, from);
    if (start === Infinity) return this.isAnythingHeld(activity) ? 'later' : 'never';
    for (const { to, max } of problem.before[activity] as Compiled['before'][number]) {
      if (!this.placed[to] || start <= (out.end[to] as number) + max) continue;
      // That one was done too early for this: it is kept back.
      const span = (out.end[to] as number) - (out.start[to] as number);
      release[to] = start - max - span;
      return (release[to] as number) + span > (problem.latest[to] as number) ? 'never' : 'again';
    }
    const end = start + this.span;
    if (end > (problem.latest[activity] as number) || start > (problem.startBy[activity] as number))
      return 'never';
    return this.settle(activity, start, end) ? 'placed' : 'again';
  }

  /** Whether somebody or something it could use is away with a hold that has not come back yet. */
  private isAnythingHeld(activity: number): boolean {
    const own = this.problem.inside[activity] as number;
    return this.openHolds.some((isOpen, h) => isOpen === 1 && this.problem.holds[h]?.group !== own);
  }

  /** Which of its ways an activity is done in. */
  private wayOf(activity: number): number {
    return this.modes[this.problem.leader[activity] as number] as number;
  }

  /**
   * First start from `from` on at which gear and hands are free; the crew is left in `out`, its minutes in `span`.
   * Infinity if never.
   */
  private firstPlace(activity: number, from: number): number {
    const { problem, profile, moments } = this;
    const way = this.wayOf(activity);
    const { hands } = (problem.modes[activity] as Compiled['modes'][number])[way] as Mode;
    const minutes = (problem.quickest[activity] as readonly number[])[way] as number;
    const gear = this.gearFor(activity);
    this.span = minutes;
    let next = -1;
    let start = from;
    while (true) {
      const fit = profile.fit(start, minutes, gear);
      if (fit === Infinity) return Infinity;
      // What may begin at any time begins with the first shift.
      if (fit === -Infinity) return this.firstPlace(activity, moments[0] ?? 0);
      start = fit;
      const crew =
        hands === 0
          ? 0
          : problem.paced[activity]
            ? this.pacedCrew(activity, way, start, gear)
            : this.crews.free(activity, start, start + minutes, hands);
      if (hands === 0 || crew !== 0) {
        this.out.crew[activity] = crew;
        return start;
      }
      if (start + minutes > (problem.latest[activity] as number)) return Infinity;
      if (next < 0) next = firstAfter(moments, start);
      while (next < moments.length && (moments[next] as number) <= start) next++;
      if (next >= moments.length) return Infinity;
      start = moments[next] as number;
    }
  }

  /** People of differing pace for it, its minutes in `span`; 0 if there are none, or its gear is not free so long. */
  private pacedCrew(activity: number, way: number, start: number, gear: Gear): number {
    const crew = this.crews.paced(activity, way, start);
    this.span = this.crews.span;
    if (crew === 0 || gear.length === 0) return crew;
    return this.profile.fit(start, this.span, gear) === start ? crew : 0;
  }

  /** Gear an activity needs free to start: its own, and what goes away with the hold it opens. */
  private gearFor(activity: number): Gear {
    const own = this.problem.gear[activity] as Gear;
    const opened = this.problem.opens[activity] as readonly number[];
    if (opened.length === 0) return own;
    return [...own, ...opened.flatMap((h) => this.heldGear(h))];
  }

  /** What a hold takes, the way it is done in. */
  private heldGear(hold: number): Gear {
    const { leader, gear } = this.problem.holds[hold] as Compiled['holds'][number];
    return gear[leader < 0 ? 0 : (this.modes[leader] as number)] as Gear;
  }

  /** Enters it everywhere. False where a hold that ends here had somebody or something else in between. */
  private settle(activity: number, start: number, end: number): boolean {
    const { problem, out, diaries, moments } = this;
    out.start[activity] = start;
    out.end[activity] = end;
    this.placed[activity] = 1;
    this.profile.take(start, end, problem.gear[activity] as Gear);
    const crew = out.crew[activity] as number;
    const hold = problem.inside[activity] as number;
    for (let p = 0; p < diaries.length; p++)
      if (crew & (1 << p)) (diaries[p] as Diary).work(start, end, hold);
    if (diaries.length > 0) addMoment(moments, end);
    if (problem.rest && crew) addMoment(moments, end + problem.rest.restMin);
    for (const opened of problem.opens[activity] as readonly number[]) {
      const held = problem.holds[opened] as Compiled['holds'][number];
      this.profile.take(start, Infinity, this.heldGear(opened));
      for (let p = 0; p < diaries.length; p++)
        if (held.who & (1 << p)) (diaries[p] as Diary).leave(opened, held.group, start);
      this.openHolds[opened] = 1;
    }
    return (problem.closes[activity] as readonly number[]).every((closed) => this.close(closed, end));
  }

  private close(closed: number, end: number): boolean {
    const { problem, out, diaries } = this;
    const held = problem.holds[closed] as Compiled['holds'][number];
    const from = out.start[held.from] as number;
    const gear = this.heldGear(closed);
    this.profile.take(end, Infinity, gear, -1);
    this.openHolds[closed] = 0;
    let clash = gear.length > 0 ? this.profile.lastOverfull(from, end) : -Infinity;
    for (let p = 0; p < diaries.length; p++)
      if (held.who & (1 << p)) {
        const diary = diaries[p] as Diary;
        diary.comeBack(closed, end);
        clash = Math.max(clash, diary.lastOther(held.group, from, end));
      }
    if (clash === -Infinity) return true;
    // Somebody was wanted elsewhere in between: all of it waits until that is over.
    this.release[held.from] = Math.max(clash, from + 1);
    return false;
  }
}

/**
 * Of some activities those that begin and end no hold, or a hold of which both ends are among them: who leaves and does
 * not come back, or comes back without having left, would be away from all that is placed after.
 */
function wholeRuns({ opens, closes, holds }: Compiled, some: readonly number[]): number[] {
  let left = [...some];
  while (true) {
    const known = new Set(left);
    const isWhole = (h: number) => {
      const { from, until } = holds[h] as Compiled['holds'][number];
      return known.has(from) && known.has(until);
    };
    const whole = left.filter((i) => [...(opens[i] ?? []), ...(closes[i] ?? [])].every(isWhole));
    if (whole.length === left.length) return whole;
    left = whole;
  }
}

function firstAfter(moments: readonly number[], at: number): number {
  let low = 0;
  let high = moments.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((moments[middle] as number) <= at) low = middle + 1;
    else high = middle;
  }
  return low;
}

function addMoment(moments: number[], at: number): void {
  const place = firstAfter(moments, at);
  if (moments[place - 1] !== at) moments.splice(place, 0, at);
}

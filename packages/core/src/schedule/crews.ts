import type { Compiled } from './compiled.ts';
import type { Diary } from './diary.ts';
import { minutesAt } from './pace.ts';

type Mode = Compiled['modes'][number][number];

/** Chooses who does what, of those whose diaries are free. Sets of people are bits. */
export class Crews {
  /** For each activity who is to do it where they are free; 0 for whoever suits best. */
  wish: ArrayLike<number> = [];
  /** Whether those wished for do it or nobody does, whatever it is. */
  isStrict = false;
  /** Minutes that the last crew takes that was chosen by its pace. */
  span = 0;
  private readonly problem: Compiled;
  private readonly diaries: readonly Diary[];

  constructor(problem: Compiled, diaries: readonly Diary[]) {
    this.problem = problem;
    this.diaries = diaries;
  }

  /**
   * People for what takes as long as their pace makes it, its minutes in `span`; 0 if there are none. Those who are
   * wished for do it or nobody does: waiting for somebody quick may pay. Else the quickest who are free for as long as
   * they take.
   */
  paced(activity: number, way: number, start: number): number {
    const { problem } = this;
    const { hands, minutes } = (problem.modes[activity] as Compiled['modes'][number])[way] as Mode;
    const wish = this.wish[activity] as number;
    const isWished = wish !== 0 && this.isCrew(activity, wish, hands);
    let span = isWished
      ? this.minutesOf(wish, minutes, hands)
      : ((problem.quickest[activity] as readonly number[])[way] as number);
    while (true) {
      const crew = this.free(activity, start, start + span, hands);
      if (crew === 0 || (isWished && crew !== wish)) return 0;
      const takes = this.minutesOf(crew, minutes, hands);
      if (takes <= span) {
        this.span = takes;
        return crew;
      }
      span = takes;
    }
  }

  private minutesOf(crew: number, minutes: number, hands: number): number {
    let paces = 0;
    for (let p = 0; p < this.diaries.length; p++)
      if (crew & (1 << p)) paces += this.problem.pace[p] as number;
    return minutesAt(minutes, hands, paces);
  }

  /** People for it, as bits; 0 if there are not enough. Who is trusted with least goes first, then who idled least. */
  free(activity: number, start: number, end: number, hands: number): number {
    const { problem, diaries } = this;
    const hold = problem.inside[activity] as number;
    const may = problem.who[activity] as number;
    const anyHour = problem.atAnyHour[activity] === 1;
    let free = 0;
    let count = 0;
    for (let p = 0; p < diaries.length; p++)
      if (may & (1 << p) && (diaries[p] as Diary).isFree(start, end, hold, anyHour)) {
        free |= 1 << p;
        count++;
      }
    if (count < hands) return 0;
    for (const opened of problem.opens[activity] as readonly number[]) {
      const needed = problem.holds[opened]?.who ?? 0;
      if ((needed & free) !== needed) return 0;
    }
    const wish = this.wish[activity] as number;
    if (wish !== 0 && this.isCrew(activity, wish, hands)) {
      if ((wish & free) === wish) return wish;
      if (this.isStrict) return 0;
    }
    const isPaced = problem.paced[activity] === 1;
    let crew = 0;
    let left = hands;
    for (const holders of problem.skilled[activity] as readonly number[]) {
      if (crew & holders) continue;
      const one = this.best(free & holders & ~crew, start, isPaced);
      if (one < 0 || left === 0) return 0;
      crew |= 1 << one;
      left--;
    }
    if (count === hands) return free;
    while (left > 0) {
      crew |= 1 << this.best(free & ~crew, start, isPaced);
      left--;
    }
    return crew;
  }

  /** Whether people are as many as it takes and have the skills among them. */
  private isCrew(activity: number, people: number, hands: number): boolean {
    let count = 0;
    for (let left = people; left !== 0; left &= left - 1) count++;
    const skilled = this.problem.skilled[activity] as readonly number[];
    return count === hands && skilled.every((holders) => (holders & people) !== 0);
  }

  /** Of a set of people whoever had the least idle time before, of the quickest where that matters; -1 of none. */
  private best(set: number, start: number, isPaced: boolean): number {
    let found = -1;
    let least = Infinity;
    let most = 0;
    for (let p = 0; p < this.diaries.length; p++) {
      if (!(set & (1 << p))) continue;
      const pace = isPaced ? (this.problem.pace[p] as number) : 1;
      if (pace < most) continue;
      const idle = (this.diaries[p] as Diary).idleBefore(start);
      if (found < 0 || pace > most || idle < least) {
        found = p;
        least = idle;
        most = pace;
      }
    }
    return found;
  }
}

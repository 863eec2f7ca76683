import type { JobFile, Rehearsal } from '@early-lantern/contract';
import {
  asWish,
  type Clash,
  type Culprit,
  type DayPlan,
  isDayWorthMoving,
  shortJobs,
  type WayOut,
} from '@early-lantern/core';

/** Orders tried when the day is opened, and when it was agreed on: then it only has to stand. */
const AT_FIRST = 2_500;
const AGREED = 20;
/** Orders tried to repair a day that was agreed on. */
const REPAIR = 1_500;
/** Days gone through with the plan that was found. */
const DAYS = 2_000;

/** What looks and tries, wherever it runs. */
export interface DayEngine {
  clashes(files: readonly JobFile[]): Promise<Clash[]>;
  plan(
    files: readonly JobFile[],
    orders: number,
    onStep: (tried: number, better: DayPlan | undefined) => boolean,
  ): Promise<unknown>;
  rehearse(files: readonly JobFile[], plan: DayPlan, days: number): Promise<Rehearsal[] | null>;
  culprits(files: readonly JobFile[]): Promise<Culprit[]>;
  ways(
    files: readonly JobFile[],
    culprits: readonly Culprit[],
    onStep: (done: number, of: number, way: WayOut | undefined) => boolean,
  ): Promise<unknown>;
}

/** How far a search for the day has come. */
export interface DayState {
  clashes?: Clash[];
  plan?: DayPlan;
  tried?: number;
  /** Orders to be tried; left out when it is over or was stopped. */
  of?: number;
  culprits?: Culprit[];
  ways?: { found: WayOut[]; done: number; of: number };
  rehearsed?: { plan: DayPlan; outcomes: Rehearsal[] };
  failure?: Error;
}

/** When the jobs of a day were agreed on together; left out where they were not. */
export const agreedAtOf = (files: readonly JobFile[]): string | undefined =>
  files.every(({ job }) => job.clock?.agreed) ? files[0]?.job.clock?.agreed?.at : undefined;

/**
 * The search for a day of several jobs, step by step: what clashes, the best plan, its chances, and where there is none,
 * what cannot be done and the ways out. Whatever begins anew ends what was under way at its next answer.
 */
export class DaySearch {
  private state: DayState = {};
  private round = 0;

  constructor(
    private readonly files: readonly JobFile[],
    private readonly engine: DayEngine,
    private readonly onChange: (state: DayState) => void,
  ) {}

  /** Looks at the jobs for the first time. */
  start(): void {
    this.round += 1;
    void this.engine.clashes(this.files).then((clashes) => this.set({ clashes }), this.fail);
    this.look(agreedAtOf(this.files) ? AGREED : AT_FIRST);
  }

  /** Tries so many orders from where it is. */
  look(orders: number): void {
    this.lookFor(orders, this.newRound()).catch(this.fail);
  }

  /** Ends the search and keeps what was found. */
  stop(): void {
    const isMine = this.newRound();
    const { plan } = this.state;
    if (plan) this.goThrough(plan, isMine).catch(this.fail);
    this.set({ of: undefined, culprits: this.state.culprits ?? [] });
  }

  /** Nobody looks any more. */
  close(): void {
    this.round += 1;
  }

  private newRound(): () => boolean {
    this.round += 1;
    const mine = this.round;
    return () => this.round === mine;
  }

  private set(more: Partial<DayState>): void {
    this.state = { ...this.state, ...more };
    this.onChange(this.state);
  }

  private readonly fail = (failure: Error): void => this.set({ failure });

  private async lookFor(orders: number, isMine: () => boolean): Promise<void> {
    const { files, engine } = this;
    const isAgreed = agreedAtOf(files) !== undefined;
    // What was agreed is where the search begins and what it stays near to, but no law.
    const free = files.map(asWish);
    this.set({ of: orders });
    // A day that was agreed on stands as it is, unless it cannot: then it is repaired.
    let last = await this.search(isAgreed ? files : free, orders, isMine);
    if (isMine() && isAgreed && last && shortJobs(files, last).length > 0) {
      const better = await this.search(free, REPAIR, isMine);
      if (better && isDayWorthMoving(files, better, last)) last = better;
    }
    if (!isMine()) return;
    this.set({ plan: last, tried: last?.tried, of: undefined });
    if (last) await this.goThrough(last, isMine);
    if (!isMine()) return;
    if (!last?.jobs.some(({ broken }) => broken.length > 0)) {
      this.set({ culprits: [] });
      return;
    }
    const culprits = await engine.culprits(free);
    if (!isMine()) return;
    this.set({ culprits });
    await engine.ways(free, culprits, (done, of, way) => {
      if (!isMine()) return false;
      const before = this.state.ways?.found ?? [];
      this.set({ ways: { found: way ? [...before, way] : before, done, of } });
      return true;
    });
  }

  private async search(
    from: readonly JobFile[],
    orders: number,
    isMine: () => boolean,
  ): Promise<DayPlan | undefined> {
    let last: DayPlan | undefined;
    await this.engine.plan(from, orders, (tried, better) => {
      if (!isMine()) return false;
      if (better) last = better;
      this.set({ ...(better ? { plan: better } : {}), tried, of: orders });
      return true;
    });
    return last;
  }

  /** The plan's chances, once nobody looks for a better one. */
  private async goThrough(plan: DayPlan, isMine: () => boolean): Promise<void> {
    const outcomes = await this.engine.rehearse(this.files, plan, DAYS);
    if (isMine()) this.set({ rehearsed: outcomes ? { plan, outcomes } : undefined });
  }
}

import type { JobFile, Rehearsal } from '@early-lantern/contract';
import {
  type Clash,
  type Culprit,
  clashesOf,
  culpritsOf,
  type DayPlan,
  draftPlan,
  loadedRounds,
  placesReloaded,
  planningDay,
  rehearsing,
  type WayOut,
  waysOut,
  workedJob,
} from '@early-lantern/core';
import * as Comlink from 'comlink';

/** Orders between two answers: some tens of milliseconds, so that a stop is heard at once. */
const ORDERS_AT_ONCE = 100;
/** A better plan is told after so long at the soonest: drawing it takes the page a moment. */
const TOLD_EVERY_MS = 700;

const planner = {
  /** What the jobs' own plans, each made as if it were alone, take twice. */
  clashes: (files: JobFile[]): Clash[] => clashesOf(files.map((file) => ({ file, plan: draftPlan(file) }))),
  /**
   * Looks for a plan of all jobs together, telling after some orders how many were tried, and the best so far where it
   * is better than the one told before, at the end in any case.
   * @param goOn false ends it
   */
  async plan(
    files: JobFile[],
    orders: number,
    goOn: (tried: number, plan: DayPlan | undefined) => Promise<boolean>,
  ): Promise<void> {
    const planning = planningDay(files.map(workedJob), orders);
    planning.run(20);
    let told = { mark: planning.mark, at: performance.now() };
    if (!(await goOn(planning.tried, planning.result()))) return;
    while (!planning.isOver) {
      planning.run(ORDERS_AT_ONCE);
      const isNews = planning.mark !== told.mark && performance.now() - told.at > TOLD_EVERY_MS;
      if (isNews) told = { mark: planning.mark, at: performance.now() };
      if (!(await goOn(planning.tried, isNews ? planning.result() : undefined))) return;
    }
    await goOn(planning.tried, planning.result());
  },
  /** A plan of the day gone through so many times; how each job comes out, in their order. */
  rehearse(files: JobFile[], plan: DayPlan, days: number): Rehearsal[] | null {
    const jobs = plan.jobs.flatMap((one) => {
      const file = files.find(({ job }) => job.id === one.jobId);
      return file ? [{ file, plan: one }] : [];
    });
    const going = rehearsing(jobs);
    going?.run(days);
    return going?.results() ?? null;
  },
  loadedRounds,
  placesReloaded,
  /** Which parts of the day cannot all be done. */
  culprits: (files: JobFile[]): Culprit[] => culpritsOf(files.map(workedJob)),
  /**
   * Tries ways out, telling after each attempt how far it is and what it found.
   * @param goOn false ends it
   */
  async ways(
    files: JobFile[],
    culprits: Culprit[],
    goOn: (done: number, of: number, way: WayOut | undefined) => Promise<boolean>,
  ): Promise<void> {
    for (const { done, of, way } of waysOut(files, culprits, workedJob))
      if (!(await goOn(done, of, way))) return;
  },
};

export type DayPlanner = typeof planner;

Comlink.expose(planner);

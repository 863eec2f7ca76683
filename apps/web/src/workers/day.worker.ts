import type { JobFile } from '@early-lantern/contract';
import {
  type Clash,
  type Culprit,
  clashesOf,
  culpritsOf,
  type DayPlan,
  draftPlan,
  planningDay,
  type WayOut,
  waysOut,
  workedJob,
} from '@early-lantern/core';
import * as Comlink from 'comlink';

/** Orders between two answers: some tens of milliseconds, so that a stop is heard at once. */
const ORDERS_AT_ONCE = 100;

const planner = {
  /** What the jobs' own plans, each made as if it were alone, take twice. */
  clashes: (files: JobFile[]): Clash[] => clashesOf(files.map((file) => ({ file, plan: draftPlan(file) }))),
  /**
   * Looks for a plan of all jobs together, telling after some orders the best so far.
   * @param goOn told the best so far; false ends it
   */
  async plan(files: JobFile[], orders: number, goOn: (plan: DayPlan) => Promise<boolean>): Promise<void> {
    const planning = planningDay(files.map(workedJob), orders);
    planning.run(20);
    while ((await goOn(planning.result())) && !planning.isOver) planning.run(ORDERS_AT_ONCE);
  },
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

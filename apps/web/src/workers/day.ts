import type { JobFile, Rehearsal, Round } from '@early-lantern/contract';
import type { Clash, Culprit, DayPlan, WayOut } from '@early-lantern/core';
import * as Comlink from 'comlink';
import type { DayPlanner } from './day.worker.ts';

/** Made when the first day is planned: a worker of its own, so that lamps answer while it searches. */
let planner: Comlink.Remote<DayPlanner> | undefined;

function dayPlanner(): Comlink.Remote<DayPlanner> {
  planner ??= Comlink.wrap<DayPlanner>(
    new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module' }),
  );
  return planner;
}

/** What the jobs' own plans take twice. */
export const findClashes = (files: readonly JobFile[]): Promise<Clash[]> => dayPlanner().clashes([...files]);

/**
 * Looks for a plan of all jobs together; `onStep` hears how many orders were tried, and a plan that is better than the
 * one before, and ends it by answering false.
 */
export const planDay = (
  files: readonly JobFile[],
  orders: number,
  onStep: (tried: number, plan: DayPlan | undefined) => boolean,
) =>
  dayPlanner().plan(
    [...files],
    orders,
    Comlink.proxy(async (tried: number, plan: DayPlan | undefined) => onStep(tried, plan)),
  );

/** How each job of the day comes out when its plan is gone through so many times; null where one has none. */
export const rehearseDay = (
  files: readonly JobFile[],
  plan: DayPlan,
  days: number,
): Promise<Rehearsal[] | null> => dayPlanner().rehearse([...files], plan, days);

/** The rounds of a day's plan with what rides to each of their places, as they are kept with the jobs. */
export const loadedRounds = (
  files: readonly JobFile[],
  { rounds, jobs }: Pick<DayPlan, 'rounds' | 'jobs'>,
): Promise<Round[]> => dayPlanner().loadedRounds([...files], { rounds, jobs });

/** Places of agreed rounds to which other things ride by now than every job of the round shows. */
export const findReloaded = (files: readonly JobFile[]): Promise<string[]> =>
  dayPlanner().placesReloaded([...files]);

/** Which parts of the day cannot all be done in their windows. */
export const findCulprits = (files: readonly JobFile[]): Promise<Culprit[]> =>
  dayPlanner().culprits([...files]);

/** Tries ways out; `onStep` hears how far it is and ends it by answering false. */
export const findWays = (
  files: readonly JobFile[],
  culprits: readonly Culprit[],
  onStep: (done: number, of: number, way: WayOut | undefined) => boolean,
) =>
  dayPlanner().ways(
    [...files],
    [...culprits],
    Comlink.proxy(async (done: number, of: number, way: WayOut | undefined) => onStep(done, of, way)),
  );

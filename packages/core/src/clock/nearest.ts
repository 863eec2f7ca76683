import { type Compiled, inOrder } from '../schedule/compiled.ts';
import type { Decoded } from '../schedule/decode.ts';
import { inDay } from './day-job.ts';
import type { DayProblem } from './day-problem.ts';

/** A plan known before: that of the day agreed on, else the one shown before the last edit. By number of the task. */
export interface EarlierPlan {
  /** Minutes; NaN for what it did not have. */
  start: Float64Array;
  /** People, as bits; 0 for nobody in particular. */
  crew: Int32Array;
}

/** A task that begins so much earlier or later than in the plan before has moved, minutes. */
export const MOVED_MIN = 5;

/** The plan from which the search for a new one begins; undefined where none of the jobs has one. */
export function earlierPlan({ jobs, axis }: DayProblem, problem: Compiled): EarlierPlan | undefined {
  const start = new Float64Array(problem.count).fill(Number.NaN);
  const crew = new Int32Array(problem.count);
  const numbers = new Map(problem.ids.map((id, i) => [id, i]));
  let known = 0;
  for (const { file } of jobs) {
    const { agreed, shown } = file.job.clock ?? {};
    for (const one of agreed?.tasks ?? shown ?? []) {
      const i = numbers.get(inDay(file.job.id, one.task));
      if (i === undefined) continue;
      known++;
      start[i] = axis.minute(one.start);
      crew[i] = problem.workers.reduce((set, id, p) => (one.crew.includes(id) ? set | (1 << p) : set), 0);
    }
  }
  return known > 0 ? { start, crew } : undefined;
}

/**
 * An order that keeps what waits after what it waits for, and else goes by times: what has none comes as soon as what it
 * waits for is through.
 *
 * @param times one for each activity, NaN for those without
 */
export function byTime(problem: Compiled, times: Float64Array): number[] {
  const at = times.slice();
  const order = inOrder(problem);
  const rank = new Int32Array(problem.count);
  for (const [place, i] of order.entries()) {
    rank[i] = place;
    const before = (problem.before[i] as Compiled['before'][number]).map(({ to }) => at[to] as number);
    // Nothing goes before what it waits for, whatever the times say.
    const least = Math.max(...before, -Infinity);
    at[i] = Number.isNaN(at[i]) ? least : Math.max(at[i] as number, least);
  }
  return order.sort(
    (a, b) => compare(at[a] as number, at[b] as number) || (rank[a] as number) - (rank[b] as number),
  );
}

/** Two times that may both be infinite. */
const compare = (a: number, b: number) => (a === b ? 0 : a - b);

/** For each activity the way that takes as many hands as it had; the usual one where none does. */
export function waysOf({ crew }: EarlierPlan, { modes, leader }: Compiled): Uint8Array {
  return Uint8Array.from(modes, (ways, i) => {
    let hands = 0;
    for (let left = crew[i] as number; left !== 0; left &= left - 1) hands++;
    const way = leader[i] === i && hands > 0 ? ways.findIndex((one) => one.hands === hands) : 0;
    return Math.max(0, way);
  });
}

/** How many tasks are another person's than in the plan before, and how many begin at another time. */
export function changesFrom(earlier: EarlierPlan, { start, crew }: Pick<Decoded, 'start' | 'crew'>): number {
  let changes = 0;
  for (let i = 0; i < start.length; i++) {
    const before = earlier.start[i] as number;
    if (Number.isNaN(before)) continue;
    if (crew[i] !== earlier.crew[i]) changes++;
    if (Math.abs((start[i] as number) - before) > MOVED_MIN) changes++;
  }
  return changes;
}

import { type Compiled, inOrder } from './compiled.ts';

/** How much earlier than proven impossible is looked for, halving: enough for five days of minutes. */
const HALVINGS = 14;

/**
 * A lower bound on the end of one activity, from the earliest starts of what comes before it: no schedule ends it
 * sooner. Longest paths, then destructive improvement: an end is assumed, every window closed by it, and refuted where
 * the people or a kind of gear would have to give more than there is of them between two moments (energetic reasoning).
 * Shifts and rests are left out, so the bound stays true with them.
 * @returns -Infinity where nothing before it has an earliest start
 */
export function earliestEnd(problem: Compiled, target: number): number {
  const among = ancestorsOf(problem, target);
  const shortest = problem.modes.map((modes) => Math.min(...modes.map(({ minutes }) => minutes)));
  const head = new Float64Array(problem.count).fill(-Infinity);
  const tail = new Float64Array(problem.count);
  for (const i of inOrder(problem)) {
    head[i] = problem.earliest[i] as number;
    for (const { to, min } of problem.before[i] as Compiled['before'][number])
      head[i] = Math.max(head[i] as number, (head[to] as number) + (shortest[to] as number) + min);
  }
  for (const i of inOrder(problem).reverse()) {
    if (!among.has(i) || i === target) continue;
    for (const { to, min } of problem.after[i] as Compiled['after'][number])
      if (among.has(to))
        tail[i] = Math.max(tail[i] as number, (tail[to] as number) + (shortest[to] as number) + min);
  }
  const byPath = (head[target] as number) + (shortest[target] as number);
  if (byPath === -Infinity) return byPath;
  const work = resourcesOf(problem, [...among]);
  let impossible = byPath - 1;
  let step = 2 ** HALVINGS;
  // Grows while refuted, then halves: what is refuted for an end is refuted for every sooner one.
  for (; step >= 1; step /= 2)
    while (
      impossible + step < byPath + 2 ** HALVINGS &&
      isRefuted(impossible + step, work, head, tail, shortest)
    )
      impossible += step;
  return impossible + 1;
}

function ancestorsOf({ before }: Compiled, target: number): Set<number> {
  const found = new Set([target]);
  for (const one of found) for (const { to } of before[one] as Compiled['before'][number]) found.add(to);
  return found;
}

/** Something there is only so much of, with what each activity takes of it at least, per minute and in all. */
interface Resource {
  capacity: number;
  uses: { activity: number; amount: number; minutes: number }[];
}

function resourcesOf({ modes, who, gear, capacity }: Compiled, among: readonly number[]): Resource[] {
  const people = among
    .filter((i) => (modes[i] as Compiled['modes'][number]).some(({ hands }) => hands > 0))
    .map((i) => {
      // The way that takes least of anybody's time; spread over the minutes of the shortest way.
      const least = Math.min(
        ...(modes[i] as Compiled['modes'][number]).map((mode) => mode.hands * mode.minutes),
      );
      const minutes = Math.min(...(modes[i] as Compiled['modes'][number]).map((mode) => mode.minutes));
      return { activity: i, amount: least / minutes, minutes };
    });
  let everybody = 0;
  for (const { activity } of people) everybody |= who[activity] as number;
  let count = 0;
  for (let left = everybody; left !== 0; left &= left - 1) count++;
  const kinds = [...capacity].map((owned, kind) => ({
    capacity: owned,
    uses: among.flatMap((i) =>
      (gear[i] as Compiled['gear'][number])
        .filter(([k]) => k === kind)
        .map(([, amount]) => ({
          activity: i,
          amount,
          minutes: Math.min(...(modes[i] as Compiled['modes'][number]).map((mode) => mode.minutes)),
        })),
    ),
  }));
  return [{ capacity: count, uses: people }, ...kinds].filter(({ uses }) => uses.length > 0);
}

/** Whether the target cannot end by then. */
function isRefuted(
  end: number,
  resources: readonly Resource[],
  head: Float64Array,
  tail: Float64Array,
  shortest: readonly number[],
): boolean {
  return resources.some(({ capacity, uses }) => {
    const windows = uses.map(({ activity, amount, minutes }) => ({
      from: head[activity] as number,
      to: end - (tail[activity] as number),
      minutes: Math.min(minutes, shortest[activity] as number),
      amount,
    }));
    if (windows.some(({ from, to, minutes }) => to - from < minutes)) return true;
    const froms = [...new Set(windows.map(({ from }) => from))].filter(Number.isFinite);
    const tos = [...new Set(windows.map(({ to }) => to))];
    return froms.some((since) =>
      tos.some((until) => {
        if (until <= since) return false;
        let asked = 0;
        for (const { from, to, minutes, amount } of windows) {
          // Pushed as early as it goes, and as late: what is still between is asked for whatever happens.
          const early = Math.min(from + minutes, until) - Math.max(from, since);
          const late = Math.min(to, until) - Math.max(to - minutes, since);
          const within = Math.min(early, late, minutes, until - since);
          if (within > 0) asked += amount * within;
        }
        return asked > capacity * (until - since) + 1e-6;
      }),
    );
  });
}

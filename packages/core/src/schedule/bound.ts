import { type Compiled, inOrder } from './compiled.ts';

/** No end is looked for later than so long after the longest path, minutes: more than eleven days. */
const MOST_MIN = 2 ** 14;

/**
 * A lower bound on the end of one activity, from the earliest starts of what comes before it: no schedule ends it
 * sooner. Longest paths, then destructive improvement: an end is assumed, every window closed by it, and refuted where
 * the people or a kind of gear would have to give more than there is of them between two moments (energetic reasoning).
 * Shifts and rests are left out, so the bound stays true with them.
 * @returns -Infinity where nothing before it has an earliest start
 */
export function earliestEnd(problem: Compiled, target: number): number {
  const among = ancestorsOf(problem, target);
  const shortest = problem.quickest.map((minutes) => Math.min(...minutes));
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
  const cannot = (end: number) => end < byPath + MOST_MIN && isRefuted(end, work, head, tail);
  let impossible = byPath - 1;
  let step = 1;
  // Doubles while refuted, then halves: what is refuted for an end is refuted for every sooner one.
  for (; cannot(impossible + step); step *= 2) impossible += step;
  for (step /= 2; step >= 1; step /= 2) if (cannot(impossible + step)) impossible += step;
  return impossible + 1;
}

function ancestorsOf({ before }: Compiled, target: number): Set<number> {
  const found = new Set([target]);
  for (const one of found) for (const { to } of before[one] as Compiled['before'][number]) found.add(to);
  return found;
}

/** Something there is only so much of, with the ways in which each activity can take of it, at least. */
interface Resource {
  capacity: number;
  uses: { activity: number; ways: { amount: number; minutes: number }[] }[];
}

function resourcesOf(problem: Compiled, among: readonly number[]): Resource[] {
  const { modes, quickest, who, gear, capacity } = problem;
  const waysOf = (i: number, amountOf: (hands: number) => number) =>
    (modes[i] as Compiled['modes'][number]).map(({ hands }, m) => ({
      amount: amountOf(hands),
      minutes: (quickest[i] as readonly number[])[m] as number,
    }));
  const people = among
    .map((activity) => ({ activity, ways: waysOf(activity, (hands) => hands) }))
    .filter(({ ways }) => ways.some(({ amount }) => amount > 0));
  let everybody = 0;
  for (const { activity } of people) everybody |= who[activity] as number;
  let count = 0;
  for (let left = everybody; left !== 0; left &= left - 1) count++;
  const kinds = [...capacity].map((owned, kind) => ({
    capacity: owned,
    uses: among.flatMap((activity) =>
      (gear[activity] as Compiled['gear'][number])
        .filter(([k]) => k === kind)
        .map(([, amount]) => ({ activity, ways: waysOf(activity, () => amount) })),
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
): boolean {
  return resources.some(({ capacity, uses }) => {
    const windows = uses.map(({ activity, ways }) => {
      const from = head[activity] as number;
      const to = end - (tail[activity] as number);
      return { from, to, ways: ways.filter(({ minutes }) => minutes <= to - from) };
    });
    if (windows.some(({ ways }) => ways.length === 0)) return true;
    const froms = [...new Set(windows.map(({ from }) => from))].filter(Number.isFinite);
    const tos = [...new Set(windows.map(({ to }) => to))];
    const early = Float64Array.from(windows, ({ from }) => from);
    const late = Float64Array.from(windows, ({ to }) => to);
    // Counted loops: this is asked thousands of times for a day.
    for (const since of froms)
      for (const until of tos) {
        if (until <= since) continue;
        const room = capacity * (until - since) + 1e-6;
        let asked = 0;
        for (let i = 0; i < early.length; i++) {
          const [from, to] = [early[i] as number, late[i] as number];
          if (from < until && to > since)
            asked += leastWithin(from, to, (windows[i] as { ways: Way[] }).ways, since, until);
        }
        if (asked > room) return true;
      }
    return false;
  });
}

type Way = Resource['uses'][number]['ways'][number];

/** What is taken between two moments at least, whichever way it is done, pushed as early as it goes and as late. */
function leastWithin(
  from: number,
  to: number,
  ways: Resource['uses'][number]['ways'],
  since: number,
  until: number,
): number {
  let least = Infinity;
  for (let i = 0; i < ways.length; i++) {
    const { amount, minutes } = ways[i] as Way;
    const early = Math.min(from + minutes, until) - Math.max(from, since);
    const late = Math.min(to, until) - Math.max(to - minutes, since);
    const within = early < late ? early : late;
    if (within <= 0) return 0;
    const taken = amount * within;
    if (taken < least) least = taken;
  }
  return least;
}

import type { Mode, Problem, RestRule, Stretch } from './problem.ts';

/** An arc of the network, by the number of the activity at its other end. */
interface Arc {
  to: number;
  min: number;
  max: number;
}

/** A problem in numbers: activities, people and kinds of gear by index, sets of people as bits. */
export interface Compiled {
  count: number;
  ids: readonly string[];
  modes: readonly (readonly Mode[])[];
  /** What each waits for, and what waits for it. */
  before: readonly (readonly Arc[])[];
  after: readonly (readonly Arc[])[];
  earliest: Float64Array;
  latest: Float64Array;
  /** Who may do each, and for each skill it asks for, who has it. */
  who: Int32Array;
  skilled: readonly (readonly number[])[];
  /** `[kind, amount]` of counted gear. */
  gear: readonly (readonly (readonly [number, number])[])[];
  capacity: Int32Array;
  absences: readonly { kind: number; count: number; from: number; until: number }[];
  shifts: readonly (readonly Stretch[])[];
  busy: readonly (readonly Stretch[])[];
  /** 1 for those for which no shift holds. */
  atAnyHour: Uint8Array;
  workers: readonly string[];
  holds: readonly {
    from: number;
    until: number;
    who: number;
    gear: readonly (readonly [number, number])[];
  }[];
  /** The hold each activity is inside of, or -1; the holds it opens, and those it ends. */
  inside: Int32Array;
  opens: readonly (readonly number[])[];
  closes: readonly (readonly number[])[];
  rest: RestRule | undefined;
}

/** More people than bits in a set. */
const MOST_WORKERS = 31;

/**
 * @throws RangeError for an activity that waits for what is not there or for itself, gear of a kind that is not there,
 *   more than 31 people
 */
export function compile(problem: Problem): Compiled {
  const { activities, workers } = problem;
  if (workers.length > MOST_WORKERS) throw new RangeError(`more than ${MOST_WORKERS} people`);
  const indexOf = new Map(activities.map(({ id }, i) => [id, i]));
  const find = (id: string, asker: string) => {
    const found = indexOf.get(id);
    if (found === undefined) throw new RangeError(`"${asker}" comes after "${id}", which does not exist`);
    return found;
  };
  const kinds = Object.keys(problem.gear);
  const gearOf = (gear: Readonly<Record<string, number>>) =>
    Object.entries(gear)
      .filter(([, amount]) => amount > 0)
      .map(([kind, amount]) => {
        const k = kinds.indexOf(kind);
        if (k < 0) throw new RangeError(`no gear of the kind "${kind}"`);
        return [k, amount] as const;
      });
  const bits = (fits: (worker: Problem['workers'][number]) => boolean) =>
    workers.reduce((set, worker, i) => (fits(worker) ? set | (1 << i) : set), 0);

  const before = activities.map(({ id, after }) =>
    after.map(({ id: other, min = 0, max = Infinity }): Arc => ({ to: find(other, id), min, max })),
  );
  const after = activities.map((): Arc[] => []);
  for (const [i, arcs] of before.entries())
    for (const { to, min, max } of arcs) (after[to] as Arc[]).push({ to: i, min, max });
  const inside = new Int32Array(activities.length).fill(-1);
  const opens = activities.map((): number[] => []);
  const closes = activities.map((): number[] => []);
  const holds = (problem.holds ?? []).map((hold, h) => {
    for (const id of hold.inside) inside[find(id, hold.id)] = h;
    const [from, until] = [find(hold.from, hold.id), find(hold.until, hold.id)];
    (opens[from] as number[]).push(h);
    (closes[until] as number[]).push(h);
    return { from, until, who: bits(({ id }) => hold.workers.includes(id)), gear: gearOf(hold.gear) };
  });
  const compiled: Compiled = {
    count: activities.length,
    ids: activities.map(({ id }) => id),
    modes: activities.map(({ modes }) => modes),
    before,
    after,
    earliest: Float64Array.from(activities, ({ earliest = -Infinity }) => earliest),
    latest: Float64Array.from(activities, ({ latest = Infinity }) => latest),
    who: Int32Array.from(activities, ({ who }) => bits(({ id }) => !who || who.includes(id))),
    skilled: activities.map(({ skills }) =>
      skills.map((skill) => bits((worker) => worker.skills.includes(skill))),
    ),
    gear: activities.map(({ gear }) => gearOf(gear)),
    capacity: Int32Array.from(kinds, (kind) => problem.gear[kind] as number),
    absences: (problem.absences ?? []).map(({ kind, count, from, until }) => ({
      kind: kinds.indexOf(kind),
      count,
      from,
      until,
    })),
    shifts: workers.map(({ shifts }) => shifts),
    busy: workers.map(({ busy = [] }) => busy),
    atAnyHour: Uint8Array.from(activities, ({ atAnyHour }) => (atAnyHour ? 1 : 0)),
    workers: workers.map(({ id }) => id),
    holds,
    inside,
    opens,
    closes,
    rest: problem.rest,
  };
  closeWindows(compiled);
  return compiled;
}

/**
 * Windows made as narrow as what must come before and after allows: nothing that is placed within them is placed in
 * vain by path alone.
 */
function closeWindows(problem: Compiled): void {
  const { earliest, latest, before, after, modes } = problem;
  const order = inOrder(problem);
  const shortest = modes.map((ways) => Math.min(...ways.map(({ minutes }) => minutes)));
  const longest = modes.map((ways) => Math.max(...ways.map(({ minutes }) => minutes)));
  for (const i of order)
    for (const { to, min } of before[i] as readonly Arc[])
      earliest[i] = Math.max(
        earliest[i] as number,
        (earliest[to] as number) + (shortest[to] as number) + min,
      );
  for (const i of order.toReversed())
    for (const { to, min, max } of after[i] as readonly Arc[]) {
      latest[i] = Math.min(latest[i] as number, (latest[to] as number) - (shortest[to] as number) - min);
      // What may not come long after it keeps it from being early.
      earliest[i] = Math.max(earliest[i] as number, (earliest[to] as number) - max - (longest[i] as number));
    }
}

/** Activities, each after all it waits for. @throws RangeError where one waits for itself */
export function inOrder({ count, before, after, ids }: Compiled): number[] {
  const open = before.map((arcs) => arcs.length);
  const order = open.flatMap((left, i) => (left === 0 ? [i] : []));
  for (let at = 0; at < order.length; at++)
    for (const { to } of after[order[at] as number] as readonly Arc[]) {
      const left = (open[to] as number) - 1;
      open[to] = left;
      if (left === 0) order.push(to);
    }
  if (order.length < count)
    throw new RangeError(`"${ids[open.findIndex((left) => left > 0)]}" waits for itself`);
  return order;
}

const backwards = (stretches: readonly Stretch[]): Stretch[] =>
  stretches.map(([from, to]) => [-to, -from] as const).reverse();

/** The same problem with time running backwards: what may start early ends late. */
export function mirror(problem: Compiled): Compiled {
  return {
    ...problem,
    before: problem.after,
    after: problem.before,
    earliest: problem.latest.map((at) => -at),
    latest: problem.earliest.map((at) => -at),
    absences: problem.absences.map(({ from, until, ...rest }) => ({ ...rest, from: -until, until: -from })),
    shifts: problem.shifts.map(backwards),
    busy: problem.busy.map(backwards),
    holds: problem.holds.map(({ from, until, ...rest }) => ({ ...rest, from: until, until: from })),
    opens: problem.closes,
    closes: problem.opens,
  };
}

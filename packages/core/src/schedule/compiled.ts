import { minutesAt, pacesOf } from './pace.ts';
import type { Activity, Interval, Mode, Problem, RestRule, Worker } from './problem.ts';

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
  /** Whose way decides each one's: mostly its own. */
  leader: Int32Array;
  /** 1 for those whose minutes depend on who does them; for each way the least minutes it can take, and the most. */
  paced: Uint8Array;
  quickest: readonly (readonly number[])[];
  slowest: readonly (readonly number[])[];
  pace: Float64Array;
  /** What each waits for, and what waits for it. */
  before: readonly (readonly Arc[])[];
  after: readonly (readonly Arc[])[];
  earliest: Float64Array;
  latest: Float64Array;
  startBy: Float64Array;
  /** Who may do each, and for each skill it asks for, who has it. */
  who: Int32Array;
  skilled: readonly (readonly number[])[];
  /** `[kind, amount]` of counted gear. */
  gear: readonly (readonly (readonly [number, number])[])[];
  capacity: Int32Array;
  absences: readonly { kind: number; count: number; from: number; until: number }[];
  shifts: readonly (readonly Interval[])[];
  busy: readonly (readonly Interval[])[];
  /** 1 for those for which no shift holds. */
  atAnyHour: Uint8Array;
  workers: readonly string[];
  holds: readonly {
    from: number;
    until: number;
    who: number;
    /** The first hold of its group: what is inside that one is inside this. */
    group: number;
    /** What it takes, by the way of `leader`. */
    leader: number;
    gear: readonly (readonly (readonly [number, number])[])[];
  }[];
  /** The group of holds each activity is inside of, or -1; the holds it opens, and those it ends. */
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
  const leader = Int32Array.from(activities, ({ id, wayOf }, i) => (wayOf ? find(wayOf, id) : i));
  for (const [i, { id, modes }] of activities.entries())
    if (activities[leader[i] as number]?.modes.length !== modes.length)
      throw new RangeError(`"${id}" has not as many ways as what decides them`);
  const inside = new Int32Array(activities.length).fill(-1);
  const opens = activities.map((): number[] => []);
  const closes = activities.map((): number[] => []);
  const groups = (problem.holds ?? []).map(({ id, group = id }) => group);
  const holds = (problem.holds ?? []).map((hold, h) => {
    const group = groups.indexOf(groups[h] as string);
    for (const id of hold.inside) inside[find(id, hold.id)] = group;
    const [from, until] = [find(hold.from, hold.id), find(hold.until, hold.id)];
    (opens[from] as number[]).push(h);
    (closes[until] as number[]).push(h);
    const own = gearOf(hold.gear);
    const byWay = (hold.gearByWay ?? [{}]).map((more) => [...own, ...gearOf(more)]);
    const who = bits(({ id }) => hold.workers.includes(id));
    return { from, until, who, group, leader: hold.gearByWay ? (leader[from] as number) : -1, gear: byWay };
  });
  const timed = activities.map((activity) => timesOf(activity, workers));
  const compiled: Compiled = {
    count: activities.length,
    ids: activities.map(({ id }) => id),
    modes: timed.map(({ modes }) => modes),
    leader,
    paced: Uint8Array.from(timed, ({ isPaced }) => (isPaced ? 1 : 0)),
    quickest: timed.map(({ quickest }) => quickest),
    slowest: timed.map(({ slowest }) => slowest),
    pace: Float64Array.from(workers, ({ pace = 1 }) => pace),
    before,
    after,
    earliest: Float64Array.from(activities, ({ earliest = -Infinity }) => earliest),
    latest: Float64Array.from(activities, ({ latest = Infinity }) => latest),
    startBy: Float64Array.from(activities, ({ startBy = Infinity }) => startBy),
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

/** What each way can take; where it takes the same whoever does it, that is its time once for all. */
function timesOf(
  { modes, who, isPaced = false }: Activity,
  workers: readonly Worker[],
): { modes: readonly Mode[]; isPaced: boolean; quickest: number[]; slowest: number[] } {
  const paces = workers.filter(({ id }) => !who || who.includes(id)).map(({ pace = 1 }) => pace);
  const times = (which: 'quickest' | 'slowest') =>
    modes.map(({ hands, minutes }) =>
      // Too few for it: it finds no place anyway.
      isPaced && hands <= paces.length ? minutesAt(minutes, hands, pacesOf(paces, hands, which)) : minutes,
    );
  const [quickest, slowest] = [times('quickest'), times('slowest')];
  const isSame = quickest.every((minutes, m) => minutes === slowest[m]);
  return {
    modes: isSame ? modes.map((mode, m) => ({ ...mode, minutes: quickest[m] as number })) : modes,
    isPaced: !isSame,
    quickest,
    slowest,
  };
}

/**
 * Windows made as narrow as what must come before and after allows: nothing that is placed within them is placed in
 * vain by path alone.
 */
function closeWindows(problem: Compiled): void {
  const { earliest, latest, startBy, before, after } = problem;
  const order = inOrder(problem);
  const least = problem.quickest.map((minutes) => Math.min(...minutes));
  const most = problem.slowest.map((minutes) => Math.max(...minutes));
  for (const i of order)
    for (const { to, min } of before[i] as readonly Arc[])
      earliest[i] = Math.max(earliest[i] as number, (earliest[to] as number) + (least[to] as number) + min);
  for (const i of order.toReversed()) {
    latest[i] = Math.min(latest[i] as number, (startBy[i] as number) + (most[i] as number));
    for (const { to, min, max } of after[i] as readonly Arc[]) {
      const starts = Math.min(startBy[to] as number, (latest[to] as number) - (least[to] as number));
      latest[i] = Math.min(latest[i] as number, starts - min);
      // What may not come long after it keeps it from being early.
      earliest[i] = Math.max(earliest[i] as number, (earliest[to] as number) - max - (most[i] as number));
    }
  }
  // What may not come long after something that must be over by then is over soon after.
  for (const i of order)
    for (const { to, max } of before[i] as readonly Arc[])
      latest[i] = Math.min(latest[i] as number, (latest[to] as number) + max + (most[i] as number));
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

const backwards = (stretches: readonly Interval[]): Interval[] =>
  stretches.map(([from, to]) => [-to, -from] as const).reverse();

/** The same problem with time running backwards: what may start early ends late. */
export function mirror(problem: Compiled): Compiled {
  return {
    ...problem,
    before: problem.after,
    after: problem.before,
    earliest: problem.latest.map((at) => -at),
    latest: problem.earliest.map((at) => -at),
    // A start that is due by a moment is no end: who turns time round keeps such things where they are.
    startBy: problem.startBy.map(() => Infinity),
    absences: problem.absences.map(({ from, until, ...rest }) => ({ ...rest, from: -until, until: -from })),
    shifts: problem.shifts.map(backwards),
    busy: problem.busy.map(backwards),
    holds: problem.holds.map(({ from, until, ...rest }) => ({ ...rest, from: until, until: from })),
    opens: problem.closes,
    closes: problem.opens,
  };
}

import type { Stretch } from './calendar.ts';

/** A piece of work to be placed: whole minutes, so many hands at once. */
export interface Activity {
  id: string;
  minutes: number;
  hands: number;
  /** Skills that somebody among the hands must have. */
  skills: readonly string[];
  /** Kinds of counted gear it holds while it lasts, one of each. */
  gear: readonly string[];
  /** Activities that must be over before it starts, by id. */
  after: readonly string[];
  /** It may not start before, nor end after. */
  earliest?: number;
  latest?: number;
}

/** A person: one thing at a time, within their shifts. */
interface Worker {
  id: string;
  skills: readonly string[];
  shifts: readonly Stretch[];
}

export interface Problem {
  activities: readonly Activity[];
  workers: readonly Worker[];
  /** Each piece of counted gear, by kind. */
  gear: Readonly<Record<string, readonly string[]>>;
}

export interface Placing {
  start: number;
  end: number;
  crew: string[];
  gear: string[];
}

export type Schedule =
  | { feasible: true; placings: ReadonlyMap<string, Placing> }
  /** The first activity that found no place, in the order tried last. */
  | { feasible: false; stuck: string };

/** How many priority orders are tried before a problem counts as having no plan here. */
const ORDERS = 16;

/**
 * Everything as late as its limits allow, counted back from the `latest` ends. Of several orders, the one whose first
 * start is latest: what is blown late looks fresh.
 *
 * Serial schedule generation, mirrored: again and again, of the activities whose successors have all been placed, the
 * one with the longest chain of work before it goes to its latest free place. Not proven optimal; every answer
 * respects precedence, windows, shifts, skills, hands and gear.
 */
export function latestSchedule(problem: Problem): Schedule {
  return bestOf(problem, (placings) => Math.min(...[...placings.values()].map((placing) => placing.start)));
}

/** Everything as early as its limits allow; of several orders, the one that is done first. */
export function earliestSchedule(problem: Problem): Schedule {
  const mirrored = bestOf(mirror(problem), (placings) =>
    Math.min(...[...placings.values()].map((placing) => placing.start)),
  );
  if (!mirrored.feasible) return mirrored;
  const placings = new Map(
    [...mirrored.placings].map(([id, placing]) => [
      id,
      { ...placing, start: -placing.end, end: -placing.start },
    ]),
  );
  return { feasible: true, placings };
}

/** The same problem with time running backwards. */
function mirror(problem: Problem): Problem {
  const followers = followersOf(problem.activities);
  return {
    gear: problem.gear,
    workers: problem.workers.map((worker) => ({
      ...worker,
      shifts: worker.shifts.map(([from, to]) => [-to, -from] as const).reverse(),
    })),
    activities: problem.activities.map(({ earliest, latest, ...activity }) => ({
      ...activity,
      after: followers.get(activity.id) ?? [],
      ...(latest === undefined ? {} : { earliest: -latest }),
      ...(earliest === undefined ? {} : { latest: -earliest }),
    })),
  };
}

function followersOf(activities: readonly Activity[]): Map<string, string[]> {
  const followers = new Map(activities.map((activity) => [activity.id, [] as string[]]));
  for (const activity of activities) {
    for (const before of activity.after) {
      const list = followers.get(before);
      if (!list) throw new RangeError(`"${activity.id}" comes after "${before}", which does not exist`);
      list.push(activity.id);
    }
  }
  return followers;
}

function bestOf(problem: Problem, score: (placings: ReadonlyMap<string, Placing>) => number): Schedule {
  const chain = chainBefore(problem.activities);
  let best: Schedule | undefined;
  let bestScore = -Infinity;
  let stuck = '';
  for (let order = 0; order < ORDERS; order++) {
    const attempt = placeBackwards(problem, (activity, index) => priority(order, activity, index, chain));
    if (!attempt.feasible) {
      stuck = attempt.stuck;
      continue;
    }
    const points = problem.activities.length ? score(attempt.placings) : 0;
    if (points > bestScore) {
      best = attempt;
      bestScore = points;
    }
  }
  return best ?? { feasible: false, stuck };
}

/** Longest chain of minutes up to and with each activity. */
function chainBefore(activities: readonly Activity[]): Map<string, number> {
  const byId = new Map(activities.map((activity) => [activity.id, activity]));
  const chain = new Map<string, number>();
  const visiting = new Set<string>();
  const measure = (id: string): number => {
    const known = chain.get(id);
    if (known !== undefined) return known;
    if (visiting.has(id)) throw new RangeError(`"${id}" waits for itself`);
    visiting.add(id);
    const activity = byId.get(id);
    if (!activity) throw new RangeError(`no activity "${id}"`);
    const length = activity.minutes + Math.max(0, ...activity.after.map(measure));
    chain.set(id, length);
    return length;
  };
  for (const activity of activities) measure(activity.id);
  return chain;
}

/** Order 0 goes by the chain alone; 1 by work content; the rest shuffle more and more freely, always alike. */
function priority(
  order: number,
  activity: Activity,
  index: number,
  chain: ReadonlyMap<string, number>,
): number {
  const length = chain.get(activity.id) ?? 0;
  if (order === 0) return length;
  if (order === 1) return activity.minutes * activity.hands;
  const shake = Math.abs(Math.sin((index + 1) * 12.9898 + order * 78.233) * 43758.5453) % 1;
  return length * shake;
}

function placeBackwards(problem: Problem, rank: (activity: Activity, index: number) => number): Schedule {
  const followers = followersOf(problem.activities);
  const ranks = new Map(problem.activities.map((activity, index) => [activity.id, rank(activity, index)]));
  const rankOf = (activity: Activity) => ranks.get(activity.id) as number;
  const placings = new Map<string, Placing>();
  const busy = new Map<string, Placing[]>();
  const waiting = new Set(problem.activities);

  while (waiting.size > 0) {
    let next: Activity | undefined;
    for (const activity of waiting) {
      const free = (followers.get(activity.id) as string[]).every((id) => placings.has(id));
      if (free && (!next || rankOf(activity) > rankOf(next))) next = activity;
    }
    // chainBefore has ruled out circles, so one activity is always free.
    const activity = next as Activity;
    const bound = Math.min(
      activity.latest ?? Infinity,
      ...(followers.get(activity.id) as string[]).map((id) => (placings.get(id) as Placing).start),
    );
    const placing = latestPlace(activity, bound, problem, busy);
    if (!placing) return { feasible: false, stuck: activity.id };
    placings.set(activity.id, placing);
    for (const id of [...placing.crew, ...placing.gear]) {
      const list = busy.get(id);
      if (list) list.push(placing);
      else busy.set(id, [placing]);
    }
    waiting.delete(activity);
  }
  return { feasible: true, placings };
}

/** The latest place that ends by `bound`: an end at the bound itself, at a shift's end or where something else starts. */
function latestPlace(
  activity: Activity,
  bound: number,
  problem: Problem,
  busy: ReadonlyMap<string, readonly Placing[]>,
): Placing | undefined {
  const ends = new Set<number>();
  if (Number.isFinite(bound)) ends.add(bound);
  for (const worker of problem.workers) for (const [, to] of worker.shifts) ends.add(Math.min(to, bound));
  for (const list of busy.values()) for (const placing of list) ends.add(Math.min(placing.start, bound));

  for (const end of [...ends].sort((a, b) => b - a)) {
    const start = end - activity.minutes;
    if (start < (activity.earliest ?? -Infinity)) return undefined;
    const isFree = (id: string) =>
      (busy.get(id) ?? []).every((placing) => placing.end <= start || placing.start >= end);
    const gear = activity.gear.map((kind) => (problem.gear[kind] ?? []).find(isFree));
    if (gear.some((id) => id === undefined)) continue;
    const crew = chooseCrew(
      activity,
      problem.workers.filter(
        (worker) => isFree(worker.id) && worker.shifts.some(([from, to]) => from <= start && end <= to),
      ),
      busy,
      end,
    );
    if (crew) return { start, end, crew, gear: gear as string[] };
  }
  return undefined;
}

/** Those with a skill that is asked for first, then whoever has the least idle time before their next work. */
function chooseCrew(
  activity: Activity,
  free: readonly Worker[],
  busy: ReadonlyMap<string, readonly Placing[]>,
  end: number,
): string[] | undefined {
  if (free.length < activity.hands) return undefined;
  const idle = (worker: Worker) =>
    Math.min(
      Infinity,
      ...(busy.get(worker.id) ?? [])
        .filter((placing) => placing.start >= end)
        .map((placing) => placing.start - end),
    );
  const byIdle = [...free].sort((a, b) => (idle(a) === idle(b) ? 0 : idle(a) - idle(b)));
  const chosen: Worker[] = [];
  for (const skill of activity.skills) {
    if (chosen.some((worker) => worker.skills.includes(skill))) continue;
    const holder = byIdle.find((worker) => worker.skills.includes(skill) && !chosen.includes(worker));
    if (!holder) return undefined;
    chosen.push(holder);
  }
  for (const worker of byIdle) {
    if (chosen.length >= activity.hands) break;
    if (!chosen.includes(worker)) chosen.push(worker);
  }
  return chosen.length === activity.hands ? chosen.map((worker) => worker.id) : undefined;
}

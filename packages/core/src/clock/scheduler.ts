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
  return bestOf(problem);
}

/** Everything as early as its limits allow; of several orders, the one that is done first. */
export function earliestSchedule(problem: Problem): Schedule {
  const mirrored = bestOf(mirror(problem));
  if (!mirrored.feasible) return mirrored;
  const placings = new Map(
    [...mirrored.placings].map(([id, placing]) => [
      id,
      { ...placing, start: -placing.end, end: -placing.start },
    ]),
  );
  return { feasible: true, placings };
}

/**
 * A schedule with everything as late as its end allows: one activity after the other, the last first, goes to its
 * latest free place among all the others. Each can stay where it is, so nothing is lost (right justification).
 */
export function justifiedLate(
  problem: Problem,
  placings: ReadonlyMap<string, Placing>,
): ReadonlyMap<string, Placing> {
  const followers = followersOf(problem.activities);
  const end = Math.max(...[...placings.values()].map((placing) => placing.end));
  const late = new Map(placings);
  const order = [...problem.activities].sort(
    (a, b) => (placings.get(b.id) as Placing).end - (placings.get(a.id) as Placing).end,
  );
  const shiftEnds = problem.workers.flatMap((worker) => worker.shifts.map(([, to]) => to));
  const busy = new Map<string, Placing[]>();
  const hold = (placing: Placing) => {
    for (const id of [...placing.crew, ...placing.gear]) busy.set(id, [...(busy.get(id) ?? []), placing]);
  };
  const letGo = (placing: Placing) => {
    for (const id of [...placing.crew, ...placing.gear])
      busy.set(
        id,
        (busy.get(id) ?? []).filter((one) => one !== placing),
      );
  };
  for (const placing of placings.values()) hold(placing);
  for (const activity of order) {
    const before = late.get(activity.id) as Placing;
    letGo(before);
    const bound = Math.min(
      end,
      activity.latest ?? Infinity,
      ...(followers.get(activity.id) as string[]).map((id) => (late.get(id) as Placing).start),
    );
    // No later place begins anywhere but at its bound, where a shift ends, or where something else begins.
    const moments = [...new Set([...shiftEnds, ...[...late.values()].map(({ start }) => start)])]
      .filter((moment) => moment > before.end)
      .sort((a, b) => b - a);
    const placing = latestPlace(activity, bound, problem, { busy, moments });
    const now = placing && placing.end > before.end ? placing : before;
    hold(now);
    late.set(activity.id, now);
  }
  return late;
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

/** Tries the priority orders until one is as good as any could be, and keeps the best. */
function bestOf(problem: Problem): Schedule {
  const chain = chainBefore(problem.activities);
  const hopeless = closeWindows(problem.activities, chain) ?? overfull(problem);
  if (hopeless) return { feasible: false, stuck: hopeless };
  const bound = Math.min(
    ...problem.activities.map(({ id, latest = Infinity }) => latest - (chain.get(id) as number)),
  );
  const followers = followersOf(problem.activities);
  let best: Schedule | undefined;
  let bestStart = -Infinity;
  let stuck = '';
  for (let order = 0; order < ORDERS && bestStart < bound; order++) {
    const attempt = placeBackwards(problem, followers, inTurn(order, problem.activities, chain), bestStart);
    if (!attempt) continue;
    if (!attempt.feasible) {
      stuck = attempt.stuck;
      continue;
    }
    const start = firstStart(attempt.placings);
    if (!best || start > bestStart) {
      best = attempt;
      bestStart = start;
    }
  }
  return best ?? { feasible: false, stuck };
}

const firstStart = (placings: ReadonlyMap<string, Placing>): number => {
  let first = Infinity;
  for (const placing of placings.values()) first = Math.min(first, placing.start);
  return first;
};

/**
 * An activity whose window is too small for the chain of work before it, whoever does it: then no order need be tried.
 */
function closeWindows(
  activities: readonly Activity[],
  chain: ReadonlyMap<string, number>,
): string | undefined {
  const byChain = [...activities].sort((a, b) => (chain.get(a.id) as number) - (chain.get(b.id) as number));
  const ends = new Map<string, number>();
  for (const activity of byChain) {
    let start = activity.earliest ?? -Infinity;
    for (const before of activity.after) start = Math.max(start, ends.get(before) as number);
    const end = start + activity.minutes;
    if (end > (activity.latest ?? Infinity)) return activity.id;
    ends.set(activity.id, end);
  }
  return undefined;
}

/**
 * The greatest of the activities that must all fall between two moments and ask for more person-minutes than there are
 * between them: then no order need be tried either.
 */
function overfull({ activities, workers }: Problem): string | undefined {
  const shifts = workers.flatMap((worker) => worker.shifts);
  for (const since of new Set(activities.map(({ earliest = -Infinity }) => earliest))) {
    for (const until of new Set(activities.map(({ latest = Infinity }) => latest))) {
      const asking = activities.filter(
        ({ earliest = -Infinity, latest = Infinity }) => earliest >= since && latest <= until,
      );
      const asked = asking.reduce((sum, { minutes, hands }) => sum + minutes * hands, 0);
      const offered = shifts.reduce(
        (sum, [from, to]) => sum + Math.max(0, Math.min(to, until) - Math.max(from, since)),
        0,
      );
      if (asked > offered)
        return asking.reduce((a, b) => (b.minutes * b.hands > a.minutes * a.hands ? b : a)).id;
    }
  }
  return undefined;
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

/** The place of each activity in line, highest priority first. */
function inTurn(
  order: number,
  activities: readonly Activity[],
  chain: ReadonlyMap<string, number>,
): Map<string, number> {
  const ranked = activities.map(
    (activity, index) => [activity.id, priority(order, activity, index, chain)] as const,
  );
  return new Map(ranked.sort((a, b) => b[1] - a[1]).map(([id], place) => [id, place]));
}

/** What is taken so far: by whom and what, and the moments at which something starts or a shift ends, latest first. */
interface Board {
  busy: Map<string, Placing[]>;
  moments: number[];
}

/**
 * Places everything, the last first.
 * @param toBeat given up, with nothing returned, as soon as something starts no later than this
 */
function placeBackwards(
  problem: Problem,
  followers: ReadonlyMap<string, readonly string[]>,
  turn: ReadonlyMap<string, number>,
  toBeat: number,
): Schedule | undefined {
  const placings = new Map<string, Placing>();
  const board: Board = {
    busy: new Map(),
    moments: [...new Set(problem.workers.flatMap((worker) => worker.shifts.map(([, to]) => to)))].sort(
      (a, b) => b - a,
    ),
  };
  const byId = new Map(problem.activities.map((activity) => [activity.id, activity]));
  /** How many of an activity's followers have no place yet. */
  const open = new Map(problem.activities.map(({ id }) => [id, (followers.get(id) as string[]).length]));
  const free = problem.activities.filter(({ id }) => open.get(id) === 0);
  while (free.length > 0) {
    // chainBefore has ruled out circles, so one is always free until all are placed.
    const activity = free.reduce((a, b) => ((turn.get(b.id) as number) < (turn.get(a.id) as number) ? b : a));
    free.splice(free.indexOf(activity), 1);
    let bound = activity.latest ?? Infinity;
    for (const id of followers.get(activity.id) as string[])
      bound = Math.min(bound, (placings.get(id) as Placing).start);
    const placing = latestPlace(activity, bound, problem, board);
    if (!placing) return { feasible: false, stuck: activity.id };
    if (placing.start <= toBeat) return undefined;
    placings.set(activity.id, placing);
    takeUp(board, placing);
    for (const id of activity.after) {
      const left = (open.get(id) as number) - 1;
      open.set(id, left);
      if (left === 0) free.push(byId.get(id) as Activity);
    }
  }
  return { feasible: true, placings };
}

function takeUp({ busy, moments }: Board, placing: Placing): void {
  for (const id of placing.crew) busy.set(id, [...(busy.get(id) ?? []), placing]);
  for (const id of placing.gear) busy.set(id, [...(busy.get(id) ?? []), placing]);
  const at = moments.findIndex((moment) => moment <= placing.start);
  if (at < 0) moments.push(placing.start);
  else if (moments[at] !== placing.start) moments.splice(at, 0, placing.start);
}

/** The latest place that ends by `bound`: at the bound itself, or where a shift ends or something else starts. */
function latestPlace(activity: Activity, bound: number, problem: Problem, board: Board): Placing | undefined {
  if (Number.isFinite(bound)) {
    const placing = placeEnding(activity, bound, problem, board.busy);
    if (placing) return placing;
  }
  for (const end of board.moments) {
    if (end >= bound) continue;
    if (end - activity.minutes < (activity.earliest ?? -Infinity)) return undefined;
    const placing = placeEnding(activity, end, problem, board.busy);
    if (placing) return placing;
  }
  return undefined;
}

/** The activity placed to end just then, if hands, skills and gear are free for it. */
function placeEnding(
  activity: Activity,
  end: number,
  problem: Problem,
  busy: ReadonlyMap<string, readonly Placing[]>,
): Placing | undefined {
  const start = end - activity.minutes;
  if (start < (activity.earliest ?? -Infinity)) return undefined;
  const isFree = (id: string) => {
    for (const placing of busy.get(id) ?? []) if (placing.end > start && placing.start < end) return false;
    return true;
  };
  const gear: string[] = [];
  for (const kind of activity.gear) {
    const item = problem.gear[kind]?.find((id) => !gear.includes(id) && isFree(id));
    if (item === undefined) return undefined;
    gear.push(item);
  }
  const free = problem.workers.filter(
    (worker) => worker.shifts.some(([from, to]) => from <= start && end <= to) && isFree(worker.id),
  );
  if (free.length < activity.hands) return undefined;
  const crew = chooseCrew(activity, free, busy, end);
  return crew && { start, end, crew, gear };
}

/** Those with a skill that is asked for first, then whoever has the least idle time before their next work. */
function chooseCrew(
  activity: Activity,
  free: readonly Worker[],
  busy: ReadonlyMap<string, readonly Placing[]>,
  end: number,
): string[] | undefined {
  const idle = (worker: Worker) => {
    let least = Infinity;
    for (const placing of busy.get(worker.id) ?? []) {
      if (placing.start >= end) least = Math.min(least, placing.start - end);
    }
    return least;
  };
  const byIdle = free
    .map((worker) => ({ worker, idle: idle(worker) }))
    .sort((a, b) => (a.idle === b.idle ? 0 : a.idle - b.idle))
    .map(({ worker }) => worker);
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

import { chainBefore, closeWindows, overfull } from './hopeless.ts';
import {
  type Activity,
  followersOf,
  type Placing,
  type Problem,
  type Schedule,
  type Worker,
} from './problem.ts';

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

/**
 * The best of `ORDERS` priority orders; fewer are tried where one starts as late as the longest chain of work allows.
 * Not the best there is: an order not tried may be better.
 */
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
export function latestPlace(
  activity: Activity,
  bound: number,
  problem: Problem,
  board: Board,
): Placing | undefined {
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

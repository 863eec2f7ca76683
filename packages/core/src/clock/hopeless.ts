import type { Activity, Problem } from './problem.ts';

/**
 * An activity whose window is too small for the chain of work before it, whoever does it: then no order need be tried.
 */
export function closeWindows(
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
export function overfull({ activities, workers }: Problem): string | undefined {
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
export function chainBefore(activities: readonly Activity[]): Map<string, number> {
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

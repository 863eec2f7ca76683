import { followersOf, type Placing, type Problem } from './problem.ts';
import { latestPlace } from './scheduler.ts';

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

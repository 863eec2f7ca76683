import type { Activity, Hold, Mode, Placing, Placings, Problem } from '../schedule/problem.ts';

/** Every rule of a schedule, one by one, minute by minute where that is plainest: written from the rules alone. */
export function breaches(problem: Problem, placings: Placings): string[] {
  const at = (id: string) => placings.get(id) as Placing;
  return [
    ...problem.activities.flatMap((activity) => ownBreaches(activity, problem, at)),
    ...problem.workers.flatMap((worker) => personBreaches(worker.id, problem, at)),
    ...gearBreaches(problem, at),
    ...holdBreaches(problem, at),
  ];
}

type At = (id: string) => Placing;

function ownBreaches(activity: Activity, { workers }: Problem, at: At): string[] {
  const { start, end, crew } = at(activity.id);
  const found: string[] = [];
  const { way } = at(activity.wayOf ?? activity.id);
  const paces = crew.map((id) => workers.find((one) => one.id === id)?.pace ?? 1);
  const meanPace = paces.reduce((sum, pace) => sum + pace, 0) / paces.length;
  const lasts = ({ hands, minutes }: Mode) =>
    activity.isPaced && hands > 0 ? Math.max(1, Math.ceil(minutes / meanPace - 1e-9)) : minutes;
  const ways = way === undefined ? activity.modes : activity.modes.slice(way, way + 1);
  if (!ways.some((mode) => mode.hands === crew.length && lasts(mode) === end - start))
    found.push(`${activity.id}: ${crew.length} hands for ${end - start} minutes is none of its ways`);
  if (start > (activity.startBy ?? Infinity)) found.push(`${activity.id} starts too late`);
  if (start < (activity.earliest ?? -Infinity) || end > (activity.latest ?? Infinity))
    found.push(`${activity.id} leaves its window`);
  for (const { id, min = 0, max = Infinity } of activity.after) {
    const gap = start - at(id).end;
    if (gap < min || gap > max) found.push(`${activity.id} starts ${gap} after ${id}, not ${min} to ${max}`);
  }
  for (const id of crew) {
    if (activity.who && !activity.who.includes(id)) found.push(`${id} may not do ${activity.id}`);
    const shifts = workers.find((one) => one.id === id)?.shifts ?? [];
    const busy = workers.find((one) => one.id === id)?.busy ?? [];
    if (busy.some(([from, to]) => from < end && start < to)) found.push(`${id} is busy elsewhere`);
    if (!activity.atAnyHour && !shifts.some(([from, to]) => from <= start && end <= to))
      found.push(`${id} works off shift`);
  }
  for (const skill of activity.skills)
    if (!crew.some((id) => workers.find((one) => one.id === id)?.skills.includes(skill)))
      found.push(`${activity.id} lacks ${skill}`);
  return found;
}

/** One thing at a time, and a rest in time. */
function personBreaches(person: string, { activities, rest }: Problem, at: At): string[] {
  const found: string[] = [];
  const own = activities
    .map(({ id }) => ({ id, ...at(id) }))
    .filter(({ crew }) => crew.includes(person))
    .sort((a, b) => a.start - b.start);
  let since = own[0]?.start ?? 0;
  let goes = 0;
  for (const [i, one] of own.entries()) {
    const before = own[i - 1];
    if (before && before.end > one.start) found.push(`${person} does ${before.id} and ${one.id} at once`);
    if (before && rest && one.start - before.end >= rest.restMin) {
      since = one.start;
      goes = 0;
    }
    goes += 1;
    if (rest && goes > 1 && one.end - since > rest.afterMin) found.push(`${person} has no rest by ${one.id}`);
  }
  return found;
}

/** Never more taken than there is, counted at every start. */
function gearBreaches({ activities, gear, absences = [], holds = [] }: Problem, at: At): string[] {
  const moments = [...activities.map(({ id }) => at(id).start), ...absences.map(({ from }) => from)];
  return moments.flatMap((moment) =>
    Object.entries(gear).flatMap(([kind, owned]) => {
      const running = (from: number, to: number) => from <= moment && moment < to;
      const taken =
        activities.reduce(
          (sum, one) => sum + (running(at(one.id).start, at(one.id).end) ? (one.gear[kind] ?? 0) : 0),
          0,
        ) +
        holds.reduce(
          (sum, hold) =>
            sum + (running(at(hold.from).start, at(hold.until).end) ? heldOf(hold, kind, at) : 0),
          0,
        );
      const gone = absences.reduce(
        (sum, one) => sum + (one.kind === kind && running(one.from, one.until) ? one.count : 0),
        0,
      );
      // Nothing may be taken while too little is there; nobody need take anything then.
      return taken > 0 && taken + gone > owned
        ? [`${taken + gone} of ${owned} ${kind} taken at ${moment}`]
        : [];
    }),
  );
}

const heldOf = ({ from, gear, gearByWay }: Hold, kind: string, at: At): number =>
  (gear[kind] ?? 0) + (gearByWay?.[at(from).way ?? 0]?.[kind] ?? 0);

/** Who is away with a hold does nothing else meanwhile. */
function holdBreaches({ activities, holds = [] }: Problem, at: At): string[] {
  return holds.flatMap((hold) => {
    const [from, to] = [at(hold.from).start, at(hold.until).end];
    return activities
      .filter(({ id }) => !hold.inside.includes(id))
      .filter(
        ({ id }) =>
          at(id).start < to && from < at(id).end && at(id).crew.some((one) => hold.workers.includes(one)),
      )
      .map(({ id }) => `${id} takes somebody who is away with ${hold.id}`);
  });
}

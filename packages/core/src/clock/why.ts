import type { Why } from '@early-lantern/contract';
import type { Activity, Placing, Problem } from './problem.ts';

/** A moment that must not be passed, or not come before. */
interface Limits {
  /** Sign-off with the wanted minutes in hand, or the close of access. */
  deadline: number;
  accessFrom: number;
}

/**
 * Why an activity stands where it does. The plan is pushed late, so first what keeps it from being later: something
 * that must come after it, one of its people or its gear wanted elsewhere, the deadline, the end of a shift. Where
 * nothing does, what keeps it from being earlier: what it waits for, who was busy, access, the start of a shift.
 * @param placings every activity's place; `activity` has one
 */
export function whyOf(
  activity: Activity,
  placings: ReadonlyMap<string, Placing>,
  problem: Problem,
  { deadline, accessFrom }: Limits,
): Why {
  const own = placings.get(activity.id) as Placing;
  const others = problem.activities.filter(({ id }) => id !== activity.id);
  const at = (id: string) => placings.get(id) as Placing;
  const follower = others.find(({ id, after }) => after.includes(activity.id) && at(id).start === own.end);
  if (follower) return { kind: 'before', ref: follower.id };
  const claimed = (when: (placing: Placing) => boolean) =>
    others.flatMap(({ id }) => {
      const placing = at(id);
      if (!when(placing)) return [];
      const shared = [...own.crew, ...own.gear].find((one) =>
        [...placing.crew, ...placing.gear].includes(one),
      );
      return shared ? [{ task: id, shared }] : [];
    })[0];
  const kindOf = (shared: string) => (own.crew.includes(shared) ? 'person' : 'gear');
  const wanted = claimed(({ start }) => start === own.end);
  if (wanted) return { kind: kindOf(wanted.shared), ref: wanted.shared, task: wanted.task };
  if (own.end === Math.min(deadline, activity.latest ?? Infinity)) return { kind: 'deadline', ref: 'doors' };
  const shiftOf = (pick: (shift: readonly [number, number]) => boolean) =>
    problem.workers.find(({ id, shifts }) => own.crew.includes(id) && shifts.some(pick))?.id;
  const goesHome = shiftOf(([, to]) => to === own.end);
  if (goesHome) return { kind: 'shift', ref: goesHome };
  const waited = activity.after.find((id) => at(id).end === own.start);
  if (waited) return { kind: 'after', ref: waited };
  const busy = claimed(({ end }) => end === own.start);
  if (busy) return { kind: kindOf(busy.shared), ref: busy.shared, task: busy.task };
  if (own.start === (activity.earliest ?? Number.NaN) || own.start === accessFrom)
    return { kind: 'access', ref: 'access' };
  const comes = shiftOf(([from]) => from === own.start);
  return comes ? { kind: 'shift', ref: comes } : { kind: 'free', ref: '' };
}

import type { Why } from '@early-lantern/contract';
import type { Interval } from '../schedule/problem.ts';
import type { Placed } from './placed.ts';

/** A moment that must not be passed, or not come before. */
interface Limits {
  /** The crew comes as the house opens: what is on site is done as early as it goes. */
  isEarly: boolean;
  /** Sign-off with the wanted minutes in hand, or the close of access. */
  deadline: number;
  accessFrom: number;
  /** Everybody out with the wanted minutes to spare before access ends, or as late as that can be done. */
  accessUntil: number;
  shiftsOf: (person: string) => readonly Interval[];
}

/**
 * Why a task stands where it does. A pin says so itself. The plan is pushed late, so then what keeps it from being
 * later: something that must come after it, one of its people or its gear wanted elsewhere, the deadline, the end of a
 * shift. Where nothing does, what keeps it from being earlier: what it waits for, who was busy, access, the start of a
 * shift. For what is done as early as it goes (a strike, all on site where the crew comes as the house opens), the
 * other way round.
 * @param all every task of the day, those of other jobs with it
 */
export function whyOf(one: Placed, all: readonly Placed[], limits: Limits): Why {
  if (one.isPinned) return { kind: 'pin', ref: one.id };
  const later = () => notLater(one, all, limits);
  const earlier = () => notEarlier(one, all, limits);
  const isEarly = one.work.trip === 'strike' || (limits.isEarly && one.work.place !== 'workshop');
  const found = isEarly ? (earlier() ?? later()) : (later() ?? earlier());
  return found ?? { kind: 'free', ref: '' };
}

function notLater(one: Placed, all: readonly Placed[], limits: Limits): Why | undefined {
  const { deadline, accessUntil, shiftsOf } = limits;
  const follower = all.find(
    ({ jobId, work, start }) =>
      jobId === one.jobId &&
      work.after.includes(one.id) &&
      !followsAtOnce(one, work) &&
      start - (work.lags?.[one.id]?.min ?? 0) === one.end,
  );
  if (follower) return { kind: 'before', ref: follower.id };
  const wanted = claimed(one, all, ({ start }) => start === one.end);
  if (wanted) return wanted;
  if (one.work.trip !== 'strike' && one.end === Math.min(deadline, one.latest ?? Infinity))
    return { kind: 'deadline', ref: 'doors' };
  // What follows it at once has to be over by the close of access.
  const closes = all.some(
    ({ jobId, work, end }) =>
      jobId === one.jobId &&
      work.after.includes(one.id) &&
      followsAtOnce(one, work) &&
      work.trip !== 'strike' &&
      end === accessUntil,
  );
  if (closes) return { kind: 'deadline', ref: 'access' };
  const goesHome = one.crew.find((id) => shiftsOf(id).some(([, to]) => to === one.end));
  return goesHome ? { kind: 'shift', ref: goesHome } : undefined;
}

function notEarlier(one: Placed, all: readonly Placed[], { accessFrom, shiftsOf }: Limits): Why | undefined {
  const waited = all.find(
    ({ jobId, id, end }) =>
      jobId === one.jobId &&
      one.work.after.includes(id) &&
      end + (one.work.lags?.[id]?.min ?? 0) === one.start,
  );
  if (waited) return { kind: 'after', ref: waited.id };
  const busy = claimed(one, all, ({ end }) => end === one.start);
  if (busy) return busy;
  if (one.start === one.earliest || one.start === accessFrom)
    return one.work.trip === 'strike' ? { kind: 'access', ref: 'strike' } : { kind: 'access', ref: 'access' };
  const comes = one.crew.find((id) => shiftsOf(id).some(([from]) => from === one.start));
  return comes ? { kind: 'shift', ref: comes } : undefined;
}

/** What follows without a wait says nothing of a task: both could be later. */
const followsAtOnce = (one: Placed, { lags }: Placed['work']) => lags?.[one.id]?.max !== undefined;

/** Somebody or something of its own that another task takes just then. */
function claimed(one: Placed, all: readonly Placed[], when: (other: Placed) => boolean): Why | undefined {
  for (const other of all) {
    if (other === one || !when(other) || followsAtOnce(one, other.work)) continue;
    const person = one.crew.find((id) => other.crew.includes(id));
    const shared = person ?? one.gear.find((id) => other.gear.includes(id));
    if (shared) return { kind: person ? 'person' : 'gear', ref: shared, task: other.id };
  }
  return undefined;
}

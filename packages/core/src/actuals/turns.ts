import type { PersonId, Plan, Task } from '@early-lantern/contract';
import { isOver } from './done-at.ts';
import { type Happened, isDone } from './happened.ts';

/** What somebody does now and afterwards. */
export interface Turn {
  /** Undefined where all is done. */
  now: Task | undefined;
  /** They are on it already. */
  isGoing: boolean;
  /** What it waits for, nearest first; empty where it may begin. */
  waitsFor: Task[];
  /** What comes after it, in order. */
  next: Task[];
}

const byStart = (one: Task, other: Task) => Date.parse(one.start) - Date.parse(other.start);

/** The tasks of one person, of all of them where nobody is named, by their planned beginning. What goes by itself is nobody's. */
export const tasksOf = ({ tasks }: Pick<Plan, 'tasks'>, person: PersonId | null): Task[] =>
  tasks.filter(({ crew }) => (person === null ? crew.length > 0 : crew.includes(person))).sort(byStart);

/**
 * Whose turn it is for what: a task that somebody is on already; else their first, or, while that one waits for something, the first
 * after it at the same place that does not: nobody sets out for the strike because a colleague still cleans the floor.
 *
 * @param nowMs ms since 1970
 */
export function turnOf(plan: Pick<Plan, 'tasks'>, happened: Happened, person: PersonId, nowMs: number): Turn {
  const open = tasksOf(plan, person).filter(({ id }) => !isDone(happened, id));
  const isOn = ({ id }: Task) =>
    happened.tasks.get(id)?.spells.some((spell) => spell.person === person && spell.untilMs === null) ??
    false;
  const going = open.find(isOn);
  const [first] = open;
  const stretch = open.filter(({ place, trip }) => place === first?.place && trip === first?.trip);
  const now = going ?? stretch.find((task) => openBefore(plan, happened, task, nowMs).length === 0) ?? first;
  return {
    now,
    isGoing: going !== undefined,
    waitsFor: now && !going ? openBefore(plan, happened, now, nowMs) : [],
    next: open.filter((task) => task !== now),
  };
}

/** Tasks right before a task that are not over, by their planned beginning. */
export const openBefore = (
  plan: Pick<Plan, 'tasks'>,
  happened: Happened,
  task: Task,
  nowMs: number,
): Task[] =>
  plan.tasks
    .filter((one) => task.after.includes(one.id) && !isOver(plan, happened, one, nowMs))
    .sort(byStart);

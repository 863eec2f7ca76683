import type { Plan, Task } from '@early-lantern/contract';
import { type Happened, isDone } from './happened.ts';

const MIN_MS = 60_000;

/**
 * When a task is over, ms: as it was ticked. What nobody does, as glue that takes its hour, is over by itself so long after what it
 * waits for; null while that is not done.
 */
export function doneAtMs(plan: Pick<Plan, 'tasks'>, happened: Happened, task: Task): number | null {
  const record = happened.tasks.get(task.id);
  if (record?.state === 'done') return record.untilMs;
  if (task.crew.length > 0) return null;
  const before = task.after.map((id) => {
    const one = plan.tasks.find((other) => other.id === id);
    const at = one ? doneAtMs(plan, happened, one) : 0;
    return at === null ? null : at + (task.waits?.[id] ?? 0) * MIN_MS;
  });
  const known = before.filter((at) => at !== null);
  if (known.length < before.length || known.length === 0) return null;
  return Math.max(...known) + Date.parse(task.end) - Date.parse(task.start);
}

/** Whether a task is over by now; ticked it is, whatever a clock says. @param nowMs ms since 1970 */
export function isOver(plan: Pick<Plan, 'tasks'>, happened: Happened, task: Task, nowMs: number): boolean {
  if (isDone(happened, task.id)) return true;
  const at = doneAtMs(plan, happened, task);
  return at !== null && at <= nowMs;
}

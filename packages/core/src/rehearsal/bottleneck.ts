import type { Plan, Rehearsal } from '@early-lantern/contract';

/**
 * The work that decides most often when the job is done: of the tasks that did so in the rehearsed days, the longest by
 * its share. Steps that close every day, like the sign-off, are left out.
 * @returns the task's id; null where nothing was rehearsed
 */
export function bottleneckOf({ tasks }: Pick<Plan, 'tasks'>, rehearsal: Rehearsal | null): string | null {
  const weights = (rehearsal?.byTask ?? []).flatMap(({ id, share }) => {
    const task = tasks.find((one) => one.id === id);
    return task && !ALWAYS.has(id) ? [{ id, weight: share * task.usualS }] : [];
  });
  return weights.sort((a, b) => b.weight - a.weight)[0]?.id ?? null;
}

const ALWAYS = new Set(['clean-floor', 'step-back', 'touch-up', 'look-again', 'sign-off']);

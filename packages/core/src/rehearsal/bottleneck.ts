import type { Plan, Rehearsal } from '@early-lantern/contract';

/** What decides on nearly every day, like the drive, says little: the task that could be another. */
const NEARLY_ALWAYS = 0.98;

/**
 * The work that decides most often when the job is done: of the tasks that did so in some of the rehearsed days but not
 * in all, the longest by its share; where all of them always did, of those on site. Steps that close every day, like the
 * sign-off, are left out.
 * @returns the task's id; null where nothing was rehearsed
 */
export function bottleneckOf({ tasks }: Pick<Plan, 'tasks'>, rehearsal: Rehearsal | null): string | null {
  const weights = (rehearsal?.byTask ?? []).flatMap(({ id, share }) => {
    const task = tasks.find((one) => one.id === id);
    return task && !ALWAYS.has(id) ? [{ id, share, place: task.place, weight: share * task.usualS }] : [];
  });
  const heaviest = (some: typeof weights) => [...some].sort((a, b) => b.weight - a.weight)[0]?.id;
  return (
    heaviest(weights.filter(({ share }) => share < NEARLY_ALWAYS)) ??
    heaviest(weights.filter(({ place }) => place === 'site')) ??
    null
  );
}

const ALWAYS = new Set(['clean-floor', 'step-back', 'touch-up', 'look-again', 'sign-off']);

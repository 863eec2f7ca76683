import type { PhotoMoment, Plan, Task } from '@early-lantern/contract';
import { type Happened, isDone } from './happened.ts';

/**
 * What is to be seen on a photo that is taken now: a place before anything hangs there, pieces that stand, or a place from which all is
 * gone again. Marks on a wall that were there before are nobody's fault.
 *
 * @param task that whoever takes it is at; undefined where they are at none
 */
export function photoMoment(plan: Plan, happened: Happened, task: Task | undefined): PhotoMoment {
  if (task?.id === BEFORE) return 'before';
  const apart = plan.tasks.filter(({ trip, pieceId }) => trip === 'strike' && pieceId);
  if (task?.id === AFTER || (apart.length > 0 && apart.every(({ id }) => isDone(happened, id))))
    return 'after';
  const raised = plan.tasks.some(
    ({ id, stage, place }) => place === 'site' && stage && happened.tasks.has(id),
  );
  return raised || task?.stage ? 'standing' : 'before';
}

/** Tasks of the clock in which places are photographed. */
const BEFORE = 'photograph-before';
const AFTER = 'look-over';

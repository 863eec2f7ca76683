import type { ClockChoices, JobHead, Pin, Task } from '@early-lantern/contract';

/** A job's head with its choices about the clock changed; empty lists are left out. */
export function withChoices(head: JobHead, change: (choices: ClockChoices) => ClockChoices): JobHead {
  const { clock: _, ...rest } = head;
  const clock = change(head.clock ?? {});
  const kept = Object.fromEntries(
    Object.entries(clock).filter(
      ([, value]) => !(Array.isArray(value) && value.length === 0) && value !== undefined,
    ),
  ) as ClockChoices;
  return Object.keys(kept).length > 0 ? { ...rest, clock: kept } : rest;
}

/** Pins a task: to a start, to people, or to both; what was pinned of it before stays. */
export function pinned(choices: ClockChoices, task: string, to: Omit<Pin, 'task'>): ClockChoices {
  const before = choices.pins?.find((pin) => pin.task === task);
  return {
    ...unfrozen(choices),
    pins: [...(choices.pins ?? []).filter((pin) => pin.task !== task), { ...before, ...to, task }],
  };
}

/** A plan that was agreed for the day is no longer that when a task of it is moved by hand. */
const unfrozen = ({ agreed: _, ...choices }: ClockChoices): ClockChoices => choices;

/** Everything chosen about a task let go. */
export const letGo = (choices: ClockChoices, task: string): ClockChoices => ({
  ...choices,
  pins: choices.pins?.filter((pin) => pin.task !== task),
  keptOff: choices.keptOff?.filter((one) => one.task !== task),
  splits: choices.splits?.filter((one) => one.task !== task),
  orders: choices.orders?.filter((one) => one.next !== task),
});

/** Puts a task after another. */
export const ordered = (choices: ClockChoices, first: string, next: string): ClockChoices => ({
  ...unfrozen(choices),
  orders: [
    ...(choices.orders ?? []).filter((one) => one.first !== first || one.next !== next),
    { first, next },
  ],
});

/** Leaves a step out of this job; what was chosen about it goes with it. */
export const leftOut = (choices: ClockChoices, task: string): ClockChoices => ({
  ...unfrozen(letGo(choices, task)),
  leftOut: [...(choices.leftOut ?? []).filter((one) => one !== task), task],
});

/** Takes a step that was left out back into the job. */
export const putBack = (choices: ClockChoices, task: string): ClockChoices => ({
  ...unfrozen(choices),
  leftOut: choices.leftOut?.filter((one) => one !== task),
});

/** Keeps every task that begins by then as it stands: what is past, or settled, is not moved any more. */
export const lockedUpTo = (choices: ClockChoices, tasks: readonly Task[], start: string): ClockChoices =>
  tasks
    .filter((one) => Date.parse(one.start) <= Date.parse(start))
    .reduce(
      (all, { id, start, crew }) => pinned(all, id, { start, ...(crew.length > 0 ? { crew } : {}) }),
      choices,
    );

/** Keeps a person off a task. */
export const keptOff = (choices: ClockChoices, task: string, person: string): ClockChoices => ({
  ...unfrozen(choices),
  keptOff: [
    ...(choices.keptOff ?? []).filter((one) => one.task !== task || one.person !== person),
    { task, person },
  ],
});

/** Cuts a task into goes. */
export const split = (choices: ClockChoices, task: string, parts: number): ClockChoices => ({
  ...unfrozen(choices),
  splits: [...(choices.splits ?? []).filter((one) => one.task !== task), { task, parts }],
});

/** What is chosen about a task: of a part of a split task, what is chosen of the whole. */
export function chosenOf(choices: ClockChoices | undefined, task: string) {
  const whole = task.split('~')[0] as string;
  return {
    pin: choices?.pins?.find((pin) => pin.task === task),
    keptOff: (choices?.keptOff ?? []).filter((one) => one.task === task).map(({ person }) => person),
    parts: choices?.splits?.find((one) => one.task === whole)?.parts,
    after: (choices?.orders ?? []).filter((one) => one.next === task).map(({ first }) => first),
  };
}

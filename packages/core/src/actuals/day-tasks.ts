import type { ColourId } from '@early-lantern/contract';

/** How tasks are called that are none of the plan: of a fault by the entry that tells it, of what popped by how many of a product had by then. */
const MEND = 'mend ';
const TOP_UP = 'top-up ';

/** The task that mends the fault of an entry. */
export const mendingTask = (entryId: string): string => `${MEND}${entryId}`;

/** Whether a task is none of the plan: somebody saw on the day that it is wanted. */
export const isMending = (task: string): boolean => task.startsWith(MEND) || task.startsWith(TOP_UP);

/** Whether it mends a fault that was seen. */
export const isFaultTask = (task: string): boolean => task.startsWith(MEND);

/** The task of putting in anew what popped of a product, up to so many of all that did. */
export const topUpTask = (nominalIn: number, colour: ColourId, upTo: number): string =>
  `${TOP_UP}${nominalIn} ${colour} ${upTo}`;

/**
 * How many of what popped is put in anew: all up to the last of such tasks that is done, and what was told by itself afterwards.
 *
 * @param done when each task was done that is, ms, by its id
 * @param told what was told by itself
 */
export function toppedUpOf(
  { nominalIn, colour }: { nominalIn: number; colour: ColourId },
  done: ReadonlyMap<string, number>,
  told: readonly { atMs: number; count: number }[],
): number {
  const upTo = upTos(nominalIn, colour, done.keys()).at(-1) ?? 0;
  const sinceMs = done.get(topUpTask(nominalIn, colour, upTo)) ?? -Infinity;
  return told.filter(({ atMs }) => atMs > sinceMs).reduce((sum, { count }) => sum + count, upTo);
}

/** Up to how many each of a product's tasks puts in, rising. */
export function upTos(nominalIn: number, colour: ColourId, tasks: Iterable<string>): number[] {
  const start = `${TOP_UP}${nominalIn} ${colour} `;
  return [...tasks]
    .flatMap((id) => (id.startsWith(start) ? [Number(id.slice(start.length))] : []))
    .sort((one, other) => one - other);
}

/** What a task puts in anew; undefined where it is none of that kind. */
export function topUpOf(task: string): { nominalIn: number; colour: ColourId } | undefined {
  const [, nominalIn, colour] = /^top-up (\S+) (\S+) \d+$/.exec(task) ?? [];
  return nominalIn && colour ? { nominalIn: Number(nominalIn), colour } : undefined;
}

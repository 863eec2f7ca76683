import type { JobFile } from '@early-lantern/contract';

/**
 * What may be taken in the place of a piece of gear that is not here: any other inflator, as a task is reckoned with the slowest of
 * them; any ladder that one may stand on as high and that bears as much.
 *
 * @param gone what else is not here
 */
export function otherGear(
  id: string,
  { workshop: { inflators, ladders = [] } }: Pick<JobFile, 'workshop'>,
  gone: ReadonlySet<string>,
): string[] {
  const isHere = (other: { id: string }) => other.id !== id && !gone.has(other.id);
  if (inflators.some((one) => one.id === id)) return inflators.filter(isHere).map((one) => one.id);
  const ladder = ladders.find((one) => one.id === id);
  return ladder
    ? ladders
        .filter((one) => isHere(one) && one.standM >= ladder.standM && one.dutyKg >= ladder.dutyKg)
        .map((one) => one.id)
    : [];
}

/** Whether a task takes what it was to take. */
export const isSameGear = (planned: readonly string[], taken: readonly string[]): boolean =>
  planned.length === taken.length && planned.every((id) => taken.includes(id));

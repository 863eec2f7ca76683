import type { JobFile, Task } from '@early-lantern/contract';
import type { Happened } from './happened.ts';

/** A look lasts for a work shift, taken to be so long, ms: at the strike somebody looks again. Common practice, no source. */
const GOOD_FOR_MS = 12 * 60 * 60 * 1000;

/** A ladder that a task takes and that nobody has found sound lately. */
export interface LadderToCheck {
  id: string;
  name: string;
  /** Somebody has said that it is not to be climbed. */
  isRefused: boolean;
}

/**
 * The ladders to be looked over before a task is begun: each before its first use in a shift (OSHA 29 CFR 1910.23(b)(9)), and out of use
 * where it has a defect (29 CFR 1926.1053(b)(16)); both from memory.
 *
 * @param nowMs ms since 1970
 */
export function laddersToCheck(
  { gear }: Pick<Task, 'gear'>,
  { workshop }: Pick<JobFile, 'workshop'>,
  { ladders }: Pick<Happened, 'ladders'>,
  nowMs: number,
): LadderToCheck[] {
  return (workshop.ladders ?? [])
    .filter(({ id }) => gear.includes(id))
    .flatMap(({ id, name }) => {
      const said = ladders.findLast(({ event }) => event.gear === id);
      const isGood = said?.event.isSound && nowMs - Date.parse(said.at) < GOOD_FOR_MS;
      return isGood ? [] : [{ id, name, isRefused: said?.event.isSound === false }];
    });
}

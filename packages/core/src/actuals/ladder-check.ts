import type { JobFile, Task } from '@early-lantern/contract';
import type { Happened } from './happened.ts';

/** A look lasts for a shift, ms: at the strike somebody looks again. From memory, an editable default. */
const GOOD_FOR_MS = 12 * 60 * 60 * 1000;

/** A ladder that a task takes and that nobody has found sound lately. */
export interface LadderToCheck {
  id: string;
  name: string;
  /** Somebody has said that it is not to be climbed. */
  isRefused: boolean;
}

/**
 * The ladders to be looked over before a task is begun: each for visible defects before it is used, and out of use where it has any (OSHA
 * 29 CFR 1926.1053(b)(15) and (16), from memory).
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

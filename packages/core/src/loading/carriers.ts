import type { JobFile, Section, Task } from '@early-lantern/contract';
import { isLadder, namesFor } from '../clock/gear-names.ts';
import { peopleThere } from '../clock/rounds.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';

/** One holds up half of a garland of 15 ft and no more. Common practice, no source. */
const ARMFUL_M = 7.5 * METRES_PER_FOOT;
/** One carries no more than this for long, kg. From memory. */
const ONE_CARRIES_KG = 15;

/**
 * How many carry a section and hold it up while it is hung: one for each armful, or for its weight; and how many of
 * the crew are free to: at a ladder one stands at its foot. Common practice, no source.
 */
export function carriersOf(
  { fromM, toM, massKg, pieceId }: Pick<Section, 'fromM' | 'toM' | 'massKg' | 'pieceId'>,
  file: JobFile,
  tasks: readonly Pick<Task, 'pieceId' | 'gear'>[],
): Section['carriers'] {
  const crew = peopleThere(file, 'set-up').working.length;
  const names = namesFor(file);
  const isHigh = tasks.some(
    (task) => task.pieceId === pieceId && task.gear.some((id) => isLadder(id, names)),
  );
  return {
    // A hundredth for what was rounded when it was drawn.
    needed: Math.max(1, Math.ceil((toM - fromM) / ARMFUL_M - 0.01), Math.ceil(massKg / ONE_CARRIES_KG)),
    there: isHigh && crew > 1 ? crew - 1 : crew,
  };
}

import type { OrganicGarland } from '@early-lantern/contract';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { type CutPlace, partedInto } from './parted.ts';

/** Two armfuls to a 12 ft garland, three to a 15 ft one: a section is this long at most. Common practice, no source. */
export const SECTION_M = 6.5 * METRES_PER_FOOT;
/** How much a join shows behind something that is tied on there, and where nothing hides it; none at a point chosen by hand. */
const BEHIND_SOMETHING = 0.3;
const IN_SIGHT = 1;

/**
 * Where a garland is parted into sections, as shares of its length from the thick end: by hand; in as many equal lengths as
 * were asked for; else in the fewest that are no longer than an armful, at places where the join hides.
 * @param lengthM along its base
 */
export function cutsOf(
  piece: Pick<OrganicGarland, 'cuts' | 'sections' | 'hold' | 'attachments'>,
  lengthM: number,
): number[] {
  if (piece.cuts) return [...piece.cuts].sort((a, b) => a - b);
  const count = piece.sections ?? Math.max(1, Math.ceil(lengthM / SECTION_M));
  const even = Array.from({ length: count - 1 }, (_, i) => (i + 1) / count);
  if (piece.sections !== undefined || count === 1) return even;
  const places = [
    ...(piece.hold?.points ?? []).map(({ at }): CutPlace => ({ atM: at * lengthM, cost: 0 })),
    ...(piece.attachments ?? []).map(({ at }): CutPlace => ({ atM: at * lengthM, cost: BEHIND_SOMETHING })),
    ...even.map((share) => ({ atM: share * lengthM, cost: IN_SIGHT })),
  ];
  const limits = { longestM: SECTION_M, heaviestKg: Infinity };
  const parts = partedInto({ lengthM, massTo: () => 0, places, limits });
  return parts ? parts.slice(1).map(({ fromM }) => fromM / lengthM) : even;
}

import { type GearNames, listed, nameIn } from '@early-lantern/core';

/** Who is dropped off at a place, or fetched there, in words; undefined where all wait for the work. */
export function dropOffWords(
  does: 'drop' | 'fetch' | undefined,
  who: readonly string[],
  names: GearNames,
): string | undefined {
  if (!does) return undefined;
  const first = listed(who.map((id) => nameIn(id, names).split(' ')[0] ?? id));
  return does === 'drop' ? `drop off ${first}` : `fetch ${first}`;
}

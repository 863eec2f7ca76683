import type { ColourId } from '@early-lantern/contract';
/**
 * A run of `count` clusters from a repeating list of colours: one dark and three light, for example, repeated exactly.
 * @returns how many of each colour, in the order of first use
 */
export function repeatCounts(
  colours: readonly string[],
  count: number,
): { colour: ColourId; count: number }[] {
  const counts = new Map<string, number>();
  colours.forEach((colour, i) => {
    const uses = Math.floor(count / colours.length) + (i < count % colours.length ? 1 : 0);
    counts.set(colour, (counts.get(colour) ?? 0) + uses);
  });
  return [...counts].map(([colour, uses]) => ({ colour, count: uses })).filter((one) => one.count > 0);
}

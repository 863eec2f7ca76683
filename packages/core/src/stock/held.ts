import type { ColourId, Reserved } from '@early-lantern/contract';

/** What a job takes of the shelf. */
export interface Claim {
  job: string;
  takes: readonly { nominalIn: number; colour: ColourId; count: number }[];
}

/** What several jobs hold of the shelf together: so much of each product, with the jobs that want it. */
export function heldBy(claims: readonly Claim[]): Reserved[] {
  const held = new Map<string, Reserved>();
  for (const { job, takes } of claims) {
    for (const { nominalIn, colour, count } of takes) {
      const key = `${nominalIn}|${colour}`;
      const known = held.get(key);
      held.set(key, {
        nominalIn,
        colour,
        count: (known?.count ?? 0) + count,
        jobs: [...new Set([...(known?.jobs ?? []), job])],
      });
    }
  }
  return [...held.values()];
}

/** Jobs in the order in which they may take from the shelf: by doors, at the same minute by id. */
export const firstCome = (a: { doors: string; id: string }, b: { doors: string; id: string }): number =>
  Date.parse(a.doors) - Date.parse(b.doors) || (a.id < b.id ? -1 : 1);

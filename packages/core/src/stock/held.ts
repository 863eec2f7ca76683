import type { ColourId, JobState, Reserved } from '@early-lantern/contract';
import { groupBy, sumOf } from '../quantity/group.ts';

/** What a job takes of the shelf. */
export interface Claim {
  job: string;
  takes: readonly { nominalIn: number; colour: ColourId; count: number }[];
}

/** What several jobs hold of the shelf together: so much of each product, with the jobs that want it. */
export function heldBy(claims: readonly Claim[]): Reserved[] {
  const rows = claims.flatMap(({ job, takes }) => takes.map((take) => ({ ...take, job })));
  const products = groupBy(rows, ({ nominalIn, colour }) => `${nominalIn}|${colour}`);
  return [...products.values()].map((held) => {
    const { nominalIn, colour } = held[0] as (typeof held)[number];
    const jobs = [...new Set(held.map(({ job }) => job))];
    return { nominalIn, colour, count: sumOf(held.map(({ count }) => count)), jobs };
  });
}

/** Jobs in the order in which they may take from the shelf: by doors, at the same minute by id. */
export const firstCome = (a: { doors: string; id: string }, b: { doors: string; id: string }): number =>
  Date.parse(a.doors) - Date.parse(b.doors) || (a.id < b.id ? -1 : 1);

/** Whether a job takes what it needs, and its people: once it is agreed to; not what is only asked about or offered, or called off. */
export const isHolding = ({ state = 'firm' }: { state?: JobState | undefined }): boolean =>
  state === 'firm' || state === 'done';

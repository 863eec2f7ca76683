import type { ColourId, Plan } from '@early-lantern/contract';
import type { Happened } from '@early-lantern/core';

/** Balloons of one size and colour: what was brought over the need, and what became of it. */
export interface Product {
  nominalIn: number;
  colour: ColourId;
  need: number;
  spare: number;
  popped: number;
  /** Spares that are left; below zero where more popped than were brought. */
  left: number;
  /** Fresh ones to be blown in the place of those that popped. */
  toBlow: number;
}

/** Every product of a job with what is left of its spares, the smallest first. */
export function leftOver(
  { totals }: Pick<Plan, 'totals'>,
  { pops, toppedUp }: Pick<Happened, 'pops' | 'toppedUp'>,
): Product[] {
  const products = new Map<string, Product>();
  for (const { nominalIn, colour, need, spare } of totals.balloons) {
    const key = `${nominalIn} ${colour}`;
    const before = products.get(key) ?? {
      nominalIn,
      colour,
      need: 0,
      spare: 0,
      popped: 0,
      left: 0,
      toBlow: 0,
    };
    products.set(key, { ...before, need: before.need + need, spare: before.spare + spare });
  }
  return [...products.values()]
    .map((product) => {
      const { nominalIn, colour, spare } = product;
      const countIn = (counts: Happened['pops']) =>
        counts.find((one) => one.nominalIn === nominalIn && one.colour === colour)?.count ?? 0;
      const popped = countIn(pops);
      return { ...product, popped, left: spare - popped, toBlow: Math.max(0, popped - countIn(toppedUp)) };
    })
    .sort((one, other) => one.nominalIn - other.nominalIn);
}

import type { JobUse, Movement, OnOrder, StockRow } from '@early-lantern/contract';

type Product = Pick<StockRow, 'nominalIn' | 'colour'>;

export const sameProduct =
  (a: Product) =>
  (b: Product): boolean =>
    a.nominalIn === b.nominalIn && a.colour === b.colour;

/** Balloons of a product on the shelf. */
export const onShelf = (stock: readonly StockRow[], product: Product): number =>
  stock.find(sameProduct(product))?.onHand ?? 0;

/** The shelf after one movement; below zero where more was taken than was there. */
export function shelfAfter(stock: readonly StockRow[], { nominalIn, colour, change }: Movement): StockRow[] {
  const held = stock.find(sameProduct({ nominalIn, colour }));
  const row = { nominalIn, colour, onHand: (held?.onHand ?? 0) + change };
  return held ? stock.map((one) => (one === held ? row : one)) : [...stock, row];
}

/** What comes with an order: so many, and whether the rest, if there is one, is still to come. */
export interface Arrival {
  count: number;
  isLast: boolean;
}

/** The orders after one has arrived, in whole or in part: more than was ordered, or all that ever comes, ends it. */
export function ordersAfter(onOrder: readonly OnOrder[], id: string, { count, isLast }: Arrival): OnOrder[] {
  return onOrder.flatMap((one) => {
    if (one.id !== id) return [one];
    const left = one.count - count;
    return left > 0 && !isLast ? [{ ...one, count: left }] : [];
  });
}

/**
 * What is written into the ledger for a job that is over: used and lost balloons. Balloons that it used and that the
 * shelf does not know of are counted in first.
 */
export function movementsOfUse(
  jobId: string,
  note: string,
  use: JobUse,
  stock: readonly StockRow[],
): Movement[] {
  return use.balloons.flatMap(({ nominalIn, colour, used, popped }) => {
    const entry = (kind: Movement['kind'], change: number): Movement[] =>
      change === 0 ? [] : [{ nominalIn, colour, kind, change, note, jobId }];
    const unknown = Math.max(0, used + popped - onShelf(stock, { nominalIn, colour }));
    return [...entry('counted', unknown), ...entry('used', -used), ...entry('popped', -popped)];
  });
}

/** What takes a recorded use back: the used and lost balloons return to the shelf. */
export const movementsBack = (jobId: string, note: string, use: JobUse): Movement[] =>
  use.balloons
    .filter(({ used, popped }) => used + popped > 0)
    .map(({ nominalIn, colour, used, popped }) => ({
      nominalIn,
      colour,
      kind: 'corrected',
      change: used + popped,
      note,
      jobId,
    }));

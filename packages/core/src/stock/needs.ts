import type { BalloonRow, WorkshopSettings } from '@early-lantern/contract';

/** A product (size and colour) with what is wanted of it and what there will be. */
export interface ProductNeed {
  nominalIn: number;
  colour: string;
  need: number;
  spare: number;
  onHand: number;
  /** Held for other jobs. */
  reserved: number;
  /** Ordered, and here in time. */
  arriving: number;
  /** What there will be less need and spares: below zero is short. */
  over: number;
}

export type Shelf = Pick<WorkshopSettings, 'stock' | 'reserved' | 'onOrder'>;

/** What may be taken off the shelf on a day: on hand, less what other jobs count on, and orders that are here by then. */
export function availableOn(
  shelf: Shelf,
  nominalIn: number,
  colour: string,
  day: string,
): Pick<ProductNeed, 'onHand' | 'reserved' | 'arriving'> {
  const isIt = (row: { nominalIn: number; colour: string }) =>
    row.nominalIn === nominalIn && row.colour === colour;
  const sum = (counts: number[]) => counts.reduce((all, count) => all + count, 0);
  return {
    onHand: shelf.stock.find(isIt)?.onHand ?? 0,
    reserved: sum((shelf.reserved ?? []).filter(isIt).map((row) => row.count)),
    arriving: sum(
      (shelf.onOrder ?? []).filter((row) => isIt(row) && row.arrives <= day).map((row) => row.count),
    ),
  };
}

/** Products by how short they are, the worst first. `day` is the one on which they are wanted, `YYYY-MM-DD`. */
export function productNeeds(balloons: readonly BalloonRow[], shelf: Shelf, day: string): ProductNeed[] {
  const products = new Map<string, ProductNeed>();
  for (const row of balloons) {
    const key = `${row.nominalIn}|${row.colour}`;
    const known = products.get(key) ?? start(row, shelf, day);
    products.set(key, {
      ...known,
      need: known.need + row.need,
      spare: known.spare + row.spare,
      over: known.over - row.need - row.spare,
    });
  }
  return [...products.values()].sort((a, b) => a.over - b.over);
}

function start({ nominalIn, colour }: BalloonRow, shelf: Shelf, day: string): ProductNeed {
  const there = availableOn(shelf, nominalIn, colour, day);
  const over = there.onHand - there.reserved + there.arriving;
  return { nominalIn, colour, need: 0, spare: 0, ...there, over };
}

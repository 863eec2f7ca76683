import type { BalloonRow, ColourId, WorkshopSettings } from '@early-lantern/contract';
import { groupBy, sumOf } from '../quantity/group.ts';
import { type FamilyRule, type Given, shareOut } from './families.ts';

/** A product (size and colour) with what is wanted of it and what there will be. */
export interface ProductNeed {
  nominalIn: number;
  colour: ColourId;
  /** To hang, without what is kept from an earlier installation. */
  need: number;
  spare: number;
  onHand: number;
  /** Held for other jobs. */
  reserved: number;
  /** Ordered, and here in time. */
  arriving: number;
  /** Taken of other sizes of its family, which the shelf has left. */
  fromFamily: { nominalIn: number; count: number }[];
  /** Taken for other sizes of its family. */
  forFamily: number;
  /** What there will be less need and spares: below zero is short. */
  over: number;
}

export type Shelf = Pick<WorkshopSettings, 'stock' | 'reserved' | 'onOrder'>;

/** What may be taken off the shelf on a day: on hand, less what other jobs count on, and orders that are here by then. */
export function availableOn(
  shelf: Shelf,
  nominalIn: number,
  colour: ColourId,
  day: string,
): Pick<ProductNeed, 'onHand' | 'reserved' | 'arriving'> {
  const isIt = (row: { nominalIn: number; colour: ColourId }) =>
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
export function productNeeds(
  balloons: readonly BalloonRow[],
  shelf: Shelf & FamilyRule,
  day: string,
): ProductNeed[] {
  const products = [...groupBy(balloons, (row) => `${row.nominalIn}|${row.colour}`).values()].map((rows) => ({
    nominalIn: (rows[0] as BalloonRow).nominalIn,
    colour: (rows[0] as BalloonRow).colour,
    need: sumOf(rows.map(({ need, kept }) => need - kept)),
    spare: sumOf(rows.map(({ spare }) => spare)),
  }));
  const given = shareOut(
    products.map(({ need, spare, ...product }) => ({ ...product, count: need + spare })),
    ({ nominalIn, colour }) => leftOn(shelf, nominalIn, colour, day),
    shelf,
  );
  const lent = new Map<string, number>();
  for (const { colour, fromFamily } of given)
    for (const { nominalIn, count } of fromFamily)
      lent.set(`${nominalIn}|${colour}`, (lent.get(`${nominalIn}|${colour}`) ?? 0) + count);
  return products
    .map((product, i) => {
      const { nominalIn, colour, need, spare } = product;
      const { fromFamily } = given[i] as Given;
      const forFamily = lent.get(`${nominalIn}|${colour}`) ?? 0;
      const over =
        leftOn(shelf, nominalIn, colour, day) -
        need -
        spare +
        sumOf(fromFamily.map(({ count }) => count)) -
        forFamily;
      return { ...product, ...availableOn(shelf, nominalIn, colour, day), fromFamily, forFamily, over };
    })
    .sort((a, b) => a.over - b.over);
}

/** What is left of a product on a day; below zero where more is held than there is. */
function leftOn(shelf: Shelf, nominalIn: number, colour: ColourId, day: string): number {
  const { onHand, reserved, arriving } = availableOn(shelf, nominalIn, colour, day);
  return onHand - reserved + arriving;
}

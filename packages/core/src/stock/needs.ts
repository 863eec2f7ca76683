import type { BalloonRow, StockRow } from '@early-lantern/contract';

/** A product (size and colour) with what is wanted of it and what is on the shelf. */
export interface ProductNeed {
  nominalIn: number;
  colour: string;
  need: number;
  spare: number;
  onHand: number;
  /** On hand less need and spares: below zero is short. */
  over: number;
}

/** Products by how short they are, the worst first. */
export function productNeeds(balloons: readonly BalloonRow[], stock: readonly StockRow[]): ProductNeed[] {
  const products = new Map<string, ProductNeed>();
  for (const row of balloons) {
    const key = `${row.nominalIn}|${row.colour}`;
    const onHand =
      stock.find((held) => held.nominalIn === row.nominalIn && held.colour === row.colour)?.onHand ?? 0;
    const known = products.get(key) ?? {
      nominalIn: row.nominalIn,
      colour: row.colour,
      need: 0,
      spare: 0,
      onHand,
      over: onHand,
    };
    products.set(key, {
      ...known,
      need: known.need + row.need,
      spare: known.spare + row.spare,
      over: known.over - row.need - row.spare,
    });
  }
  return [...products.values()].sort((a, b) => a.over - b.over);
}

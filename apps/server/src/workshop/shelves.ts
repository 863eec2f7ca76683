import { isDeepStrictEqual } from 'node:util';
import type {
  ItemMovement,
  MaterialStock,
  OnOrder,
  StockRow,
  WorkshopSettings,
} from '@early-lantern/contract';
import { and, eq, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { itemMovements, items, orders, shelf } from '../db/schema.ts';

/** What a business has and has ordered: rows of their own, so that a booking writes those that it changes and no more. */
export interface Shelves {
  stock: StockRow[];
  onOrder: OnOrder[];
  materials: MaterialStock[];
}

/** Why what is on hand of consumables and gear changes; left out, somebody has counted. */
export type Reason = Pick<ItemMovement, 'kind'> & { note: string; jobId?: string };
const COUNTED: Reason = { kind: 'counted', note: '' };

/** The shelves as the columns of a query, in their order. */
export const shelfColumns = {
  stock: sql<StockRow[]>`(
    select coalesce(jsonb_agg(jsonb_build_object('nominalIn', s.nominal_in, 'colour', s.colour, 'onHand', s.on_hand)
      order by s.position, s.colour, s.nominal_in), '[]') from shelf s
  )`,
  onOrder: sql<OnOrder[]>`(select coalesce(jsonb_agg(o.data order by o.position, o.id), '[]') from orders o)`,
  materials: sql<MaterialStock[]>`(
    select coalesce(jsonb_agg(jsonb_strip_nulls(jsonb_build_object('item', i.item, 'onHand', i.on_hand, 'own', i.own))
      order by i.position, i.item), '[]') from items i
  )`,
};

/** What goes into the row of the workshop: a list that there is stays there, empty. */
export const withoutShelves = (data: WorkshopSettings): WorkshopSettings => ({
  ...data,
  stock: [],
  ...(data.onOrder ? { onOrder: [] } : {}),
  ...(data.materials ? { materials: [] } : {}),
});

/** The whole again. */
export const withShelves = (
  data: WorkshopSettings,
  { stock, onOrder, materials }: Shelves,
): WorkshopSettings => ({
  ...data,
  stock,
  ...(data.onOrder || onOrder.length > 0 ? { onOrder } : {}),
  ...(data.materials || materials.length > 0 ? { materials } : {}),
});

/** Writes what has changed on the shelves, and enters into the ledger what of consumables and gear came or went. */
export async function changeShelves(
  db: Queries,
  before: Shelves,
  after: WorkshopSettings,
  reason: Reason = COUNTED,
): Promise<void> {
  const balloons = changesOf(before.stock, after.stock, ({ nominalIn, colour }) => `${nominalIn}|${colour}`);
  for (const { nominalIn, colour } of balloons.gone)
    await db.delete(shelf).where(and(eq(shelf.nominalIn, nominalIn), eq(shelf.colour, colour)));
  for (const row of balloons.put)
    await db
      .insert(shelf)
      .values(row)
      .onConflictDoUpdate({
        target: [shelf.workshopId, shelf.nominalIn, shelf.colour],
        set: { onHand: row.onHand },
      });
  const ordered = changesOf(before.onOrder, after.onOrder ?? [], ({ id }) => id);
  for (const { id } of ordered.gone) await db.delete(orders).where(eq(orders.id, id));
  for (const data of ordered.put)
    await db
      .insert(orders)
      .values({ id: data.id, data })
      .onConflictDoUpdate({ target: [orders.workshopId, orders.id], set: { data } });
  const things = changesOf(before.materials, after.materials ?? [], ({ item }) => item);
  for (const { item } of things.gone) await db.delete(items).where(eq(items.item, item));
  for (const { item, onHand, own = null } of things.put) {
    await db
      .insert(items)
      .values({ item, onHand, own })
      .onConflictDoUpdate({ target: [items.workshopId, items.item], set: { onHand, own } });
  }
  const held = (rows: readonly MaterialStock[], item: string) =>
    rows.find((row) => row.item === item)?.onHand ?? 0;
  const entries = [...things.put, ...things.gone].flatMap(({ item }) => {
    const onHand = held(after.materials ?? [], item);
    const change = onHand - held(before.materials, item);
    return change === 0 ? [] : [{ ...reason, item, change, onHand }];
  });
  if (entries.length > 0) await db.insert(itemMovements).values(entries);
}

/** Rows that are new or other than before, and rows that are gone. */
function changesOf<T>(before: readonly T[], after: readonly T[], keyOf: (row: T) => string) {
  const known = new Map(before.map((row) => [keyOf(row), row]));
  const kept = new Set(after.map(keyOf));
  return {
    put: after.filter((row) => !isDeepStrictEqual(known.get(keyOf(row)), row)),
    gone: before.filter((row) => !kept.has(keyOf(row))),
  };
}

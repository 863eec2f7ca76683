import type {
  ItemMovement,
  Movement,
  MovementRow,
  StockRow,
  WorkshopRow,
  WorkshopSettings,
} from '@early-lantern/contract';
import { type Arrival, onShelf, ordersAfter, sameProduct, shelfAfter } from '@early-lantern/core';
import { and, asc, count, desc, eq, inArray, lt } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { itemMovements, jobs, movements } from '../db/schema.ts';
import { refused } from '../http/problem.ts';
import { getSettings, updateSettings } from '../workshop/store.ts';

type Stored = typeof movements.$inferSelect;

const toMovement = ({ at, jobId, bookingKey: _, ...row }: Stored): MovementRow => ({
  ...row,
  ...(jobId === null ? {} : { jobId }),
  at: at.toISOString(),
  job: null,
});

interface BookedHere {
  workshop: WorkshopRow;
  movements: MovementRow[];
}

/** Books once: sent again under the same key it answers with what was booked the first time. Whoever calls it holds the house alone. */
export async function once(
  db: Queries,
  key: string | undefined,
  act: () => Promise<BookedHere>,
): Promise<BookedHere> {
  if (key === undefined) return act();
  const before = await db
    .select()
    .from(movements)
    .where(eq(movements.bookingKey, key))
    .orderBy(asc(movements.id));
  if (before.length > 0) return { workshop: await getSettings(db), movements: before.map(toMovement) };
  const booked = await act();
  const ids = booked.movements.map(({ id }) => id);
  if (ids.length > 0) await db.update(movements).set({ bookingKey: key }).where(inArray(movements.id, ids));
  return booked;
}

/**
 * Books movements on the shelf, all or none. What is not there cannot be taken: a count that shows otherwise is booked
 * as a correction first.
 */
export async function book(
  db: Queries,
  wanted: readonly Movement[],
): Promise<{ workshop: WorkshopRow; movements: MovementRow[] }> {
  const { revision, data } = await getSettings(db);
  const faults: { path: string; reason: string }[] = [];
  let stock: readonly StockRow[] = data.stock;
  const after: number[] = [];
  wanted.forEach((movement, i) => {
    const known = data.colours.some((colour) => colour.id === movement.colour);
    if (!known) faults.push({ path: `movements[${i}].colour`, reason: `no colour "${movement.colour}"` });
    const next = shelfAfter(stock, movement);
    const onHand = onShelf(next, movement);
    if (onHand < 0) {
      const there = onHand - movement.change;
      faults.push({
        path: `movements[${i}].change`,
        reason: `${there} on the shelf, ${-movement.change} cannot be taken; count the shelf and book a correction`,
      });
    }
    stock = next;
    after.push(onHand);
  });
  if (faults.length) throw refused(faults);
  const workshop = await updateSettings(db, revision, { ...data, stock: [...stock] });
  return { workshop, movements: await enter(db, wanted, after) };
}

async function enter(
  db: Queries,
  entries: readonly Movement[],
  after: readonly number[],
): Promise<MovementRow[]> {
  if (entries.length === 0) return [];
  const values = entries.map((entry, i) => ({ ...entry, onHand: after[i] as number }));
  return (await db.insert(movements).values(values).returning()).map(toMovement);
}

/** Enters into the ledger what a change of the workshop did to its shelf: typed counts are counts. */
export async function enterCounts(
  db: Queries,
  before: WorkshopSettings | undefined,
  after: WorkshopSettings,
  note = '',
): Promise<void> {
  const held = (stock: readonly StockRow[] = [], row: StockRow) => onShelf(stock, row);
  const rows = [...(before?.stock ?? []), ...after.stock].filter(
    (row, i, all) => all.findIndex(sameProduct(row)) === i,
  );
  const changed = rows
    .map((row) => ({
      row,
      now: held(after.stock, row),
      change: held(after.stock, row) - held(before?.stock, row),
    }))
    .filter(({ change }) => change !== 0);
  await enter(
    db,
    changed.map(({ row: { nominalIn, colour }, change }) => ({
      nominalIn,
      colour,
      kind: before ? ('counted' as const) : ('opening' as const),
      change,
      note,
    })),
    changed.map(({ now }) => now),
  );
}

export interface LedgerQuery {
  limit: number;
  /** Id of the last one seen. */
  after?: string | undefined;
  nominalIn?: number | undefined;
  colour?: string | undefined;
  jobId?: string | undefined;
}

/** The ledger, newest first, of all products or one, of all jobs or one, each entry with its job's name. */
export async function listMovements(db: Queries, { limit, after, nominalIn, colour, jobId }: LedgerQuery) {
  const ofIt = and(
    nominalIn === undefined ? undefined : eq(movements.nominalIn, nominalIn),
    colour === undefined ? undefined : eq(movements.colour, colour),
    jobId === undefined ? undefined : eq(movements.jobId, jobId),
  );
  const found = await db
    .select({ row: movements, head: jobs.data })
    .from(movements)
    .leftJoin(jobs, eq(jobs.id, movements.jobId))
    .where(and(ofIt, after === undefined ? undefined : lt(movements.id, Number(after))))
    .orderBy(desc(movements.id))
    .limit(limit + 1);
  const [row] = await db.select({ total: count() }).from(movements).where(ofIt);
  const items = found.slice(0, limit);
  return {
    items: items.map((one) => ({ ...toMovement(one.row), job: one.head?.name ?? null })),
    total: row?.total ?? 0,
    next: found.length > limit ? String(items.at(-1)?.row.id) : null,
  };
}

/** The ledger of consumables and gear, newest first, of all or of one, each entry with its job's name. */
export async function listItemMovements(
  db: Queries,
  { limit, after, item }: Pick<LedgerQuery, 'limit' | 'after'> & { item?: string | undefined },
) {
  const ofIt = item === undefined ? undefined : eq(itemMovements.item, item);
  const found = await db
    .select({ row: itemMovements, head: jobs.data })
    .from(itemMovements)
    .leftJoin(jobs, eq(jobs.id, itemMovements.jobId))
    .where(and(ofIt, after === undefined ? undefined : lt(itemMovements.id, Number(after))))
    .orderBy(desc(itemMovements.id))
    .limit(limit + 1);
  const [all] = await db.select({ total: count() }).from(itemMovements).where(ofIt);
  const shown = found.slice(0, limit);
  return {
    items: shown.map(({ row: { id, at, item, kind, change, onHand, note }, head }): ItemMovement => {
      return { id, at: at.toISOString(), item, kind, change, onHand, note, job: head?.name ?? null };
    }),
    total: all?.total ?? 0,
    next: found.length > limit ? String(shown.at(-1)?.row.id) : null,
  };
}

/** An order that has come, in whole, in part, or with more than was ordered; what is still to come stays on order. */
export async function receive(db: Queries, orderId: string, arrival: Arrival) {
  const { revision, data } = await getSettings(db);
  const order = data.onOrder?.find((one) => one.id === orderId);
  if (!order) throw refused([{ path: 'orderId', reason: 'this order has been received or dropped already' }]);
  await updateSettings(db, revision, { ...data, onOrder: ordersAfter(data.onOrder ?? [], orderId, arrival) });
  const { nominalIn, colour, count: ordered } = order;
  const less = ordered - arrival.count;
  const note =
    less === 0
      ? 'as ordered'
      : less < 0
        ? `${-less} more than ordered`
        : `${arrival.count} of ${ordered}; the rest ${arrival.isLast ? 'will not come' : 'is still to come'}`;
  if (arrival.count === 0) return { workshop: await getSettings(db), movements: [] };
  return book(db, [{ nominalIn, colour, kind: 'received', change: arrival.count, note }]);
}

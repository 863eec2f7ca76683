import type {
  DayCounts,
  LeftByOthers,
  Movement,
  MovementRow,
  StockRow,
  WorkshopRow,
  WorkshopSettings,
} from '@early-lantern/contract';
import { balloonsTogether, leftForEach, totalMaterials, workedJob } from '@early-lantern/core';
import { and, count, desc, gte, isNull, lt } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { jobs, movements } from '../db/schema.ts';
import { refused } from '../http/problem.ts';
import { assembleJobFile } from '../job-files/store.ts';
import { getSettings, updateSettings } from '../workshop/store.ts';

type Stored = typeof movements.$inferSelect;

const toMovement = ({ at, ...row }: Stored): MovementRow => ({ ...row, at: at.toISOString() });

const sameProduct =
  (a: { nominalIn: number; colour: string }) => (b: { nominalIn: number; colour: string }) =>
    a.nominalIn === b.nominalIn && a.colour === b.colour;

/** The shelf after one movement. */
function shelfAfter(stock: readonly StockRow[], { nominalIn, colour, change }: Movement): StockRow[] {
  const held = stock.find(sameProduct({ nominalIn, colour }));
  const onHand = (held?.onHand ?? 0) + change;
  const row = { nominalIn, colour, onHand };
  return held ? stock.map((one) => (one === held ? row : one)) : [...stock, row];
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
    const onHand = next.find(sameProduct(movement))?.onHand ?? 0;
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
  const held = (stock: readonly StockRow[] | undefined, row: StockRow) =>
    stock?.find(sameProduct(row))?.onHand ?? 0;
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
      kind: 'counted' as const,
      change,
      note,
    })),
    changed.map(({ now }) => now),
  );
}

/** The ledger, newest first; `after` is the id of the last one seen. */
export async function listMovements(db: Queries, limit: number, after: string | undefined) {
  const found = await db
    .select()
    .from(movements)
    .where(after === undefined ? undefined : lt(movements.id, Number(after)))
    .orderBy(desc(movements.id))
    .limit(limit + 1);
  const [row] = await db.select({ total: count() }).from(movements);
  const items = found.slice(0, limit);
  return {
    items: items.map(toMovement),
    total: row?.total ?? 0,
    next: found.length > limit ? String(items.at(-1)?.id) : null,
  };
}

/** An order that has come: so many go onto the shelf; what is still missing stays on order. */
export async function receive(db: Queries, orderId: string, arrived: number) {
  const { revision, data } = await getSettings(db);
  const order = data.onOrder?.find((one) => one.id === orderId);
  if (!order) throw refused([{ path: 'orderId', reason: `no order "${orderId}"` }]);
  if (arrived > order.count) throw refused([{ path: 'count', reason: `only ${order.count} are on order` }]);
  const onOrder = (data.onOrder ?? []).flatMap((one) => {
    if (one.id !== orderId) return [one];
    return arrived < one.count ? [{ ...one, count: one.count - arrived }] : [];
  });
  await updateSettings(db, revision, { ...data, onOrder });
  const { nominalIn, colour } = order;
  return book(db, [{ nominalIn, colour, kind: 'received', change: arrived, note: `order ${orderId}` }]);
}

/** Jobs of one day by any clock lie no further apart than this. */
const A_DAY_MS = 36 * 3_600_000;

/** What the coming jobs before this one, and those of its day, leave to it. */
export async function leftByOthers(db: Queries, jobId: string, from: Date): Promise<LeftByOthers> {
  const own = await assembleJobFile(db, jobId);
  const until = new Date(Date.parse(own.job.doors) + A_DAY_MS);
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, from), lt(jobs.doors, until)));
  const files = await Promise.all(rows.map(({ id }) => (id === jobId ? own : assembleJobFile(db, id))));
  return leftForEach(files, from.getTime())[jobId] ?? { reserved: [], overlapping: [] };
}

/** Balloons and materials of several jobs together. */
export async function countTogether(db: Queries, from: Date, until: Date): Promise<DayCounts> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, from), lt(jobs.doors, until)))
    .orderBy(jobs.doors, jobs.id);
  const files = await Promise.all(rows.map(({ id }) => assembleJobFile(db, id)));
  const counted = files.map((file) => ({ job: file.job, ...workedJob(file).counts }));
  return {
    jobs: counted.map(({ job, balloons }) => ({
      id: job.id,
      name: job.name,
      balloons: balloons.reduce((sum, row) => sum + row.need, 0),
    })),
    balloons: balloonsTogether(files),
    materials: totalMaterials(counted.map(({ job, materials }) => ({ name: job.name, materials }))),
  };
}

import { isDeepStrictEqual } from 'node:util';
import type { WorkshopSettings } from '@early-lantern/contract';
import { eq, getTableColumns } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { type Row, toRow, touched } from '../db/rows.ts';
import { workshop } from '../db/schema.ts';
import { notFound, stale } from '../http/problem.ts';
import {
  changeShelves,
  type Reason,
  type Shelves,
  shelfColumns,
  withoutShelves,
  withShelves,
} from './shelves.ts';

/** The business is one row. */
const ONLY = 'workshop';
const isIt = eq(workshop.id, ONLY);
const whole = { ...getTableColumns(workshop), ...shelfColumns };
const NOTHING: Shelves = { stock: [], onOrder: [], materials: [] };

type Stored = typeof workshop.$inferSelect & Shelves;
const asRow = (row: Stored): Row<WorkshopSettings> => ({ ...toRow(row), data: withShelves(row.data, row) });

export async function findSettings(db: Queries): Promise<Row<WorkshopSettings> | undefined> {
  const [row] = await db.select(whole).from(workshop).where(isIt);
  return row && asRow(row);
}

export async function getSettings(db: Queries): Promise<Row<WorkshopSettings>> {
  const row = await findSettings(db);
  if (!row) throw notFound('workshop yet');
  return row;
}

export async function addSettings(db: Queries, data: WorkshopSettings): Promise<void> {
  await db.insert(workshop).values({ id: ONLY, data: withoutShelves(data) });
  await changeShelves(db, NOTHING, data);
}

/** @param reason why what is on hand of consumables and gear changes, where it does; left out, somebody has counted */
export async function updateSettings(
  db: Queries,
  revision: number,
  data: WorkshopSettings,
  reason?: Reason,
): Promise<Row<WorkshopSettings>> {
  // Held first, then read with its shelves: what waited for its turn sees what came before.
  await db.select({ id: workshop.id }).from(workshop).where(isIt).for('update');
  const [current] = await db.select(whole).from(workshop).where(isIt);
  if (!current) throw notFound('workshop yet');
  if (current.revision !== revision) throw stale('The workshop', asRow(current));
  const ways = withoutShelves(data);
  // A booking changes nothing of how the house works: of its row only the revision is written then.
  const isSame = isDeepStrictEqual(current.data, ways);
  await db
    .update(workshop)
    .set(isSame ? touched : { data: ways, ...touched })
    .where(isIt);
  await changeShelves(db, current, data, reason);
  return getSettings(db);
}

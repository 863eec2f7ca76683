import type { WorkshopSettings } from '@early-lantern/contract';
import { eq } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { type Row, toRow, touched } from '../db/rows.ts';
import { workshop } from '../db/schema.ts';
import { notFound, stale } from '../http/problem.ts';

/** The business is one row. */
const ONLY = 'workshop';

export async function findSettings(db: Queries): Promise<Row<WorkshopSettings> | undefined> {
  const [row] = await db.select().from(workshop).where(eq(workshop.id, ONLY));
  return row && toRow(row);
}

export async function getSettings(db: Queries): Promise<Row<WorkshopSettings>> {
  const row = await findSettings(db);
  if (!row) throw notFound('workshop yet');
  return row;
}

export async function addSettings(db: Queries, data: WorkshopSettings): Promise<void> {
  await db.insert(workshop).values({ id: ONLY, data });
}

export async function updateSettings(
  db: Queries,
  revision: number,
  data: WorkshopSettings,
): Promise<Row<WorkshopSettings>> {
  const [current] = await db.select().from(workshop).where(eq(workshop.id, ONLY)).for('update');
  if (!current) throw notFound('workshop yet');
  if (current.revision !== revision) throw stale('The workshop', toRow(current));
  const [row] = await db
    .update(workshop)
    .set({ data, ...touched })
    .where(eq(workshop.id, ONLY))
    .returning();
  return toRow(row as typeof current);
}

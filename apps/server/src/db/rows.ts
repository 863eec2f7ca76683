import { asc, count, eq, gt, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import { notFound, stale, taken } from '../http/problem.ts';
import type { Queries } from './database.ts';
import { crew, sites, templates } from './schema.ts';

/** A stored row as it is sent. */
export interface Row<D> {
  revision: number;
  updatedAt: string;
  data: D;
}

interface StoredRow<D> {
  revision: number;
  updatedAt: Date;
  data: D;
}

export function toRow<D>({ revision, updatedAt, data }: StoredRow<D>): Row<D> {
  return { revision, updatedAt: updatedAt.toISOString(), data };
}

/** Columns that a change sets besides the data. */
export const touched = { revision: sql`revision + 1`, updatedAt: sql`now()` };

type PlainTable = typeof crew | typeof sites | typeof templates;
type DataOf<T extends PlainTable> = T['$inferSelect']['data'];

/**
 * Reading and changing a table of plain rows, `id` and `data`, with revisions. An update or removal made from an old
 * revision changes nothing and reports the current row.
 */
function plainRows<T extends PlainTable>(table: T, what: string) {
  // Drizzle's types do not carry a union of tables through its builders; all of them have the same columns.
  const rows = table as typeof crew;
  type Data = DataOf<T>;
  const asRow = (row: StoredRow<unknown>) => toRow(row) as Row<Data>;

  const find = async (db: Queries, id: string): Promise<Row<Data> | undefined> => {
    const [row] = await db.select().from(rows).where(eq(rows.id, id));
    return row && asRow(row);
  };
  const get = async (db: Queries, id: string): Promise<Row<Data>> => {
    const row = await find(db, id);
    if (!row) throw notFound(`${what} "${id}"`);
    return row;
  };
  const checkRevision = async (db: Queries, id: string, revision: number): Promise<void> => {
    const [row] = await db.select().from(rows).where(eq(rows.id, id)).for('update');
    if (!row) throw notFound(`${what} "${id}"`);
    if (row.revision !== revision) throw stale(`The ${what}`, asRow(row));
  };

  return {
    find,
    get,
    async list(db: Queries, limit: number, after: string | undefined) {
      const found = await db
        .select()
        .from(rows)
        .where(after === undefined ? undefined : gt(rows.id, after))
        .orderBy(asc(rows.id))
        .limit(limit + 1);
      const items = found.slice(0, limit);
      return {
        items: items.map(asRow),
        total: await countRows(db, rows),
        next: found.length > limit ? (items.at(-1)?.id ?? null) : null,
      };
    },
    async all(db: Queries): Promise<Data[]> {
      return (await db.select().from(rows).orderBy(asc(rows.id))).map((row) => row.data as Data);
    },
    async add(db: Queries, data: Data): Promise<Row<Data>> {
      const values = { id: data.id, data } as typeof rows.$inferInsert;
      const [row] = await db.insert(rows).values(values).onConflictDoNothing().returning();
      if (!row) throw taken(`The ${what} "${data.id}"`);
      return asRow(row);
    },
    async update(db: Queries, id: string, revision: number, data: Data): Promise<Row<Data>> {
      await checkRevision(db, id, revision);
      const set = { data: data as (typeof rows.$inferInsert)['data'], ...touched };
      const [row] = await db.update(rows).set(set).where(eq(rows.id, id)).returning();
      return asRow(row as StoredRow<unknown>);
    },
    async remove(db: Queries, id: string, revision: number): Promise<Row<Data>> {
      await checkRevision(db, id, revision);
      const [row] = await db.delete(rows).where(eq(rows.id, id)).returning();
      return asRow(row as StoredRow<unknown>);
    },
  };
}

async function countRows(db: Queries, table: PgTable): Promise<number> {
  const [row] = await db.select({ total: count() }).from(table);
  return row?.total ?? 0;
}

export const crewRows = plainRows(crew, 'crew member');
export const siteRows = plainRows(sites, 'site');
export const templateRows = plainRows(templates, 'template');

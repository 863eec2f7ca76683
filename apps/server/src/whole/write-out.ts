import { Readable } from 'node:stream';
import { sql } from 'drizzle-orm';
import type { Database, Queries } from '../db/database.ts';
import { exported, FORMAT } from './tables.ts';

/** Rows read at once: of photos, few. */
const AT_ONCE = 200;

/** Everything of the workshop that is asked for, as it is at one moment: a line of JSON for each row, and one at the end that says how many. */
export function writeOut(db: Database, schema: number, now: Date): Readable {
  return Readable.from(lines(db, schema, now));
}

async function* lines(db: Database, schema: number, now: Date): AsyncGenerator<string> {
  yield line({ format: FORMAT, version: 1, schema, made: now.toISOString() });
  let rows = 0;
  for (const table of exported) {
    const size = table.name === 'photos' ? 4 : AT_ONCE;
    for (let from = 0; ; from += size) {
      const found = await page(db, table, from, size);
      for (const row of found) yield line({ table: table.name, row });
      rows += found.length;
      if (found.length < size) break;
    }
  }
  yield line({ end: true, rows });
}

async function page(
  db: Queries,
  { name, order, without }: (typeof exported)[number],
  from: number,
  size: number,
): Promise<object[]> {
  const columns = ['workshop_id', ...without].map((column) => `'${column}'`).join(', ');
  const { rows } = await db.execute<{ row: object }>(
    sql.raw(`
      select to_jsonb(t) - array[${columns}] as row from "${name}" t order by ${order} limit ${size} offset ${from}
    `),
  );
  return rows.map(({ row }) => row);
}

const line = (value: object): string => `${JSON.stringify(value)}\n`;

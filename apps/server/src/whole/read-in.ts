import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Database, Queries } from '../db/database.ts';
import { changeHouse } from '../db/locks.ts';
import { findSettings } from '../workshop/store.ts';
import { exported, FORMAT } from './tables.ts';

const Head = z.object({ format: z.literal(FORMAT), version: z.literal(1), schema: z.int() });
const Line = z.union([
  z.object({ table: z.string(), row: z.record(z.string(), z.unknown()) }),
  z.object({ end: z.literal(true), rows: z.int() }),
]);
const known = new Map(exported.map((table) => [table.name, table]));
const BATCH = 100;

/** An export that cannot be brought in, and why. Nothing was changed then. */
export class NotBroughtIn extends Error {}

/**
 * Brings an export into the workshop that is asked for, which has to be one that nobody has used yet: all of it or nothing.
 * @param schema of this program: rows of another one mean something else
 * @returns how many rows
 * @throws NotBroughtIn where the file is torn, of another version or no export, or the workshop is in use
 */
export async function readIn(db: Database, path: string, schema: number): Promise<number> {
  return changeHouse(db, async (tx) => {
    await requireUnused(tx);
    await empty(tx);
    let rows = 0;
    let why: unknown;
    await pipeline(createReadStream(path), createGunzip(), async (text: AsyncIterable<Buffer>) => {
      rows = await takeLines(tx, linesOf(text), schema).catch((error: unknown) => {
        why = error;
        throw error;
      });
    }).catch((error: unknown) => {
      // Whoever gives up reading is told that reading was broken off, not why.
      throw why ?? error;
    });
    return rows;
  }).catch((error: Error & { code?: string }) => {
    if (error instanceof NotBroughtIn) throw error;
    if (error.code === 'ENOENT') throw new NotBroughtIn(`There is no file ${path}.`);
    if (error.code?.startsWith('Z_')) throw new NotBroughtIn(`${path} is not an export, or it is damaged.`);
    throw error;
  });
}

async function requireUnused(tx: Queries): Promise<void> {
  const { rows } = await tx.execute<{ used: boolean }>(sql`select exists (select from jobs) as used`);
  const settings = await findSettings(tx);
  if (rows[0]?.used || (settings && !settings.data.isNew))
    throw new NotBroughtIn(
      'This workshop is in use. Import into a new one: ./lantern workshop add, or start with --empty in another data directory.',
    );
}

/** What a new workshop is made with goes; whoever may come in stays. */
async function empty(tx: Queries): Promise<void> {
  for (const { name } of [...exported].reverse())
    if (name !== 'accounts') await tx.execute(sql.raw(`delete from "${name}"`));
  await tx.execute(sql`delete from versions`);
}

async function takeLines(tx: Queries, lines: AsyncIterable<string>, schema: number): Promise<number> {
  const torn = new NotBroughtIn('The export is incomplete: its end is missing.');
  let batch: { table: string; rows: object[] } = { table: '', rows: [] };
  let taken = 0;
  let isFirst = true;
  const put = async () => {
    if (batch.rows.length > 0) await insert(tx, batch.table, batch.rows);
    batch = { table: '', rows: [] };
  };
  for await (const one of lines) {
    const value = parsed(one);
    if (isFirst) {
      isFirst = false;
      requireHead(value, schema);
      continue;
    }
    const read = Line.safeParse(value);
    if (!read.success) throw torn;
    if ('end' in read.data) {
      await put();
      if (read.data.rows !== taken) throw torn;
      return taken;
    }
    const { table, row } = read.data;
    if (!known.has(table))
      throw new NotBroughtIn(`The export has "${table}", which this version does not know.`);
    if (table !== batch.table || batch.rows.length >= BATCH) await put();
    batch = { table, rows: [...batch.rows, row] };
    taken += 1;
  }
  throw torn;
}

async function* linesOf(text: AsyncIterable<Buffer>): AsyncGenerator<string> {
  const decoder = new TextDecoder();
  let rest = '';
  for await (const chunk of text) {
    const parts = (rest + decoder.decode(chunk, { stream: true })).split('\n');
    rest = parts.pop() ?? '';
    yield* parts;
  }
  if (rest) yield rest;
}

function requireHead(value: unknown, schema: number): void {
  const head = Head.safeParse(value);
  if (!head.success) throw new NotBroughtIn('The file is not an export of Early Lantern.');
  if (head.data.schema !== schema)
    throw new NotBroughtIn(
      `The export was made by ${head.data.schema < schema ? 'an older' : 'a newer'} version. Import it with that version first.`,
    );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Columns that a row does not name are what the database makes of them; an account that is here already stays as it is. */
async function insert(tx: Queries, table: string, rows: readonly object[]): Promise<void> {
  const { rows: found } = await tx.execute<{ name: string }>(sql`
    select column_name as name from information_schema.columns
    where table_schema = 'public' and table_name = ${table} and column_name <> 'workshop_id'
  `);
  const without = known.get(table)?.without ?? [];
  const columns = found
    .map(({ name }) => name)
    .filter((name) => !without.includes(name) && rows.some((row) => name in row))
    .map((name) => `"${name}"`)
    .join(', ');
  await tx.execute(
    sql`insert into ${sql.identifier(table)} (${sql.raw(columns)})
      select ${sql.raw(columns)} from jsonb_populate_recordset(null::${sql.identifier(table)}, ${JSON.stringify(rows)}::jsonb)
      ${sql.raw(table === 'accounts' ? 'on conflict do nothing' : '')}`,
  );
}

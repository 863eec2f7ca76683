import { Colour, readNumber, type SheetName, StockRow, type WorkshopSettings } from '@early-lantern/contract';
import type { z } from 'zod';

/** A line of a sheet as text, by column name. */
export type Line = Record<string, string>;

/** How a table of the workshop becomes a sheet and back. */
interface Sheet<R> {
  columns: readonly string[];
  schema: z.ZodType<R>;
  /** What tells two rows apart. */
  keyOf: (row: R) => string;
  rows: (settings: WorkshopSettings) => readonly R[];
  /** The workshop with rows put in place of those of the same key, the rest kept. */
  put: (settings: WorkshopSettings, rows: readonly R[]) => WorkshopSettings;
  toLine: (row: R) => Line;
  /** What a line says; text that is no number stays text, so that validation can name it. */
  fromLine: (line: Line) => unknown;
}

const number = (text: string): unknown => readNumber(text) ?? text;

/** Left out where the cell is empty. */
const optional = (key: string, text: string | undefined, value: unknown) =>
  text === undefined || text.trim() === '' ? {} : { [key]: value };

function merged<R>(before: readonly R[], rows: readonly R[], keyOf: (row: R) => string): R[] {
  const fresh = new Map(rows.map((row) => [keyOf(row), row]));
  const kept = before.map((row) => {
    const next = fresh.get(keyOf(row));
    fresh.delete(keyOf(row));
    return next ?? row;
  });
  return [...kept, ...fresh.values()];
}

const stockKey = (row: StockRow) => `${row.nominalIn}|${row.colour}`;

const stock: Sheet<StockRow> = {
  columns: ['size_in', 'colour', 'on_hand'],
  schema: StockRow,
  keyOf: stockKey,
  rows: (settings) => settings.stock,
  put: (settings, rows) => ({ ...settings, stock: merged(settings.stock, rows, stockKey) }),
  toLine: (row) => ({ size_in: String(row.nominalIn), colour: row.colour, on_hand: String(row.onHand) }),
  fromLine: (line) => ({
    nominalIn: number(line.size_in ?? ''),
    colour: (line.colour ?? '').trim(),
    onHand: number(line.on_hand ?? ''),
  }),
};

const catalogue: Sheet<Colour> = {
  columns: [
    'id',
    'name',
    'shade',
    'finish',
    'sizes_in',
    'grade',
    'loss_pct',
    'supplier',
    'lab',
    'exposure',
    'fails_above_c',
  ],
  schema: Colour,
  keyOf: (row) => row.id,
  rows: (settings) => settings.colours,
  put: (settings, rows) => ({ ...settings, colours: merged(settings.colours, rows, (row) => row.id) }),
  toLine: (row) => ({
    id: row.id,
    name: row.name,
    shade: row.hex,
    finish: row.finish ?? '',
    sizes_in: row.sizesIn?.join(' ') ?? '',
    grade: row.grade ?? '',
    loss_pct: row.lossPct === undefined ? '' : String(row.lossPct),
    supplier: row.supplierId ?? '',
    lab: row.lab ? `${row.lab.l} ${row.lab.a} ${row.lab.b}` : '',
    exposure: row.exposure ?? '',
    fails_above_c: row.failsAboveC === undefined ? '' : String(row.failsAboveC),
  }),
  fromLine: (line) => ({
    id: (line.id ?? '').trim(),
    name: (line.name ?? '').trim(),
    hex: (line.shade ?? '').trim().toLowerCase(),
    ...optional('finish', line.finish, line.finish?.trim()),
    ...optional(
      'sizesIn',
      line.sizes_in,
      line.sizes_in
        ?.trim()
        .split(/[\s;]+/)
        .map(number),
    ),
    ...optional('grade', line.grade, line.grade?.trim()),
    ...optional('lossPct', line.loss_pct, number(line.loss_pct ?? '')),
    ...optional('supplierId', line.supplier, line.supplier?.trim()),
    ...optional('lab', line.lab, labOf(line.lab ?? '')),
    ...optional('exposure', line.exposure, line.exposure?.trim()),
    ...optional('failsAboveC', line.fails_above_c, number(line.fails_above_c ?? '')),
  }),
};

function labOf(text: string): unknown {
  const [l, a, b] = text
    .trim()
    .split(/[\s;]+/)
    .map(number);
  return { l, a, b };
}

export const sheets = { stock, catalogue } as unknown as Record<SheetName, Sheet<unknown>>;

import { isDeepStrictEqual } from 'node:util';
import { listFaults, type SheetName, type SheetPreview, WorkshopSettings } from '@early-lantern/contract';
import type { z } from 'zod';
import type { Queries } from '../db/database.ts';
import { refused } from '../http/problem.ts';
import { requireAllSound } from '../job-files/sound.ts';
import { enterCounts } from '../stock/ledger.ts';
import { getSettings, updateSettings } from '../workshop/store.ts';
import { sheets } from './columns.ts';
import type { NumberedLine } from './files.ts';

interface Read {
  preview: SheetPreview;
  rows: unknown[];
}

/** Reads a sheet against the workshop: what each line would change, and what is wrong with it. */
function readSheet(settings: WorkshopSettings, name: SheetName, lines: readonly NumberedLine[]): Read {
  const sheet = sheets[name];
  const known = new Map(sheet.rows(settings).map((row) => [sheet.keyOf(row), row]));
  const colours = new Set(settings.colours.map((colour) => colour.id));
  const seen = new Map<string, number>();
  const rows: unknown[] = [];
  const suppliers = settings.suppliers ?? [];
  const shown = lines.map(({ line, values }) => {
    // What the file has no column for stays as it is.
    const old = known.get(sheet.keyOf(sheet.fromLine(values)));
    const whole = { ...(old === undefined ? {} : sheet.toLine(old)), ...values };
    // A supplier is told by its name too, as people write it.
    const asked = whole.supplier?.trim();
    const supplier = suppliers.find(({ id, name: theirs }) => id === asked || theirs === asked);
    const parsed = sheet.schema.safeParse(
      sheet.fromLine(supplier ? { ...whole, supplier: supplier.id } : whole),
    );
    const isUnknown = name === 'catalogue' && asked && !supplier;
    if (!parsed.success || isUnknown) {
      const faults = isUnknown
        ? [`supplier: no supplier "${asked}" in the workshop`]
        : listFaults(parsed.error as z.ZodError).map((fault) => `${fault.path}: ${fault.reason}`);
      return { line, values, change: 'new' as const, faults };
    }
    const row = parsed.data;
    const key = sheet.keyOf(row);
    const faults: string[] = [];
    const first = seen.get(key);
    if (first !== undefined) faults.push(`the same as line ${first}`);
    else seen.set(key, line);
    if (name === 'stock' && !colours.has((row as { colour: string }).colour))
      faults.push(`no colour "${(row as { colour: string }).colour}" in the workshop`);
    const before = known.get(key);
    rows.push(row);
    const change = !before ? 'new' : isDeepStrictEqual(before, row) ? 'same' : 'changed';
    return { line, values, change: change as 'new' | 'changed' | 'same', faults };
  });
  return { preview: { rows: shown, faults: shown.filter((row) => row.faults.length > 0).length }, rows };
}

export async function previewSheet(
  db: Queries,
  name: SheetName,
  lines: readonly NumberedLine[],
): Promise<SheetPreview> {
  return readSheet((await getSettings(db)).data, name, lines).preview;
}

/** Takes a sheet over, all of it or nothing. */
export async function takeSheet(
  db: Queries,
  name: SheetName,
  lines: readonly NumberedLine[],
): Promise<SheetPreview> {
  const { revision, data } = await getSettings(db);
  const { preview, rows } = readSheet(data, name, lines);
  if (preview.faults > 0) {
    throw refused(
      preview.rows.flatMap(({ line, faults }) => faults.map((reason) => ({ path: `line ${line}`, reason }))),
    );
  }
  const next = WorkshopSettings.safeParse(sheets[name].put(data, rows));
  if (!next.success) throw refused(listFaults(next.error));
  await updateSettings(db, revision, next.data);
  await enterCounts(db, data, next.data, 'from a sheet');
  await requireAllSound(db);
  return preview;
}

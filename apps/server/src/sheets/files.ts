import { readNumber, type SheetFormat } from '@early-lantern/contract';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { refused } from '../http/problem.ts';
import type { Line } from './columns.ts';
import { withinLimits } from './limits.ts';
import type { ReadTable, TableFile } from './read-table.ts';

/** A line with its number in the file; the heading is line 1. */
export interface NumberedLine {
  line: number;
  values: Line;
}

/** Reads the cells of a file; in a thread, where the server has some. */
export type TableReader = (file: TableFile) => Promise<ReadTable>;

/** Lines of a file sent in, by its heading. */
export async function readLines(
  file: TableFile,
  columns: readonly string[],
  read: TableReader,
): Promise<NumberedLine[]> {
  const table = await read(file);
  if ('fault' in table) throw refused([table.fault]);
  withinLimits(table.rows);
  const [heading, ...rows] = table.rows;
  const names = (heading ?? []).map((name) => name.trim().toLowerCase());
  const missing = columns.filter((column, i) => i < 3 && !names.includes(column));
  const twice = names.filter((name, i) => name !== '' && names.indexOf(name) < i);
  const unknown = names.filter((name) => name !== '' && !columns.includes(name));
  const faults = [
    ...missing.map((column) => ({ path: 'line 1', reason: `no column "${column}"` })),
    ...twice.map((name) => ({ path: 'line 1', reason: `column "${name}" stands twice` })),
    ...unknown.map((name) => ({ path: 'line 1', reason: `unknown column "${name}"` })),
  ];
  if (faults.length) throw refused(faults);
  return rows
    .map((cells, i) => ({
      line: i + 2,
      values: Object.fromEntries(names.map((name, j) => [name, asTyped(cells[j] ?? '')])),
    }))
    .filter(({ values }) => Object.values(values).some((text) => text.trim() !== ''));
}

/** A cell that a spreadsheet would take for a formula is kept text by an apostrophe; a number below zero is none. */
const harmless = (text: string) =>
  /^[=+@\t\r-]/.test(text) && readNumber(text) === undefined ? `'${text}` : text;

/** Without the apostrophe that `harmless` put before it. */
const asTyped = (text: string) => text.replace(/^'(?=[=+@\t\r-])/, '');

/** Tells a spreadsheet that accents are written as UTF-8. */
const BYTE_ORDER_MARK = '\uFEFF';

/** A table as a file to be sent. */
export async function writeLines(
  format: SheetFormat,
  title: string,
  columns: readonly string[],
  lines: readonly Line[],
): Promise<Buffer> {
  const rows = lines.map((line) => columns.map((column) => harmless(line[column] ?? '')));
  if (format === 'csv')
    return Buffer.from(BYTE_ORDER_MARK + Papa.unparse([[...columns], ...rows], { newline: '\r\n' }), 'utf8');
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(title);
  sheet.addRow([...columns]).font = { bold: true };
  sheet.views = [{ state: 'frozen', ySplit: 1 }];
  for (const row of rows)
    sheet.addRow(row.map((text) => (/^-?\d+(\.\d+)?$/.test(text) ? Number(text) : text)));
  sheet.columns.forEach((column, i) => {
    column.width = Math.max(10, (columns[i]?.length ?? 8) + 4);
  });
  return Buffer.from(await book.xlsx.writeBuffer());
}

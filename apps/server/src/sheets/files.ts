import { readNumber, type SheetFormat } from '@early-lantern/contract';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { refused } from '../http/problem.ts';
import type { Line } from './columns.ts';
import { MOST_ROWS, unpacksWithinLimits, withinLimits } from './limits.ts';

/** A line with its number in the file; the heading is line 1. */
export interface NumberedLine {
  line: number;
  values: Line;
}

/** Lines of a file sent in, by its heading. */
export async function readLines(
  format: SheetFormat,
  content: Buffer,
  columns: readonly string[],
): Promise<NumberedLine[]> {
  const table = format === 'csv' ? readCsv(content) : await readXlsx(content);
  withinLimits(table);
  const [heading, ...rows] = table;
  const names = (heading ?? []).map((name) => name.trim().toLowerCase());
  const missing = columns.filter((column, i) => i < 3 && !names.includes(column));
  const unknown = names.filter((name) => name !== '' && !columns.includes(name));
  const faults = [
    ...missing.map((column) => ({ path: 'line 1', reason: `no column "${column}"` })),
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

function readCsv(content: Buffer): string[][] {
  // A byte order mark and the list separator of other regions are the spreadsheet's business, not the user's.
  const text = content.toString('utf8').replace(/^\uFEFF/, '');
  return Papa.parse<string[]>(text, {
    skipEmptyLines: false,
    delimitersToGuess: [',', ';', '\t'],
    // One more than there may be: it says that there are too many.
    preview: MOST_ROWS + 1,
  }).data;
}

async function readXlsx(content: Buffer): Promise<string[][]> {
  unpacksWithinLimits(content);
  const book = new ExcelJS.Workbook();
  try {
    await book.xlsx.load(content as unknown as ArrayBuffer);
  } catch {
    throw refused([{ path: 'content', reason: 'this is no spreadsheet (.xlsx)' }]);
  }
  const sheet = book.worksheets[0];
  if (!sheet) throw refused([{ path: 'content', reason: 'the spreadsheet has no sheet' }]);
  if (sheet.rowCount > MOST_ROWS)
    throw refused([
      {
        path: 'content',
        reason: `it goes down to row ${sheet.rowCount.toLocaleString('en')}: no more than ${MOST_ROWS.toLocaleString('en')} rows`,
      },
    ]);
  const rows: string[][] = [];
  for (let number = 1; number <= sheet.rowCount; number++) {
    const row = sheet.getRow(number);
    rows.push(Array.from({ length: sheet.columnCount }, (_, i) => row.getCell(i + 1).text ?? ''));
  }
  return rows;
}

/** A cell that a spreadsheet would take for a formula is kept text by an apostrophe; a number below zero is none. */
const harmless = (text: string) =>
  /^[=+@\t\r-]/.test(text) && readNumber(text) === undefined ? `'${text}` : text;

/** Without the apostrophe that `harmless` put before it. */
const asTyped = (text: string) => text.replace(/^'(?=[=+@\t\r-])/, '');

/** A table as a file to be sent. */
export async function writeLines(
  format: SheetFormat,
  title: string,
  columns: readonly string[],
  lines: readonly Line[],
): Promise<Buffer> {
  const rows = lines.map((line) => columns.map((column) => harmless(line[column] ?? '')));
  if (format === 'csv')
    return Buffer.from(Papa.unparse([[...columns], ...rows], { newline: '\r\n' }), 'utf8');
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

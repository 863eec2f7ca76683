import type { Fault, SheetFormat } from '@early-lantern/contract';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { MOST_ROWS, tooMuch, unpacksTooFar } from './limits.ts';

/** A file sent in. Its bytes are plain, so that they go to a thread and back. */
export interface TableFile {
  format: SheetFormat;
  content: Uint8Array;
}

/** The cells of the first sheet, row by row; or why they cannot be read. */
export type ReadTable = { rows: string[][] } | { fault: Fault };

/** Reads a file without looking at what its cells mean. Takes seconds for a large spreadsheet: done in a thread. */
export async function readTable({ format, content }: TableFile): Promise<ReadTable> {
  return format === 'csv' ? { rows: readCsv(Buffer.from(content)) } : readXlsx(Buffer.from(content));
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

async function readXlsx(content: Buffer): Promise<ReadTable> {
  const fault = unpacksTooFar(content);
  if (fault) return { fault };
  const book = new ExcelJS.Workbook();
  try {
    await book.xlsx.load(content as unknown as ArrayBuffer);
  } catch {
    return { fault: tooMuch('this is no spreadsheet (.xlsx)') };
  }
  const sheet = book.worksheets[0];
  if (!sheet) return { fault: tooMuch('the spreadsheet has no sheet') };
  if (sheet.rowCount > MOST_ROWS)
    return {
      fault: tooMuch(
        `it goes down to row ${sheet.rowCount.toLocaleString('en')}: no more than ${MOST_ROWS.toLocaleString('en')} rows`,
      ),
    };
  const rows: string[][] = [];
  for (let number = 1; number <= sheet.rowCount; number++) {
    const row = sheet.getRow(number);
    rows.push(Array.from({ length: sheet.columnCount }, (_, i) => row.getCell(i + 1).text ?? ''));
  }
  return { rows };
}

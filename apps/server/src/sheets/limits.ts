import { refused } from '../http/problem.ts';

/** No shelf or catalogue is larger: what is beyond is a slip, or somebody's mischief. */
export const MOST_ROWS = 20_000;
const MOST_COLUMNS = 60;
const LONGEST_CELL = 4000;
/** Bytes that a spreadsheet may unpack to. */
const MOST_UNPACKED = 40 * 1024 * 1024;

const tooMuch = (reason: string) => refused([{ path: 'content', reason }]);

/** @throws ProblemError where a table has more rows or columns than any of the house's, or a cell more than a text holds */
export function withinLimits(rows: readonly (readonly string[])[]): void {
  if (rows.length > MOST_ROWS) throw tooMuch(`more than ${MOST_ROWS.toLocaleString('en')} rows`);
  for (const [i, cells] of rows.entries()) {
    if (cells.length > MOST_COLUMNS) throw tooMuch(`line ${i + 1} has more than ${MOST_COLUMNS} columns`);
    if (cells.some((text) => text.length > LONGEST_CELL))
      throw tooMuch(`line ${i + 1} has a cell of more than ${LONGEST_CELL.toLocaleString('en')} characters`);
  }
}

/** Signatures of the ZIP file format, APPNOTE.TXT 4.3: the end of the central directory, and one entry of it. */
const END_OF_DIRECTORY = 0x06054b50;
const ENTRY = 0x02014b50;

/**
 * What a ZIP archive says it unpacks to, bytes: the sum over its central directory, without unpacking anything.
 * @throws ProblemError for what is no such archive, or unpacks to more than a table ever is
 */
export function unpacksWithinLimits(archive: Buffer): void {
  const noSheet = tooMuch('this is no spreadsheet (.xlsx)');
  // The directory's end is followed by a comment of 64 KiB at most.
  let end = archive.length - 22;
  while (end >= 0 && end > archive.length - 65_600 && archive.readUInt32LE(end) !== END_OF_DIRECTORY) end--;
  if (end < 0 || archive.readUInt32LE(end) !== END_OF_DIRECTORY) throw noSheet;
  let at = archive.readUInt32LE(end + 16);
  let bytes = 0;
  for (let left = archive.readUInt16LE(end + 10); left > 0; left--) {
    if (at + 46 > archive.length || archive.readUInt32LE(at) !== ENTRY) throw noSheet;
    bytes += archive.readUInt32LE(at + 24);
    at += 46 + archive.readUInt16LE(at + 28) + archive.readUInt16LE(at + 30) + archive.readUInt16LE(at + 32);
  }
  if (bytes > MOST_UNPACKED) throw tooMuch(`it unpacks to ${Math.round(bytes / 1024 / 1024)} MB`);
}

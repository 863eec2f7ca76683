import type { Fault } from '@early-lantern/contract';
import { refused } from '../http/problem.ts';

/** No shelf or catalogue is larger: what is beyond is a slip, or somebody's mischief. */
export const MOST_ROWS = 20_000;
const MOST_COLUMNS = 60;
const LONGEST_CELL = 4000;
/** Bytes that a spreadsheet may unpack to. */
const MOST_UNPACKED = 40 * 1024 * 1024;

export const tooMuch = (reason: string): Fault => ({ path: 'content', reason });

/** @throws ProblemError where a table has more rows or columns than any of the house's, or a cell more than a text holds */
export function withinLimits(rows: readonly (readonly string[])[]): void {
  if (rows.length > MOST_ROWS) throw refused([tooMuch(`more than ${MOST_ROWS.toLocaleString('en')} rows`)]);
  for (const [i, cells] of rows.entries()) {
    if (cells.length > MOST_COLUMNS)
      throw refused([tooMuch(`line ${i + 1} has more than ${MOST_COLUMNS} columns`)]);
    if (cells.some((text) => text.length > LONGEST_CELL))
      throw refused([
        tooMuch(`line ${i + 1} has a cell of more than ${LONGEST_CELL.toLocaleString('en')} characters`),
      ]);
  }
}

/** Signatures of the ZIP file format, APPNOTE.TXT 4.3: the end of the central directory, and one entry of it. */
const END_OF_DIRECTORY = 0x06054b50;
const ENTRY = 0x02014b50;

/**
 * What is wrong with an archive that is no ZIP, or says that it unpacks to more than a table ever is: the sum over its
 * central directory, without unpacking anything.
 */
export function unpacksTooFar(archive: Buffer): Fault | undefined {
  const noSheet = tooMuch('this is no spreadsheet (.xlsx)');
  // The directory's end is followed by a comment of 64 KiB at most.
  let end = archive.length - 22;
  while (end >= 0 && end > archive.length - 65_600 && archive.readUInt32LE(end) !== END_OF_DIRECTORY) end--;
  if (end < 0 || archive.readUInt32LE(end) !== END_OF_DIRECTORY) return noSheet;
  let at = archive.readUInt32LE(end + 16);
  let bytes = 0;
  for (let left = archive.readUInt16LE(end + 10); left > 0; left--) {
    if (at + 46 > archive.length || archive.readUInt32LE(at) !== ENTRY) return noSheet;
    bytes += archive.readUInt32LE(at + 24);
    at += 46 + archive.readUInt16LE(at + 28) + archive.readUInt16LE(at + 30) + archive.readUInt16LE(at + 32);
  }
  return bytes > MOST_UNPACKED ? tooMuch(`it unpacks to ${Math.round(bytes / 1024 / 1024)} MB`) : undefined;
}

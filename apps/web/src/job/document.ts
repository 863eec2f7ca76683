import type { Fix, Job, JobFile, JobHead, JobRow, Piece } from '@early-lantern/contract';
import { applyChanges } from '@early-lantern/core';

/** A job as it is edited: its head and its pieces. */
export interface JobDocument {
  head: JobHead;
  pieces: Piece[];
}

export const documentOf = (row: JobRow): JobDocument => ({
  head: row.data,
  pieces: row.pieces.map((piece) => piece.data),
});

export const jobOf = ({ head, pieces }: JobDocument): Job => ({ ...head, pieces });

/** The document with a fix applied; fixes speak of the job file. */
export function withFix(file: JobFile, fix: Fix): JobDocument {
  const { pieces, ...head } = applyChanges(file, fix.changes).job;
  return { head, pieces };
}

/** Equal as data, whatever the order of keys. */
export function sameData(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(left);
  return keys.length === Object.keys(right).length && keys.every((key) => sameData(left[key], right[key]));
}

/** A value that two versions disagree on, by its path. */
interface Difference {
  path: string;
  mine: unknown;
  theirs: unknown;
}

/** Where two versions differ, leaf by leaf; lists that differ in length are told as a whole. */
export function differences(mine: unknown, theirs: unknown, path = ''): Difference[] {
  if (sameData(mine, theirs)) return [];
  const isTree = (value: unknown): value is object => typeof value === 'object' && value !== null;
  const isSplit = Array.isArray(mine) && Array.isArray(theirs) && mine.length !== theirs.length;
  if (!isTree(mine) || !isTree(theirs) || isSplit) return [{ path, mine, theirs }];
  const [left, right] = [mine as Record<string, unknown>, theirs as Record<string, unknown>];
  return [...new Set([...Object.keys(left), ...Object.keys(right)])].flatMap((key) =>
    differences(left[key], right[key], path ? `${path}.${key}` : key),
  );
}

import type { AgreedTask, Fix, Job, JobFile, JobHead, JobRow, Piece } from '@early-lantern/contract';
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

/** A changed document with the plan that was on screen before; one that the change itself set or took away stays so. */
export function withShown(
  before: JobDocument,
  next: JobDocument,
  shown: AgreedTask[] | undefined,
): JobDocument {
  if (!shown?.length || !sameData(before.head.clock?.shown, next.head.clock?.shown)) return next;
  return { ...next, head: { ...next.head, clock: { ...next.head.clock, shown } } };
}

/** Equal as data, whatever the order of keys; what is undefined is not there, as in JSON. */
export function sameData(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const said = (one: Record<string, unknown>) => Object.keys(one).filter((key) => one[key] !== undefined);
  const keys = said(left);
  return keys.length === said(right).length && keys.every((key) => sameData(left[key], right[key]));
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

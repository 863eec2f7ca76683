import type { Job, JobFile, JobHead, Piece, Site, Workshop } from '@early-lantern/contract';
import { replaceEqualDeep } from '@tanstack/query-core';

/** What of a job file is new since it was last sent; what is left out stays as it was. */
export interface FileChange {
  workshop?: Workshop;
  site?: Site;
  head?: JobHead;
  /** The ids of all pieces in their order, and the pieces that are new. */
  order: string[];
  pieces: Piece[];
}

const headOf = ({ pieces: _, ...head }: Job): JobHead => head;

/** Nothing is changed in place: a part of which every value is the same object is the same. */
function isSame(a: object, b: object): boolean {
  const [left, right] = [Object.entries(a), Object.entries(b)];
  return left.length === right.length && left.every(([key, value]) => Object.is(value, b[key as never]));
}

/** What to send so that whoever has `before` has `after`; everything where nothing was sent before. */
export function changeOf(before: JobFile | undefined, after: JobFile): FileChange {
  const known = new Set(before?.job.pieces);
  const head = headOf(after.job);
  return {
    ...(before?.workshop === after.workshop ? {} : { workshop: after.workshop }),
    ...(before?.site === after.site ? {} : { site: after.site }),
    ...(before && isSame(headOf(before.job), head) ? {} : { head }),
    order: after.job.pieces.map(({ id }) => id),
    pieces: after.job.pieces.filter((piece) => !known.has(piece)),
  };
}

/**
 * The file after a change; what is as it was stays the same object, also where it was sent again.
 * @throws {RangeError} for a change that leaves out what was never sent
 */
export function changedFile(before: JobFile | undefined, change: FileChange): JobFile {
  const workshop = change.workshop ?? before?.workshop;
  const site = change.site ?? before?.site;
  const head = change.head ?? (before && headOf(before.job));
  const sent = new Map(change.pieces.map((piece) => [piece.id, piece]));
  const known = new Map(before?.job.pieces.map((piece) => [piece.id, piece]));
  const pieces = change.order.map((id) => {
    const piece = sent.get(id) ?? known.get(id);
    if (!piece) throw new RangeError(`the piece "${id}" was never sent`);
    return replaceEqualDeep(known.get(id), piece);
  });
  if (!workshop || !site || !head) throw new RangeError('the first change has to bring the whole file');
  return {
    format: 'early-lantern/job',
    version: 2,
    workshop: replaceEqualDeep(before?.workshop, workshop),
    site: replaceEqualDeep(before?.site, site),
    job: { ...(before ? replaceEqualDeep(headOf(before.job), head) : head), pieces },
  };
}

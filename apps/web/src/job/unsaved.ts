import type { JobHead, Piece } from '@early-lantern/contract';
import { carriersFirst } from '@early-lantern/core';
import type { Baseline } from './baseline.ts';
import { type JobDocument, sameData } from './document.ts';

/** One row that the server has to be told of. */
export type Unsaved =
  | { does: 'change job'; id: string; data: JobHead }
  | { does: 'add piece'; id: string; data: Piece }
  | { does: 'change piece'; id: string; data: Piece; revision: number }
  | { does: 'delete piece'; id: string; revision: number };

/** The job's own row among those of its pieces, none of which is called so. */
const HEAD = '';

/**
 * The first row that differs from what the server holds, in an order in which it takes them: carriers are added before what
 * hangs on them, and deleted after.
 * @param held ids of rows that are left out
 */
export function firstUnsaved(
  { head, pieces }: JobDocument,
  saved: Baseline,
  held: ReadonlyMap<string, unknown> = new Map(),
): Unsaved | undefined {
  if (!held.has(HEAD) && !sameData(head, saved.head.data))
    return { does: 'change job', id: HEAD, data: head };
  for (const data of carriersFirst(pieces)) {
    const { id } = data;
    if (held.has(id)) continue;
    const row = saved.pieces.get(id);
    if (!row) return { does: 'add piece', id, data };
    if (!sameData(data, row.data)) return { does: 'change piece', id, data, revision: row.revision };
  }
  const ids = new Set(pieces.map((piece) => piece.id));
  const gone = [...saved.pieces.values()].filter(({ data }) => !ids.has(data.id) && !held.has(data.id));
  const [last] = carriersFirst(gone.map(({ data }) => data)).slice(-1);
  const row = last && saved.pieces.get(last.id);
  return row && { does: 'delete piece', id: row.data.id, revision: row.revision };
}

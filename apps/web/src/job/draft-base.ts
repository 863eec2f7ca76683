import type { JobHead, Piece } from '@early-lantern/contract';
import type { Baseline, SavedRow } from './baseline.ts';
import { sameData } from './document.ts';
import type { Draft } from './kept-work.ts';

/**
 * What a draft was made from, so that a change elsewhere since is noticed, and put together where it can be.
 * @param now as the server has it
 */
export function draftBase(jobId: string, { sent, base, ...draft }: Draft, now: Baseline): Baseline {
  // Its answer was lost on the way: the row is this draft's own.
  const isOwn = (row: SavedRow<JobHead | Piece>, id: string, revision: number) =>
    sent?.id === id && row.revision === revision + 1 && sameData(row.data, sent.data);
  const from = <D extends JobHead | Piece>(
    row: SavedRow<D>,
    id: string,
    revision: number,
    was?: SavedRow<D>,
  ) => (isOwn(row, id, revision) ? row : (was ?? { ...row, revision }));
  const before = new Map(base?.pieces);
  const pieces = new Map(now.pieces);
  for (const [id, revision] of draft.pieces) {
    const row = now.pieces.get(id);
    const was = before.get(id);
    if (row) pieces.set(id, from(row, id, revision, was));
    // Gone since: only who knows what it was can tell that.
    else if (was) pieces.set(id, was);
  }
  // What others have added since is news.
  if (base) for (const id of now.pieces.keys()) if (!before.has(id)) pieces.delete(id);
  return { head: from(now.head, jobId, draft.head, base?.head), pieces };
}

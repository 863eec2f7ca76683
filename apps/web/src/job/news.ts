import type { JobHead, Piece } from '@early-lantern/contract';
import type { Baseline, SavedRow } from './baseline.ts';
import { type JobDocument, sameData } from './document.ts';
import { eachVersion, type History } from './history.ts';
import { type Merged, merged } from './merge.ts';

/** An edit, and what it is made from. */
export interface Edit {
  history: History<JobDocument>;
  baseline: Baseline;
}

/**
 * An edit with what others have saved meanwhile: field by field what only one of both has changed is as that one has it, in
 * every version of the history, so that an undo here takes back nothing of theirs. A row of which both have changed the same
 * is left as it was: saving it asks.
 */
export function withNews(edit: Edit, now: Baseline): Edit {
  const ids = new Set([...edit.baseline.pieces.keys(), ...now.pieces.keys()]);
  return [...ids].reduce((so, id) => withPieceNews(so, id, now.pieces.get(id)), withHeadNews(edit, now.head));
}

/** A head without the plan that was on screen, and that: which each had is nothing to choose between. */
function apart({ clock, ...head }: JobHead) {
  const { shown, ...choices } = clock ?? {};
  return { head: Object.keys(choices).length > 0 ? { ...head, clock: choices } : head, shown };
}

/** Two heads put together; the plan on screen stays mine. */
function mergedHeads(base: JobHead, mine: JobHead, theirs: JobHead): Merged<JobHead> {
  const own = apart(mine);
  const { value, clashes } = merged<JobHead>(apart(base).head, own.head, apart(theirs).head);
  const shown = own.shown ?? apart(theirs).shown;
  return { value: shown ? { ...value, clock: { ...value.clock, shown } } : value, clashes };
}

export function withHeadNews(edit: Edit, theirs: SavedRow<JobHead>): Edit {
  const { history, baseline } = edit;
  if (theirs.revision <= baseline.head.revision) return edit;
  const mergeInto = (head: JobHead) => mergedHeads(baseline.head.data, head, theirs.data);
  if (mergeInto(history.present.head).clashes.length > 0) return edit;
  return {
    history: eachVersion(history, (one) => ({ ...one, head: mergeInto(one.head).value })),
    baseline: { ...baseline, head: theirs },
  };
}

/** @param theirs the piece as it is saved; undefined where it is gone */
export function withPieceNews(edit: Edit, id: string, theirs: SavedRow<Piece> | undefined): Edit {
  const { history, baseline } = edit;
  const base = baseline.pieces.get(id);
  const mine = history.present.pieces.find((one) => one.id === id);
  if (base && theirs && theirs.revision <= base.revision) return edit;
  const settled = (pieces: (own: readonly Piece[]) => Piece[]): Edit => ({
    history: eachVersion(history, (one) => ({ ...one, pieces: pieces(one.pieces) })),
    baseline: { ...baseline, pieces: withRow(baseline.pieces, id, theirs) },
  });
  if (!theirs) {
    if (mine && !sameData(mine, base?.data)) return edit;
    return settled((own) => own.filter((one) => one.id !== id));
  }
  if (!base) {
    // One of that name was added here as well: saving it finds out.
    if (mine) return edit;
    return settled((own) => [...own.filter((one) => one.id !== id), theirs.data]);
  }
  // Deleted here and changed there, or the same of it changed by both: saving asks.
  if (!mine || merged(base.data, mine, theirs.data).clashes.length > 0) return edit;
  return settled((own) =>
    own.map((one) => (one.id === id ? merged(base.data, one, theirs.data).value : one)),
  );
}

function withRow(rows: Baseline['pieces'], id: string, row: SavedRow<Piece> | undefined): Baseline['pieces'] {
  const changed = new Map(rows);
  if (row) changed.set(id, row);
  else changed.delete(id);
  return changed;
}

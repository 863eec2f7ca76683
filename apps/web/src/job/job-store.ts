import {
  type AgreedTask,
  type Fault,
  type JobHead,
  type JobRow,
  newestPiece,
  type Piece,
  type PieceRow,
} from '@early-lantern/contract';
import { carriersFirst } from '@early-lantern/core';
import { del, get, set } from 'idb-keyval';
import { ApiProblem, call } from '../api/client.ts';
import { documentOf, type JobDocument, sameApartFromShown, sameData, withShown } from './document.ts';
import { beginHistory, changed, type History, redone, undone } from './history.ts';

/** A row both this tab and somebody else changed. `theirs` is null when it was deleted. */
export interface Conflict {
  part: 'job' | 'piece';
  id: string;
  mine: JobHead | Piece | null;
  theirs: { revision: number; data: JobHead | Piece } | null;
}

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'saving' }
  | { kind: 'offline' }
  | { kind: 'refused'; faults: Fault[] }
  | { kind: 'conflict'; conflict: Conflict };

export interface JobSnapshot {
  document: JobDocument;
  save: SaveState;
  canUndo: boolean;
  canRedo: boolean;
}

interface SavedRow<D> {
  revision: number;
  data: D;
}

/** What the server is known to hold. */
interface Baseline {
  head: SavedRow<JobHead>;
  pieces: Map<string, SavedRow<Piece>>;
}

/** Unsaved work kept in the browser, with the revisions it was made from. */
interface Draft {
  document: JobDocument;
  head: number;
  pieces: [id: string, revision: number][];
  /** What was on its way to the server: found there, it is our own and nobody else's change. */
  sent?: { id: string; data: JobHead | Piece };
}

const SETTLE_MS = 350;
const RETRY_MS = 2_000;
const DRAFT_PATIENCE_MS = 3_000;
const draftKey = (jobId: string) => `early-lantern-draft:${jobId}`;

const baselineOf = (row: JobRow): Baseline => ({
  head: { revision: row.revision, data: row.data },
  pieces: new Map(row.pieces.map((piece) => [piece.data.id, { revision: piece.revision, data: piece.data }])),
});

/**
 * One job under edit. Every change shows at once, goes into the history, is kept in this browser until the server has
 * it, and is saved shortly after the last. A row changed elsewhere meanwhile stops the saving until one version is
 * chosen.
 */
export class JobStore {
  private history: History<JobDocument>;
  private baseline: Baseline;
  private save: SaveState = { kind: 'saved' };
  private snapshot: JobSnapshot;
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private saving: Promise<void> | undefined;
  private readonly jobId: string;
  private sent: Draft['sent'];
  private shown: AgreedTask[] | undefined;

  private constructor(row: JobRow, draft: Draft | undefined) {
    this.jobId = row.data.id;
    this.baseline = baselineOf(row);
    this.history = beginHistory(documentOf(row));
    if (draft && !sameData(draft.document, this.history.present)) {
      this.history = changed(this.history, draft.document);
      // Not saved before it is.
      this.save = { kind: 'saving' };
      // Saved under the revisions the draft was made from, so that a change elsewhere is noticed.
      const madeFrom = (row: SavedRow<JobHead | Piece>, id: string, revision: number) => {
        const isOwn =
          draft.sent?.id === id && row.revision === revision + 1 && sameData(row.data, draft.sent.data);
        if (!isOwn) row.revision = revision;
      };
      madeFrom(this.baseline.head, this.jobId, draft.head);
      for (const [id, revision] of draft.pieces) {
        const piece = this.baseline.pieces.get(id);
        if (piece) madeFrom(piece, id, revision);
      }
      this.schedule(0);
    }
    this.snapshot = this.makeSnapshot();
  }

  /** Opens a job, with work this browser still keeps of it. */
  static async open(jobId: string): Promise<JobStore> {
    const [row, draft] = await Promise.all([call<JobRow>('GET', `/jobs/${jobId}`), readDraft(jobId)]);
    return new JobStore(row, draft);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly getSnapshot = (): JobSnapshot => this.snapshot;

  /** Changes the document; changes of one gesture, like a drag, undo as one. */
  readonly change = (edit: (document: JobDocument) => JobDocument, gesture?: string): void => {
    const before = this.history.present;
    const next = edit(before);
    if (sameData(next, before)) return;
    const goesOn = gesture !== undefined && gesture === this.history.gesture;
    this.setHistory(changed(this.history, withShown(before, next, goesOn ? undefined : this.shown), gesture));
  };

  /** The plan now on screen: the next one stays as near to it as it can. */
  readonly noteShown = (tasks: AgreedTask[]): void => {
    this.shown = tasks;
  };

  readonly undo = (): void => this.setHistory(undone(this.history));
  readonly redo = (): void => this.setHistory(redone(this.history));

  /** Settles a conflict: save mine over theirs, or take theirs here. */
  readonly resolve = (choice: 'mine' | 'theirs'): void => {
    if (this.save.kind !== 'conflict') return;
    const { part, id, theirs } = this.save.conflict;
    if (part === 'job' && theirs) this.baseline.head = theirs as SavedRow<JobHead>;
    if (part === 'piece' && theirs) this.baseline.pieces.set(id, theirs as SavedRow<Piece>);
    if (part === 'piece' && !theirs) this.baseline.pieces.delete(id);
    this.setSave({ kind: 'saving' });
    if (choice === 'theirs') {
      const { head, pieces } = this.history.present;
      const document =
        part === 'job' && theirs
          ? { head: theirs.data as JobHead, pieces }
          : { head, pieces: putPiece(pieces, id, theirs ? (theirs.data as Piece) : undefined) };
      this.setHistory(changed(this.history, document));
    }
    this.schedule(0);
  };

  /** Saves now what waits; settled when the server has it or saving has stopped. */
  readonly flush = async (): Promise<void> => {
    clearTimeout(this.timer);
    this.saving ??= this.saveAll().finally(() => {
      this.saving = undefined;
    });
    await this.saving;
  };

  /**
   * Takes the last change back and gives up saving it, where it could not be saved. Work that was unsaved before stays
   * kept in this browser.
   */
  readonly giveUp = async (): Promise<void> => {
    clearTimeout(this.timer);
    this.history = undone(this.history);
    this.publish();
    if (this.nextDifference()) await this.keepDraft();
    else await del(draftKey(this.jobId)).catch(() => undefined);
  };

  private setHistory(history: History<JobDocument>): void {
    if (history === this.history) return;
    this.history = history;
    if (this.save.kind !== 'conflict') this.save = { kind: 'saving' };
    this.publish();
    void this.keepDraft();
    this.schedule(SETTLE_MS);
  }

  private setSave(save: SaveState): void {
    this.save = save;
    this.publish();
  }

  private publish(): void {
    this.snapshot = this.makeSnapshot();
    for (const listener of this.listeners) listener();
  }

  private makeSnapshot(): JobSnapshot {
    return {
      document: this.history.present,
      save: this.save,
      canUndo: this.history.past.length > 0,
      canRedo: this.history.future.length > 0,
    };
  }

  private async keepDraft(): Promise<void> {
    const draft: Draft = {
      document: this.history.present,
      head: this.baseline.head.revision,
      pieces: [...this.baseline.pieces].map(([id, piece]) => [id, piece.revision]),
      ...(this.sent ? { sent: this.sent } : {}),
    };
    // Without room in the browser the server copy is still the one that counts.
    await set(draftKey(this.jobId), draft).catch(() => undefined);
  }

  /** Written down before it leaves: the page may go before the answer comes. */
  private async noteSent(id: string, data: JobHead | Piece): Promise<void> {
    this.sent = { id, data };
    await this.keepDraft();
  }

  private schedule(delay: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), delay);
  }

  /** Sends row after row until nothing differs, or something stops it. */
  private async saveAll(): Promise<void> {
    if (this.save.kind === 'conflict') return;
    try {
      for (let send = this.nextDifference(); send; send = this.nextDifference()) await send();
      await del(draftKey(this.jobId)).catch(() => undefined);
      if (this.nextDifference()) return this.schedule(0);
      this.setSave({ kind: 'saved' });
    } catch (error) {
      this.stopSaving(error);
    }
  }

  private stopSaving(error: unknown): void {
    if (error instanceof ConflictFound) {
      this.setSave({ kind: 'conflict', conflict: error.conflict });
    } else if (error instanceof ApiProblem && error.problem.status < 500) {
      const faults = error.problem.faults ?? [{ path: '', reason: error.message }];
      this.setSave({ kind: 'refused', faults });
    } else {
      this.setSave({ kind: 'offline' });
      this.schedule(RETRY_MS);
    }
  }

  /** How to send the first row that differs from what the server holds. */
  private nextDifference(): (() => Promise<void>) | undefined {
    const { head, pieces } = this.history.present;
    if (!sameData(head, this.baseline.head.data)) return () => this.saveHead(head);
    // Carriers first: the server refuses what hangs on nothing.
    for (const piece of carriersFirst(pieces)) {
      const saved = this.baseline.pieces.get(piece.id);
      if (!saved) return () => this.addPiece(piece);
      if (!sameData(piece, saved.data)) return () => this.savePiece(piece, saved.revision);
    }
    const ids = new Set(pieces.map((piece) => piece.id));
    // What is carried goes before its carrier: nothing is ever left hanging on what is not there.
    const gone = [...this.baseline.pieces.values()].filter(({ data }) => !ids.has(data.id));
    const [last] = carriersFirst(gone.map(({ data }) => data)).slice(-1);
    const saved = last && this.baseline.pieces.get(last.id);
    return saved && (() => this.removePiece(last.id, saved.revision));
  }

  private async saveHead(data: JobHead): Promise<void> {
    const { revision } = this.baseline.head;
    await this.noteSent(this.jobId, data);
    const saved = await call<JobRow>('PUT', `/jobs/${this.jobId}`, { revision, data }).catch((error) =>
      this.settle('job', this.jobId, data, error),
    );
    this.baseline.head = { revision: saved.revision, data: saved.data as JobHead };
  }

  private async addPiece(data: Piece): Promise<void> {
    const saved = await call<PieceRow>('POST', `/jobs/${this.jobId}/pieces`, data).catch(async (error) => {
      if (!(error instanceof ApiProblem) || error.problem.status !== 409) throw error;
      // It is there already: an answer was lost on the way, or somebody made one of the same name.
      const current = await call<PieceRow>('GET', `/jobs/${this.jobId}/pieces/${data.id}`);
      if (sameData(current.data, data)) return current;
      throw new ConflictFound({ part: 'piece', id: data.id, mine: data, theirs: current });
    });
    this.baseline.pieces.set(data.id, { revision: saved.revision, data: saved.data });
  }

  private async savePiece(data: Piece, revision: number): Promise<void> {
    await this.noteSent(data.id, data);
    const saved = await call<PieceRow>('PUT', `/jobs/${this.jobId}/pieces/${data.id}`, {
      revision,
      data,
    }).catch((error) => this.settle('piece', data.id, data, error));
    this.baseline.pieces.set(data.id, { revision: saved.revision, data: saved.data as Piece });
  }

  private async removePiece(id: string, revision: number): Promise<void> {
    await call('DELETE', `/jobs/${this.jobId}/pieces/${id}?revision=${revision}`).catch((error) => {
      const isGone = error instanceof ApiProblem && error.problem.status === 404;
      if (!isGone) return this.settle('piece', id, null, error);
    });
    this.baseline.pieces.delete(id);
  }

  /** Somebody else's head, where nothing of one's own is lost by it. */
  private takeHead(theirs: SavedRow<JobHead>): SavedRow<JobHead> {
    const { pieces } = this.history.present;
    this.history = { ...this.history, present: { head: theirs.data, pieces } };
    this.publish();
    return theirs;
  }

  /**
   * What a refused update means: the server already holds just this (its answer was lost), or somebody else changed or
   * deleted the row.
   */
  private settle(
    part: Conflict['part'],
    id: string,
    mine: Conflict['mine'],
    error: unknown,
  ): SavedRow<JobHead | Piece> {
    if (!(error instanceof ApiProblem)) throw error;
    const { status, current } = error.problem;
    if (status === 404 && part === 'piece') throw new ConflictFound({ part, id, mine, theirs: null });
    if (status !== 409 || !current) throw error;
    const theirs = current as SavedRow<JobHead | Piece>;
    if (sameData(theirs.data, mine)) return theirs;
    if (part === 'job' && mine) {
      const [own, other] = [mine as JobHead, theirs.data as JobHead];
      // Which plan each had on screen is nothing to choose between.
      if (sameApartFromShown(own, other)) return theirs;
      if (sameApartFromShown(own, this.baseline.head.data)) return this.takeHead(theirs as SavedRow<JobHead>);
    }
    throw new ConflictFound({ part, id, mine, theirs });
  }
}

/** The draft kept in this browser; none when the browser's store is closed to us or does not answer in time. */
async function readDraft(jobId: string): Promise<Draft | undefined> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<undefined>((done) => {
    timer = setTimeout(done, DRAFT_PATIENCE_MS, undefined);
  });
  const draft = get<Draft>(draftKey(jobId))
    .then((kept) => kept && newestDraft(kept))
    .catch(() => undefined);
  return Promise.race([draft, late]).finally(() => clearTimeout(timer));
}

/** A draft that an older version of this page has kept, as one of today. */
const newestDraft = (draft: Draft): Draft => ({
  ...draft,
  document: { ...draft.document, pieces: draft.document.pieces.map((piece) => newestPiece(piece) as Piece) },
});

class ConflictFound extends Error {
  readonly conflict: Conflict;

  constructor(conflict: Conflict) {
    super('changed elsewhere');
    this.conflict = conflict;
  }
}

/** The pieces with one replaced, added at the end, or taken out. */
function putPiece(pieces: readonly Piece[], id: string, piece: Piece | undefined): Piece[] {
  if (!piece) return pieces.filter((one) => one.id !== id);
  const isKnown = pieces.some((one) => one.id === id);
  return isKnown ? pieces.map((one) => (one.id === id ? piece : one)) : [...pieces, piece];
}

import type { AgreedTask, JobHead, JobRow, Piece, PieceRow } from '@early-lantern/contract';
import { ApiProblem, call } from '../api/client.ts';
import { type Baseline, baselineOf, type SavedRow } from './baseline.ts';
import { documentOf, type JobDocument, sameData, withShown } from './document.ts';
import { draftBase } from './draft-base.ts';
import { beginHistory, changed, type History, redone, undone } from './history.ts';
import { type Draft, dropDraft, keepDraft, keepUndo, readDraft, readUndo } from './kept-work.ts';
import { withHeadNews, withNews, withPieceNews } from './news.ts';
import { type Conflict, ConflictFound, isServersFault, type SaveState } from './save-state.ts';
import { firstUnsaved, type Unsaved } from './unsaved.ts';

export interface JobSnapshot {
  document: JobDocument;
  save: SaveState;
  canUndo: boolean;
  canRedo: boolean;
}

const SETTLE_MS = 350;
const RETRY_MS = 2_000;
const LONGEST_RETRY_MS = 30_000;

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
  /** What is under way with the server: one thing after the other. */
  private turn: Promise<unknown> = Promise.resolve();
  private changedAt: string | undefined;
  private retryMs = RETRY_MS;
  private readonly jobId: string;
  private readonly isStrict: boolean;
  /** Set where whoever looks at it may not change it: tells them so. */
  private tellLookOnly: (() => void) | undefined;
  private sent: Draft['sent'];
  private shown: AgreedTask[] | undefined;

  private constructor(row: JobRow, draft: Draft | undefined, isStrict: boolean) {
    this.isStrict = isStrict;
    this.jobId = row.data.id;
    this.baseline = baselineOf(row);
    this.history = beginHistory(documentOf(row));
    if (draft && !sameData(draft.document, this.history.present)) {
      this.changedAt = draft.at;
      this.history = changed(this.history, draft.document);
      // Not saved before it is.
      this.save = { kind: 'saving' };
      const now = baselineOf(row);
      this.baseline = draftBase(this.jobId, draft, now);
      if (draft.base) this.takeIn(now);
      this.schedule(0);
    }
    this.snapshot = this.makeSnapshot();
  }

  /** Takes in what the server holds now, as far as it does not contradict what is changed here. */
  private takeIn(now: Baseline): void {
    const { history, baseline } = withNews({ history: this.history, baseline: this.baseline }, now);
    this.history = history;
    this.baseline = baseline;
  }

  /**
   * Opens a job, with work this browser still keeps of it, and what could be undone when it was left.
   * @param isStrict whatever others save meanwhile is a conflict, be it of another field
   */
  static async open(jobId: string, { isStrict = false } = {}): Promise<JobStore> {
    const [row, draft] = await Promise.all([call<JobRow>('GET', `/jobs/${jobId}`), readDraft(jobId)]);
    const store = new JobStore(row, draft, isStrict);
    const undo = store.save.kind === 'saved' ? await readUndo(jobId, store.baseline) : undefined;
    if (undo && store.history.past.length === 0) {
      store.history = { ...store.history, ...undo };
      store.publish();
    }
    return store;
  }

  /** Reads what others have saved, and shows it; told that something of this job was changed. */
  readonly refresh = (): Promise<void> =>
    this.inTurn(async () => {
      if (this.save.kind === 'conflict') return;
      const row = await call<JobRow>('GET', `/jobs/${this.jobId}`).catch(() => undefined);
      if (!row) return;
      const before = this.history;
      this.takeIn(baselineOf(row));
      // The server answers again: what waits need not wait longer.
      if (this.save.kind === 'offline' || this.save.kind === 'broken') this.schedule(0);
      if (this.history === before) return;
      this.publish();
      if (this.save.kind === 'saved') void keepUndo(this.jobId, this.history, this.baseline);
    });

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly getSnapshot = (): JobSnapshot => this.snapshot;

  /** Changes the document; changes of one gesture, like a drag, undo as one. */
  readonly change = (edit: (document: JobDocument) => JobDocument, gesture?: string): void => {
    if (this.tellLookOnly) {
      this.tellLookOnly();
      return;
    }
    const before = this.history.present;
    const next = edit(before);
    if (sameData(next, before)) return;
    const goesOn = gesture !== undefined && gesture === this.history.gesture;
    this.setHistory(changed(this.history, withShown(before, next, goesOn ? undefined : this.shown), gesture));
  };

  /** Whoever looks at it may not change it: nothing does, from here on, until they may. @param tell told of every try */
  readonly setLookOnly = (tell: (() => void) | undefined): void => {
    this.tellLookOnly = tell;
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
    this.saving ??= this.inTurn(() => this.saveAll()).finally(() => {
      this.saving = undefined;
    });
    await this.saving;
  };

  private inTurn(work: () => Promise<void>): Promise<void> {
    const done = this.turn.then(work);
    this.turn = done.catch(() => undefined);
    return done;
  }

  /**
   * Takes the last change back and gives up saving it, where it could not be saved. Work that was unsaved before stays
   * kept in this browser.
   */
  readonly giveUp = async (): Promise<void> => {
    clearTimeout(this.timer);
    this.history = undone(this.history);
    this.publish();
    if (this.unsaved()) await this.keepDraft();
    else await dropDraft(this.jobId);
  };

  private setHistory(history: History<JobDocument>): void {
    if (history === this.history) return;
    this.history = history;
    this.changedAt = new Date().toISOString();
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
    const { head, pieces } = this.baseline;
    await keepDraft(this.jobId, {
      document: this.history.present,
      head: head.revision,
      pieces: [...pieces].map(([id, piece]) => [id, piece.revision]),
      base: { head, pieces: [...pieces] },
      ...(this.sent ? { sent: this.sent } : {}),
      ...(this.changedAt ? { at: this.changedAt } : {}),
    });
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
      await this.sendAll();
      await dropDraft(this.jobId);
      if (this.unsaved()) return this.schedule(0);
      this.retryMs = RETRY_MS;
      this.setSave({ kind: 'saved' });
      void keepUndo(this.jobId, this.history, this.baseline);
    } catch (error) {
      this.stopSaving(error);
    }
  }

  /** Sends row after row; one that breaks the server holds up none of the others. */
  private async sendAll(): Promise<void> {
    const held = new Map<string, unknown>();
    for (let row = this.unsaved(held); row; row = this.unsaved(held)) {
      const { id } = row;
      await this.send(row).catch((error) => {
        if (!isServersFault(error)) throw error;
        held.set(id, error);
      });
    }
    for (const error of held.values()) throw error;
  }

  private stopSaving(error: unknown): void {
    if (error instanceof ConflictFound) {
      this.setSave({ kind: 'conflict', conflict: { ...error.conflict, changedAt: this.changedAt } });
    } else if (error instanceof ApiProblem && error.problem.status < 500) {
      const faults = error.problem.faults ?? [{ path: '', reason: error.message }];
      this.setSave({ kind: 'refused', faults });
    } else {
      this.setSave(
        isServersFault(error) ? { kind: 'broken', id: error.problem.requestId } : { kind: 'offline' },
      );
      this.schedule(this.retryMs);
      // Ever more seldom: what is silent for long is not mended by asking.
      this.retryMs = Math.min(LONGEST_RETRY_MS, this.retryMs * 2);
    }
  }

  private unsaved(held?: ReadonlyMap<string, unknown>): Unsaved | undefined {
    return firstUnsaved(this.history.present, this.baseline, held);
  }

  private send(row: Unsaved): Promise<void> {
    switch (row.does) {
      case 'change job':
        return this.saveHead(row.data);
      case 'add piece':
        return this.addPiece(row.data);
      case 'change piece':
        return this.savePiece(row.data, row.revision);
      case 'delete piece':
        return this.removePiece(row.id, row.revision);
    }
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

  /** Takes in one row of somebody else's; false where both have changed the same of it. */
  private takesRow(part: Conflict['part'], id: string, theirs: SavedRow<JobHead | Piece>): boolean {
    if (this.isStrict) return false;
    const edit = { history: this.history, baseline: this.baseline };
    const after =
      part === 'job'
        ? withHeadNews(edit, theirs as SavedRow<JobHead>)
        : withPieceNews(edit, id, theirs as SavedRow<Piece>);
    if (after === edit) return false;
    this.history = after.history;
    this.baseline = after.baseline;
    this.publish();
    return true;
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
    if (mine && this.takesRow(part, id, theirs)) return theirs;
    throw new ConflictFound({ part, id, mine, theirs });
  }
}

/** The pieces with one replaced, added at the end, or taken out. */
function putPiece(pieces: readonly Piece[], id: string, piece: Piece | undefined): Piece[] {
  if (!piece) return pieces.filter((one) => one.id !== id);
  const isKnown = pieces.some((one) => one.id === id);
  return isKnown ? pieces.map((one) => (one.id === id ? piece : one)) : [...pieces, piece];
}

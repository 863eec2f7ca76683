import { FIRST_WORKSHOP, type JobHead, newestPiece, type Piece } from '@early-lantern/contract';
import { del, get, set } from 'idb-keyval';
import { type Baseline, revisionsOf, type SavedRow } from './baseline.ts';
import type { JobDocument } from './document.ts';
import type { History } from './history.ts';

/** Unsaved work kept in the browser, with the revisions it was made from. */
export interface Draft {
  document: JobDocument;
  head: number;
  pieces: [id: string, revision: number][];
  /** What it was made from, row by row; drafts of older pages have none. */
  base?: { head: SavedRow<JobHead>; pieces: [string, SavedRow<Piece>][] };
  /** What was on its way to the server: found there, it is our own and nobody else's change. */
  sent?: { id: string; data: JobHead | Piece };
  /** When it was changed last. */
  at?: string;
}

/** What can be undone and redone of a job, and the revisions that its present has. */
interface KeptUndo {
  revisions: string;
  past: JobDocument[];
  future: JobDocument[];
}

const PATIENCE_MS = 3_000;
/** So many steps are kept from one session to the next. */
const STEPS = 40;
/** Before the job's id in a key: where several workshops use one installation, two of their jobs may have the same id. */
let workshop = '';
const draftKey = (jobId: string) => `early-lantern-draft:${workshop}${jobId}`;
const undoKey = (jobId: string) => `early-lantern-undo:${workshop}${jobId}`;

/** What is kept from here on is of this workshop. @param id null where there is only one */
export function keepWorkOf(id: string | null): void {
  workshop = id === null || id === FIRST_WORKSHOP ? '' : `${id}/`;
}

/** What stands before a job's id in the keys of what this browser keeps of it. */
export const keptOf = (): string => workshop;

/** Without room in the browser the server's copy is still the one that counts. */
export const keepDraft = (jobId: string, draft: Draft): Promise<void> =>
  set(draftKey(jobId), draft).catch(() => undefined);

export const dropDraft = (jobId: string): Promise<void> => del(draftKey(jobId)).catch(() => undefined);

/** The draft kept in this browser; none when the browser's store is closed to us or does not answer in time. */
export const readDraft = (jobId: string): Promise<Draft | undefined> =>
  inTime(get<Draft>(draftKey(jobId)).then((kept) => kept && newestDraft(kept)));

/** Keeps what can be undone of a job that is saved as it is. A tab in which nothing was done leaves what another one has kept. */
export async function keepUndo(
  jobId: string,
  { past, future }: History<JobDocument>,
  saved: Baseline,
): Promise<void> {
  if (past.length + future.length === 0) return;
  const kept: KeptUndo = {
    revisions: revisionsOf(saved),
    past: past.slice(-STEPS),
    future: future.slice(0, STEPS),
  };
  await set(undoKey(jobId), kept).catch(() => undefined);
}

/** What can be undone of a job since another session, where nobody has changed it meanwhile. */
export async function readUndo(
  jobId: string,
  saved: Baseline,
): Promise<Pick<History<JobDocument>, 'past' | 'future'> | undefined> {
  const kept = await inTime(get<KeptUndo>(undoKey(jobId)));
  if (kept?.revisions !== revisionsOf(saved)) return undefined;
  return { past: kept.past.map(newestDocument), future: kept.future.map(newestDocument) };
}

async function inTime<T>(reading: Promise<T | undefined>): Promise<T | undefined> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<undefined>((done) => {
    timer = setTimeout(done, PATIENCE_MS, undefined);
  });
  return Promise.race([reading.catch(() => undefined), late]).finally(() => clearTimeout(timer));
}

/** What an older version of this page has kept, as of today. */
const newestDraft = (draft: Draft): Draft => ({ ...draft, document: newestDocument(draft.document) });
const newestDocument = (document: JobDocument): JobDocument => ({
  ...document,
  pieces: document.pieces.map((piece) => newestPiece(piece) as Piece),
});

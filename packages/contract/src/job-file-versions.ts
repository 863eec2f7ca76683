import type { Attachment } from './piece/carried.ts';

type Tree = Record<string, unknown>;

const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A job file of an older version as one of the newest, not yet checked. Version 1 called attachments `picks`, kept them
 * under `hold`, and their name `label`. What is no file, or of a version unknown here, comes back as it is.
 */
export function newestJobFile(file: unknown): unknown {
  if (!isTree(file) || file.version !== 1 || !isTree(file.job)) return file;
  const { pieces } = file.job;
  return {
    ...file,
    version: 2,
    job: { ...file.job, ...(Array.isArray(pieces) ? { pieces: pieces.map(newestPiece) } : {}) },
  };
}

/** A piece as version 1 wrote it, as it is written now; one of today comes back as it is. */
export function newestPiece(piece: unknown): unknown {
  if (!isTree(piece) || !isTree(piece.hold) || !('picks' in piece.hold)) return piece;
  const { picks, ...hold } = piece.hold;
  const { hold: _, ...rest } = piece;
  return {
    ...rest,
    ...(Object.keys(hold).length > 0 ? { hold } : {}),
    attachments: Array.isArray(picks) ? picks.map(asAttachment) : picks,
  };
}

function asAttachment(pick: unknown): unknown {
  if (!isTree(pick)) return pick;
  const { label, ...rest } = pick;
  return { ...rest, name: label } satisfies Partial<Record<keyof Attachment, unknown>>;
}

import type { Fault, JobHead, Piece } from '@early-lantern/contract';
import { ApiProblem } from '../api/client.ts';

/** A row both this tab and somebody else changed. `theirs` is null when it was deleted. */
export interface Conflict {
  part: 'job' | 'piece';
  id: string;
  mine: JobHead | Piece | null;
  theirs: { revision: number; data: JobHead | Piece; updatedAt?: string } | null;
  /** When mine was changed last. */
  changedAt?: string | undefined;
}

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'saving' }
  | { kind: 'offline' }
  /** Something broke at the server, or here: by the id its log tells more. */
  | { kind: 'broken'; id: string | undefined }
  | { kind: 'refused'; faults: Fault[] }
  | { kind: 'conflict'; conflict: Conflict };

/** Thrown where saving stops until one version is chosen. */
export class ConflictFound extends Error {
  readonly conflict: Conflict;

  constructor(conflict: Conflict) {
    super('changed elsewhere');
    this.conflict = conflict;
  }
}

/** Something broke at the server, by no fault of what was sent. */
export const isServersFault = (error: unknown): error is ApiProblem =>
  error instanceof ApiProblem && error.problem.status === 500;

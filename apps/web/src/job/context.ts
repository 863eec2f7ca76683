import type { JobFile, Piece } from '@early-lantern/contract';
import { createContext, useContext } from 'react';
import type { Planned } from '../workers/planner.ts';
import type { JobDocument } from './document.ts';
import type { JobStore } from './job-store.ts';

/** What the pages of a job share. */
export interface JobContextValue {
  store: JobStore;
  document: JobDocument;
  /** The job with its site and workshop, as it is planned. */
  file: JobFile;
  planned: Planned | undefined;
  /** Changes one piece. Changes of one gesture undo as one. */
  changePiece: (id: string, edit: (piece: Piece) => Piece, gesture?: string) => void;
}

export const JobContext = createContext<JobContextValue | undefined>(undefined);

export function useJob(): JobContextValue {
  const job = useContext(JobContext);
  if (!job) throw new Error('useJob needs the job screen above it');
  return job;
}

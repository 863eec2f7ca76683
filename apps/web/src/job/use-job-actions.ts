import type { Fix, JobFile } from '@early-lantern/contract';
import { useCallback, useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { useNotice } from '../parts/notices.tsx';
import type { JobContextValue } from './context.ts';
import { withFix } from './document.ts';
import type { JobStore } from './job-store.ts';

/** What a job's pages change it with; the functions stay the same while the job changes. */
export function useJobActions(store: JobStore, file: JobFile) {
  const navigate = useNavigate();
  const notify = useNotice();
  // Read when a fix is applied, so that the function itself stays the same while the job changes.
  const latest = useRef(file);
  useEffect(() => {
    latest.current = file;
  }, [file]);
  const applyFix = useCallback(
    (fix: Fix) => {
      if (fix.opens) return void navigate(`/jobs/${latest.current.job.id}/counts?view=${fix.opens}`);
      store.change(() => withFix(latest.current, fix));
      notify({ text: `Applied: ${fix.label}`, undo: store.undo });
    },
    [store, notify, navigate],
  );
  const changePiece = useCallback<JobContextValue['changePiece']>(
    (id, edit, gesture) =>
      store.change(
        (before) => ({
          ...before,
          pieces: before.pieces.map((piece) => (piece.id === id ? edit(piece) : piece)),
        }),
        gesture,
      ),
    [store],
  );
  return { applyFix, changePiece };
}

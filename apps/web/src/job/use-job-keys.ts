import { useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useNotice } from '../parts/notices.tsx';
import { useCommands } from '../parts/palette.tsx';
import type { PaletteCommand } from '../parts/palette-command.ts';
import { useKeys } from '../parts/useKeys.ts';
import type { JobStore } from './job-store.ts';
import { downloadSaved, jobFileAddress } from './saved-file.ts';
import { tabs } from './tabs.ts';

/** The keys and the commands of a job's pages: from page to page, undo, redo, export. */
export function useJobKeys(store: JobStore, jobId: string): void {
  const navigate = useNavigate();
  const notify = useNotice();
  const path = `/jobs/${jobId}`;
  useHotkeys('mod+z', store.undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', store.redo, { preventDefault: true });
  useKeys(Object.fromEntries(tabs.map((tab) => [tab.key, () => void navigate(`${path}/${tab.path}`)])));
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [
        ...tabs.map((tab) => ({
          id: `tab-${tab.path}`,
          group: 'Go to' as const,
          label: `${tab.label} of this job`,
          keys: tab.key.toUpperCase(),
          run: () => void navigate(`${path}/${tab.path}`),
        })),
        { id: 'undo', group: 'Do', label: 'Undo', keys: 'Ctrl Z', run: store.undo },
        { id: 'redo', group: 'Do', label: 'Redo', keys: 'Ctrl Y', run: store.redo },
        {
          id: 'export',
          group: 'Do',
          label: 'Export this job as a file',
          run: () => void downloadSaved(store, jobFileAddress(jobId), notify),
        },
      ],
      [jobId, path, navigate, store, notify],
    ),
  );
}

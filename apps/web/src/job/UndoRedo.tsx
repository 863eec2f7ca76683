import HistoryIcon from '@mui/icons-material/History';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import { IconButton, Stack, Tooltip } from '@mui/material';
import { memo, useState } from 'react';
import type { JobStore } from './job-store.ts';
import { VersionsDialog } from './VersionsDialog.tsx';

interface UndoRedoProps {
  store: JobStore;
  canUndo: boolean;
  canRedo: boolean;
}

/** Takes the last change back, or makes it again; and what was earlier. */
export const UndoRedo = memo(function UndoRedo({ store, canUndo, canRedo }: UndoRedoProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Stack direction="row">
      <Tooltip title="Undo (Ctrl Z)">
        <span>
          <IconButton aria-label="Undo" size="small" disabled={!canUndo} onClick={store.undo}>
            <UndoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Redo (Ctrl Y)">
        <span>
          <IconButton aria-label="Redo" size="small" disabled={!canRedo} onClick={store.redo}>
            <RedoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Earlier versions">
        <IconButton aria-label="Earlier versions" size="small" onClick={() => setOpen(true)}>
          <HistoryIcon />
        </IconButton>
      </Tooltip>
      {isOpen && <VersionsDialog onClose={() => setOpen(false)} />}
    </Stack>
  );
});

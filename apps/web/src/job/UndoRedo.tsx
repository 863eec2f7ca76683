import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import { IconButton, Stack, Tooltip } from '@mui/material';
import { memo } from 'react';
import type { JobStore } from './job-store.ts';

interface UndoRedoProps {
  store: JobStore;
  canUndo: boolean;
  canRedo: boolean;
}

/** Takes the last change back, or makes it again. */
export const UndoRedo = memo(function UndoRedo({ store, canUndo, canRedo }: UndoRedoProps) {
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
    </Stack>
  );
});

import type { Piece } from '@early-lantern/contract';
import { kindNames } from '@early-lantern/core';
import KeepIcon from '@mui/icons-material/BookmarkAddOutlined';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { IconButton, Stack, TextField, Tooltip } from '@mui/material';
import { memo } from 'react';
import type { JobContextValue } from '../job/context.ts';

interface NameRowProps extends Pick<Piece, 'id' | 'kind' | 'name'> {
  onRemove: (id: string) => void;
  onCopy: (id: string) => void;
  onKeep: (id: string) => void;
  changePiece: JobContextValue['changePiece'];
}

/** Its name, with copying and deleting. */
export const NameRow = memo(function NameRow({
  id,
  kind,
  name,
  changePiece,
  onRemove,
  onCopy,
  onKeep,
}: NameRowProps) {
  return (
    <Stack direction="row" sx={{ alignItems: 'center', gap: 0.5 }}>
      <TextField
        fullWidth
        label={kindNames[kind]}
        value={name}
        error={!name.trim()}
        onChange={(event) =>
          changePiece(id, (before) => ({ ...before, name: event.target.value.slice(0, 120) }), `${id}-name`)
        }
        slotProps={{ htmlInput: { 'aria-label': 'Piece' } }}
      />
      <Tooltip title="Make another like it">
        <IconButton aria-label={`Copy ${name}`} onClick={() => onCopy(id)}>
          <CopyIcon />
        </IconButton>
      </Tooltip>
      <Tooltip title="Save as a template for other jobs">
        <IconButton aria-label={`Save ${name} as a template`} onClick={() => onKeep(id)}>
          <KeepIcon />
        </IconButton>
      </Tooltip>
      <Tooltip title="Delete this piece (undo brings it back)">
        <IconButton aria-label={`Delete ${name}`} onClick={() => onRemove(id)}>
          <DeleteIcon />
        </IconButton>
      </Tooltip>
    </Stack>
  );
});

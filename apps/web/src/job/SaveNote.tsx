import { Box, Tooltip } from '@mui/material';
import type { SaveState } from './save-state.ts';

const words: Record<SaveState['kind'], string> = {
  saved: 'Saved',
  saving: 'Saving…',
  offline: 'Offline: kept on this device, trying again',
  broken: 'Not saved: a fault of ours',
  refused: 'Not saved',
  conflict: 'Changed elsewhere: choose a version',
};

/** Whether the server has it. */
export function SaveNote({ save, isLookOnly }: { save: SaveState; isLookOnly: boolean }) {
  if (isLookOnly)
    return (
      <Tooltip title="Your role sees jobs and does not change them.">
        <Box role="status" data-save="look-only" sx={{ fontSize: 14, fontWeight: 700, whiteSpace: 'nowrap' }}>
          View only
        </Box>
      </Tooltip>
    );
  const isTrouble = save.kind !== 'saved' && save.kind !== 'saving';
  const text =
    save.kind === 'refused'
      ? `Not saved: ${save.faults.map(({ reason }) => reason).join('; ')}`
      : save.kind === 'broken' && save.id
        ? `${words.broken} (${save.id})`
        : words[save.kind];
  return (
    <Tooltip title={isTrouble ? `${text}. Nothing is lost: your work stays in this browser.` : ''}>
      <Box
        role="status"
        data-save={save.kind}
        sx={{
          flex: 'none',
          fontSize: 14,
          maxWidth: { xs: 110, sm: 320 },
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
          color: isTrouble ? 'var(--mui-palette-out)' : 'text.secondary',
          fontWeight: isTrouble ? 700 : 400,
        }}
      >
        {text}
      </Box>
    </Tooltip>
  );
}

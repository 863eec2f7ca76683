import { kindNames } from '@early-lantern/core';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, IconButton, Paper, Stack, Typography } from '@mui/material';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { useTemplateActions, useTemplates } from './use-templates.ts';

/** What new pieces and jobs may begin with: renamed and deleted here, kept where they are planned. */
export function TemplatesPanel() {
  const rows = useTemplates();
  const { rename, remove } = useTemplateActions();
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Templates">
      <Typography variant="h2">Templates</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1.5 }}>
        Pieces and jobs you build often. Save a piece with the bookmark next to its name, a job from its menu
        on the Horizon.
      </Typography>
      <Stack spacing={1.25}>
        {rows.map((row) => {
          const { id, name, what, pieces } = row.data;
          const [first] = pieces;
          const whole = pieces.length === 1 ? '1 piece' : `${pieces.length} pieces`;
          return (
            <Box
              key={id}
              sx={{
                display: 'grid',
                gap: 1,
                gridTemplateColumns: 'minmax(0, 1fr) auto',
                alignItems: 'start',
              }}
            >
              <CommitField
                label={what === 'job' ? `Job, ${whole}` : first ? kindNames[first.kind] : 'Piece'}
                value={name}
                onCommit={(text) => someName(text, (next) => void rename(row, next))}
                slotProps={{ htmlInput: { 'aria-label': `Name of the template ${name}` } }}
              />
              <IconButton aria-label={`Delete the template ${name}`} onClick={() => void remove(row)}>
                <DeleteIcon />
              </IconButton>
            </Box>
          );
        })}
        {rows.length === 0 && <Typography sx={{ color: 'text.secondary' }}>None yet.</Typography>}
      </Stack>
    </Paper>
  );
}

import type { WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { usualRest } from '@early-lantern/core';
import { Box, FormControlLabel, Paper, Switch, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

/** What every job keeps to: time in hand, rest, spares. */
export function KeptPanel({ row }: { row: WorkshopRow }) {
  const { data } = row;
  const rest = data.rest ?? usualRest;
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (edit: Partial<WorkshopSettings>) => save(() => edit);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Every job keeps"
      sx={{ p: 2, display: 'grid', gap: 1.75 }}
    >
      <Typography variant="h2">Every job keeps</Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
        <CommitField
          label="Time to spare, min"
          helperText="Before doors, and before access ends"
          value={String(data.inHandTargetMin)}
          onCommit={(text) => wholeNumber(text, 0, 240, (inHandTargetMin) => change({ inHandTargetMin }))}
        />
        <CommitField
          label="Confidence in spares, %"
          value={String(data.spareTargetPct)}
          onCommit={(text) => wholeNumber(text, 50, 99, (spareTargetPct) => change({ spareTargetPct }))}
        />
        <CommitField
          label="Rest after, minutes at work"
          value={String(rest.afterMin)}
          onCommit={(text) =>
            wholeNumber(text, 30, 720, (afterMin) => change({ rest: { ...rest, afterMin } }))
          }
        />
        <CommitField
          label="Rest, minutes (labour law decides)"
          value={String(rest.restMin)}
          onCommit={(text) => wholeNumber(text, 5, 120, (restMin) => change({ rest: { ...rest, restMin } }))}
        />
      </Box>
      <FormControlLabel
        label="Spares are blown at the bench too"
        control={
          <Switch
            checked={data.blowsSpares ?? false}
            onChange={(_, blowsSpares) => change({ blowsSpares })}
          />
        }
      />
    </Paper>
  );
}

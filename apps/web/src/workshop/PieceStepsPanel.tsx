import type { Methods, PieceKind, PieceStep, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { kindNames, usualSteps } from '@early-lantern/core';
import {
  Box,
  Button,
  FormControlLabel,
  MenuItem,
  Paper,
  Stack,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { keys } from '../api/queries.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

const NONE: Methods = { changes: [], own: [] };
const kinds = Object.keys(kindNames) as PieceKind[];

/** How each kind of piece is put up, step after step, as this house does it. */
export function PieceStepsPanel({ row }: { row: WorkshopRow }) {
  const [kind, setKind] = useState<PieceKind>('organic-garland');
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const steps = row.data.methods?.pieces ?? [];
  const change = (edit: (now: readonly PieceStep[]) => PieceStep[]) =>
    save((now) => ({
      methods: { ...(now.methods ?? NONE), pieces: edit(now.methods?.pieces ?? []) },
    }));
  const isSame = (one: PieceStep, step: string) => one.kind === kind && one.step === step;
  const set = (step: string, edit: Partial<PieceStep>) =>
    change((now) => [
      ...now.filter((one) => !isSame(one, step)),
      { ...now.find((one) => isSame(one, step)), ...edit, kind, step },
    ]);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="How a piece is put up"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">How a piece is put up</Typography>
      <TextField
        select
        label="Kind of piece"
        value={kind}
        onChange={(event) => setKind(event.target.value as PieceKind)}
      >
        {kinds.map((one) => (
          <MenuItem key={one} value={one}>
            {kindNames[one]}
            {steps.some((step) => step.kind === one) && ', changed'}
          </MenuItem>
        ))}
      </TextField>
      <Stack component="ol" sx={{ gap: 1.5, listStyle: 'none', p: 0, m: 0 }}>
        {usualSteps(kind, row.data).map(({ id, label, rate, hands, mayBeLeftOut }) => {
          const one = steps.find((step) => isSame(step, id));
          return (
            <Box component="li" key={`${kind} ${id}`} sx={{ display: 'grid', gap: 1 }}>
              <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr) auto' }}>
                <CommitField
                  label="Step"
                  value={one?.label ?? label}
                  helperText={`${rate}; its rate stands under Rates`}
                  onCommit={(text) => {
                    if (text.trim() === '') return 'A step needs a name';
                    set(id, { label: text.trim() });
                    return undefined;
                  }}
                />
                <FormControlLabel
                  label={mayBeLeftOut ? 'done' : 'always done'}
                  control={
                    <Switch
                      checked={!mayBeLeftOut || !one?.isLeftOut}
                      disabled={!mayBeLeftOut}
                      slotProps={{ input: { 'aria-label': `${label}: done` } }}
                      onChange={(_, isDone) => set(id, { isLeftOut: !isDone })}
                    />
                  }
                />
              </Box>
              <Box
                sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fit, minmax(120px, 1fr))' }}
              >
                <CommitField
                  label="Wait before, min"
                  value={String(one?.waitMin ?? 0)}
                  onCommit={(text) => wholeNumber(text, 0, 240, (waitMin) => set(id, { waitMin }))}
                />
                <CommitField
                  label="Hands"
                  value={one?.hands === undefined ? '' : String(one.hands)}
                  placeholder={hands > 1 ? String(hands) : 'as it comes'}
                  slotProps={{ inputLabel: { shrink: true } }}
                  onCommit={(text) => wholeNumber(text, 1, 6, (now) => set(id, { hands: now }))}
                />
                <CommitField
                  label="Duration, %"
                  value={String(one?.timePct ?? 100)}
                  onCommit={(text) => wholeNumber(text, 10, 500, (timePct) => set(id, { timePct }))}
                />
              </Box>
            </Box>
          );
        })}
      </Stack>
      {steps.some((step) => step.kind === kind) && (
        <Button
          sx={{ justifySelf: 'start' }}
          onClick={() => change((now) => now.filter((one) => one.kind !== kind))}
        >
          Back to the usual steps
        </Button>
      )}
    </Paper>
  );
}

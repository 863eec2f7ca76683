import type { Piece } from '@early-lantern/contract';
import { loadsOf } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import { Box, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useUnits } from '../preferences.tsx';
import { useHoldEdit } from './use-hold-edit.ts';

/** Heavy things on a piece, each at a share of its length. */
export function PickFields({ piece }: { piece: Piece }) {
  const edit = useHoldEdit(piece);
  const { workshop } = useJob().file;
  const { mass } = useUnits();
  const loads = loadsOf(workshop);
  const picks = piece.hold?.picks ?? [];
  return (
    <>
      <Typography variant="h3">Florals, foils, plush, signs</Typography>
      {picks.map((pick) => {
        const change = (more: Partial<typeof pick>) =>
          edit({ picks: picks.map((one) => (one === pick ? { ...one, ...more } : one)) });
        return (
          <Stack key={pick.id} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
            <CommitField
              label="What"
              value={pick.label}
              onCommit={(text) => someName(text, (label) => change({ label }))}
              sx={{ flex: 2 }}
            />
            <CommitField
              label="kg"
              value={String(pick.massKg)}
              onCommit={(text) => {
                const massKg = Number(text.replace(',', '.'));
                if (text.trim() === '' || !(massKg >= 0 && massKg <= 50)) return '0 to 50';
                change({ massKg });
                return undefined;
              }}
              sx={{ flex: 1 }}
            />
            <CommitField
              label="% along"
              value={String(Math.round(pick.at * 100))}
              onCommit={(text) => {
                const at = Number(text.replace(',', '.')) / 100;
                if (text.trim() === '' || !(at >= 0 && at <= 1)) return '0 to 100';
                change({ at });
                return undefined;
              }}
              sx={{ flex: 1 }}
            />
            <IconButton
              aria-label={`Leave ${pick.label} out`}
              onClick={() => edit({ picks: picks.filter((one) => one !== pick) })}
            >
              <CloseIcon />
            </IconButton>
          </Stack>
        );
      })}
      <Box>
        <TextField
          select
          fullWidth
          size="small"
          label="Add something heavy"
          value=""
          onChange={(event) => {
            const load = loads.find(({ id }) => id === event.target.value);
            if (!load) return;
            const { name: label, what, massKg } = load;
            edit({ picks: [...picks, { id: newId('pick'), label, what, massKg, at: 0.5 }] });
          }}
        >
          {loads.map(({ id, name, massKg }) => (
            <MenuItem key={id} value={id}>
              {name}, {mass(massKg)}
            </MenuItem>
          ))}
        </TextField>
      </Box>
    </>
  );
}

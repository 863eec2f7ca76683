import type { WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { usualRest } from '@early-lantern/core';
import {
  Autocomplete,
  Box,
  FormControlLabel,
  MenuItem,
  Paper,
  Stack,
  Switch,
  TextField,
} from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { pointText, readPoint } from '../parts/geo.ts';
import { useRowSave } from '../parts/useRowSave.ts';

const zones = Intl.supportedValuesOf('timeZone');

export function SettingsPanel({ row }: { row: WorkshopRow }) {
  const { data } = row;
  const rest = data.rest ?? usualRest;
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (edit: Partial<WorkshopSettings>) => save(() => edit);
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Stack spacing={1.75}>
        <CommitField
          label="Business"
          value={data.name}
          onCommit={(text) => someName(text, (name) => change({ name }))}
        />
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
          <Autocomplete
            options={zones}
            value={data.timeZone}
            disableClearable
            onChange={(_, timeZone) => change({ timeZone })}
            renderInput={(field) => <TextField {...field} label="Time zone" />}
          />
          <TextField
            select
            label="Lengths"
            value={data.units}
            onChange={(event) => change({ units: event.target.value as WorkshopSettings['units'] })}
          >
            <MenuItem value="imperial">feet and inches</MenuItem>
            <MenuItem value="metric">metres and centimetres</MenuItem>
          </TextField>
          <CommitField
            label="Currency, three letters"
            value={data.currency ?? ''}
            placeholder="USD"
            onCommit={(text) => {
              const currency = text.trim().toUpperCase();
              if (currency && !/^[A-Z]{3}$/.test(currency)) return 'Three letters, like USD';
              save(({ currency: _, ...rest }) =>
                currency ? { ...rest, currency } : { ...rest, currency: undefined },
              );
              return undefined;
            }}
          />
          <CommitField
            label="Time to spare, min"
            helperText="Before doors, and before access ends"
            value={String(data.inHandTargetMin)}
            onCommit={(text) => wholeNumber(text, 0, 240, (inHandTargetMin) => change({ inHandTargetMin }))}
          />
          <CommitField
            label="Where: latitude, longitude"
            value={pointText(data.at)}
            onCommit={(text) => {
              const at = readPoint(text);
              if (!at) return 'Like 44.05, -91.64';
              change({ at });
              return undefined;
            }}
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
            onCommit={(text) =>
              wholeNumber(text, 5, 120, (restMin) => change({ rest: { ...rest, restMin } }))
            }
          />
          <CommitField
            label="Confidence in spares, %"
            value={String(data.spareTargetPct)}
            onCommit={(text) => wholeNumber(text, 50, 99, (spareTargetPct) => change({ spareTargetPct }))}
          />
          <FormControlLabel
            label="Spares are blown at the bench too"
            control={
              <Switch
                checked={data.blowsSpares ?? false}
                onChange={(_, blowsSpares) => change({ blowsSpares })}
              />
            }
          />
        </Box>
      </Stack>
    </Paper>
  );
}

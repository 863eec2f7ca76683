import type { WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { Autocomplete, Box, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { pointText, readPoint } from '../parts/geo.ts';
import { useRowSave } from '../parts/useRowSave.ts';

const zones = Intl.supportedValuesOf('timeZone');

/** Who we are and where: name, clock, units, money. */
export function BusinessPanel({ row }: { row: WorkshopRow }) {
  const { data } = row;
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (edit: Partial<WorkshopSettings>) => save(() => edit);
  return (
    <Paper variant="outlined" component="section" aria-label="The business" sx={{ p: 2 }}>
      <Stack spacing={1.75}>
        <Typography variant="h2">The business</Typography>
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
            label="Where: latitude, longitude"
            value={pointText(data.at)}
            onCommit={(text) => {
              const at = readPoint(text);
              if (!at) return 'Like 44.05, -91.64';
              change({ at });
              return undefined;
            }}
          />
        </Box>
      </Stack>
    </Paper>
  );
}

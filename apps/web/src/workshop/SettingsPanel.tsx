import type { Colour, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Autocomplete,
  Box,
  Button,
  IconButton,
  MenuItem,
  Paper,
  Stack,
  TextField,
  Typography,
} from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';

const zones = Intl.supportedValuesOf('timeZone');

export function SettingsPanel({ row }: { row: WorkshopRow }) {
  const { data } = row;
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (edit: Partial<WorkshopSettings>) => save(() => edit);
  const changeColour = (id: string, edit: Partial<Colour>) =>
    save(({ colours }) => ({ colours: colours.map((one) => (one.id === id ? { ...one, ...edit } : one)) }));
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
            label="Minutes wanted in hand at doors"
            value={String(data.inHandTargetMin)}
            onCommit={(text) => wholeNumber(text, 0, 240, (inHandTargetMin) => change({ inHandTargetMin }))}
          />
          <CommitField
            label="Chance wanted that all lots are complete, %"
            value={String(data.spareTargetPct)}
            onCommit={(text) => wholeNumber(text, 50, 99, (spareTargetPct) => change({ spareTargetPct }))}
          />
        </Box>
        <Typography variant="h2">Colours</Typography>
        {data.colours.map((colour) => (
          <Stack key={colour.id} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
            <Box
              component="input"
              type="color"
              aria-label={`${colour.name}, shade`}
              key={colour.hex}
              defaultValue={colour.hex}
              onBlur={(event: React.FocusEvent<HTMLInputElement>) => {
                const hex = event.target.value.toLowerCase();
                if (hex !== colour.hex) changeColour(colour.id, { hex });
              }}
              sx={{ width: 44, height: 36, p: 0, border: 0, bgcolor: 'transparent' }}
            />
            <CommitField
              fullWidth
              label="Colour"
              value={colour.name}
              onCommit={(text) => someName(text, (name) => changeColour(colour.id, { name }))}
            />
            <IconButton
              aria-label={`Delete ${colour.name}`}
              disabled={data.colours.length === 1}
              onClick={() =>
                save(({ colours, stock }) => ({
                  colours: colours.filter((one) => one.id !== colour.id),
                  stock: stock.filter((held) => held.colour !== colour.id),
                }))
              }
            >
              <DeleteIcon />
            </IconButton>
          </Stack>
        ))}
        <Button
          startIcon={<AddIcon />}
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            save(({ colours }) => ({
              colours: [...colours, { id: newId('colour'), name: 'New colour', hex: '#b7a6c4' }],
            }))
          }
        >
          Add a colour
        </Button>
      </Stack>
    </Paper>
  );
}

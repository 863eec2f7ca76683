import { Floor, SpotKind, Surface } from '@early-lantern/contract';
import { hasSurface } from '@early-lantern/core';
import {
  Box,
  Chip,
  FormControl,
  FormControlLabel,
  FormLabel,
  MenuItem,
  Radio,
  RadioGroup,
  Stack,
  TextField,
} from '@mui/material';
import { LengthField } from '../parts/LengthField.tsx';
import { ForbidsChips } from './ForbidsChips.tsx';
import { type NewPlace, usualSurface } from './new-place.ts';
import { floorWords, spotWords, surfaceWords } from './words.ts';

interface NewPlaceFieldsProps {
  place: NewPlace;
  onChange: (place: NewPlace) => void;
}

/** What is asked of a new place: where it is, what kind of spot, how large, what it is made of. */
export function NewPlaceFields({ place, onChange }: NewPlaceFieldsProps) {
  const set = (more: Partial<NewPlace>) => onChange({ ...place, ...more });
  const choose = (kind: SpotKind) => {
    const { surface: _, ...rest } = place;
    onChange({ ...rest, kind, ...(hasSurface(kind) ? { surface: usualSurface[kind] } : {}) });
  };
  return (
    <Stack spacing={2}>
      <TextField
        label="Place"
        value={place.name}
        onChange={({ target }) => set({ name: target.value.slice(0, 120) })}
      />
      <FormControl>
        <FormLabel id="in-or-out">Indoors or outdoors?</FormLabel>
        <RadioGroup
          row
          aria-labelledby="in-or-out"
          value={place.indoors === undefined ? '' : place.indoors ? 'in' : 'out'}
          onChange={(_, where) => set({ indoors: where === 'in' })}
        >
          <FormControlLabel value="in" control={<Radio />} label="Indoors" />
          <FormControlLabel value="out" control={<Radio />} label="Outdoors" />
        </RadioGroup>
      </FormControl>
      <TextField
        select
        label="What kind of spot"
        value={place.kind ?? ''}
        onChange={({ target }) => choose(SpotKind.parse(target.value))}
      >
        {SpotKind.options.map((kind) => (
          <MenuItem key={kind} value={kind}>
            {spotWords[kind]}
          </MenuItem>
        ))}
      </TextField>
      <Stack direction="row" spacing={2}>
        <LengthField
          label="Width"
          fullWidth
          valueM={place.widthM}
          max={60}
          onCommit={(widthM) => set({ widthM })}
        />
        <LengthField
          label="Height"
          fullWidth
          valueM={place.heightM}
          max={20}
          onCommit={(heightM) => set({ heightM })}
        />
      </Stack>
      <Stack direction="row" spacing={2}>
        {hasSurface(place.kind) && (
          <TextField
            select
            fullWidth
            label="Surface"
            value={place.surface ?? ''}
            onChange={({ target }) => set({ surface: Surface.parse(target.value) })}
          >
            {Surface.options.map((surface) => (
              <MenuItem key={surface} value={surface}>
                {surfaceWords[surface]}
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          select
          fullWidth
          label="Floor"
          value={place.floor ?? ''}
          onChange={({ target }) => {
            const { floor: _, ...rest } = place;
            onChange(target.value ? { ...rest, floor: Floor.parse(target.value) } : rest);
          }}
        >
          <MenuItem value="">not seen yet</MenuItem>
          {Floor.options.map((floor) => (
            <MenuItem key={floor} value={floor}>
              {floorWords[floor]}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      <Box role="group" aria-labelledby="venue-forbids">
        <FormLabel id="venue-forbids" sx={{ display: 'block', mb: 0.75 }}>
          Does the venue forbid anything?
        </FormLabel>
        <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap' }}>
          <ForbidsChips
            chosen={place.forbids ?? []}
            onChange={(forbids) => {
              const { forbids: _, ...rest } = place;
              onChange(forbids.length > 0 ? { ...rest, forbids } : rest);
            }}
          />
          <Chip
            label="nothing of these"
            variant={place.forbids?.length === 0 ? 'filled' : 'outlined'}
            color={place.forbids?.length === 0 ? 'primary' : 'default'}
            aria-pressed={place.forbids?.length === 0}
            onClick={() => set({ forbids: [] })}
          />
        </Stack>
      </Box>
      <TextField
        label="Address, way in, who opens"
        value={place.access}
        onChange={({ target }) => set({ access: target.value.slice(0, 2000) })}
      />
      <TextField
        label="Drive, minutes"
        type="number"
        value={place.driveMin}
        onChange={({ target }) =>
          set({ driveMin: Math.min(720, Math.max(0, Math.round(Number(target.value) || 0))) })
        }
      />
    </Stack>
  );
}

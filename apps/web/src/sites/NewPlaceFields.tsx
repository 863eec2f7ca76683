import { Floor, type NewPlace, SpotKind, Surface } from '@early-lantern/contract';
import { hasSurface } from '@early-lantern/core';
import {
  Box,
  Chip,
  FormControl,
  FormControlLabel,
  FormHelperText,
  FormLabel,
  MenuItem,
  Radio,
  RadioGroup,
  Stack,
  TextField,
} from '@mui/material';
import { Controller, type UseFormReturn } from 'react-hook-form';
import { LengthField } from '../parts/LengthField.tsx';
import { ForbidsChips } from './ForbidsChips.tsx';
import { usualSurface } from './new-place.ts';
import { floorWords, spotWords, surfaceWords } from './words.ts';

/** What is asked of a new place: where it is, what kind of spot, how large, what it is made of. */
export function NewPlaceFields({ form }: { form: UseFormReturn<NewPlace> }) {
  const { control, register, setValue, watch, formState } = form;
  const { errors } = formState;
  const kind = watch('kind') as SpotKind | undefined;
  const choose = (chosen: SpotKind) => {
    setValue('kind', chosen, { shouldValidate: formState.isSubmitted });
    setValue('surface', hasSurface(chosen) ? usualSurface[chosen] : undefined);
  };
  const length = (name: 'widthM' | 'heightM', label: string, max: number) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <LengthField label={label} fullWidth valueM={field.value} max={max} onCommit={field.onChange} />
      )}
    />
  );
  return (
    <Stack spacing={2}>
      <TextField
        label="Place"
        error={errors.name !== undefined}
        helperText={errors.name?.message}
        {...register('name')}
      />
      <Controller
        control={control}
        name="indoors"
        render={({ field }) => (
          <FormControl error={errors.indoors !== undefined}>
            <FormLabel id="in-or-out">Indoors or outdoors?</FormLabel>
            <RadioGroup
              row
              aria-labelledby="in-or-out"
              value={field.value === undefined ? '' : field.value ? 'in' : 'out'}
              onChange={(_, where) => field.onChange(where === 'in')}
            >
              <FormControlLabel value="in" control={<Radio ref={field.ref} />} label="Indoors" />
              <FormControlLabel value="out" control={<Radio />} label="Outdoors" />
            </RadioGroup>
            {errors.indoors && <FormHelperText sx={{ mx: 0 }}>{errors.indoors.message}</FormHelperText>}
          </FormControl>
        )}
      />
      <Controller
        control={control}
        name="kind"
        render={({ field }) => (
          <TextField
            select
            label="What kind of spot"
            inputRef={field.ref}
            value={field.value ?? ''}
            error={errors.kind !== undefined}
            helperText={errors.kind?.message}
            onChange={({ target }) => choose(SpotKind.parse(target.value))}
          >
            {SpotKind.options.map((one) => (
              <MenuItem key={one} value={one}>
                {spotWords[one]}
              </MenuItem>
            ))}
          </TextField>
        )}
      />
      <Stack direction="row" spacing={2}>
        {length('widthM', 'Width', 60)}
        {length('heightM', 'Height', 20)}
      </Stack>
      <Stack direction="row" spacing={2}>
        {hasSurface(kind) && (
          <Controller
            control={control}
            name="surface"
            render={({ field }) => (
              <TextField
                select
                fullWidth
                label="Surface"
                value={field.value ?? ''}
                onChange={({ target }) => field.onChange(Surface.parse(target.value))}
              >
                {Surface.options.map((surface) => (
                  <MenuItem key={surface} value={surface}>
                    {surfaceWords[surface]}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
        )}
        <Controller
          control={control}
          name="floor"
          render={({ field }) => (
            <TextField
              select
              fullWidth
              label="Floor"
              value={field.value ?? ''}
              onChange={({ target }) => field.onChange(target.value ? Floor.parse(target.value) : undefined)}
            >
              <MenuItem value="">not seen yet</MenuItem>
              {Floor.options.map((floor) => (
                <MenuItem key={floor} value={floor}>
                  {floorWords[floor]}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
      </Stack>
      <Controller
        control={control}
        name="forbids"
        render={({ field }) => (
          <Box role="group" aria-labelledby="venue-forbids">
            <FormLabel id="venue-forbids" sx={{ display: 'block', mb: 0.75 }}>
              Does the venue forbid anything?
            </FormLabel>
            <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap' }}>
              <ForbidsChips
                chosen={field.value ?? []}
                onChange={(forbids) => field.onChange(forbids.length > 0 ? forbids : undefined)}
              />
              <Chip
                label="nothing of these"
                variant={field.value?.length === 0 ? 'filled' : 'outlined'}
                color={field.value?.length === 0 ? 'primary' : 'default'}
                aria-pressed={field.value?.length === 0}
                onClick={() => field.onChange([])}
              />
            </Stack>
          </Box>
        )}
      />
      <TextField
        label="Address, way in, who opens"
        error={errors.access !== undefined}
        helperText={errors.access?.message}
        {...register('access')}
      />
      <TextField
        label="Drive, minutes"
        type="number"
        error={errors.driveMin !== undefined}
        helperText={errors.driveMin?.message}
        {...register('driveMin', { valueAsNumber: true })}
      />
    </Stack>
  );
}

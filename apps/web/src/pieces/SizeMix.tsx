import { knownSizes, sizeOf } from '@early-lantern/core';
import { Box, FormControlLabel, MenuItem, Stack, Switch, TextField, Typography } from '@mui/material';
import { memo } from 'react';
import { useWorkshop } from '../api/queries.ts';
import { alikeButLine, type MixProps } from './mix-props.ts';
import { SizeRow } from './SizeRow.tsx';
import { useSizeMix } from './use-size-mix.ts';

/** Sizes with their shares and the diameters they are blown to; the discs are to scale with each other. */
export const SizeMix = memo(function SizeMix({ mix, onChange }: MixProps) {
  const largest = Math.max(...mix.sizes.map((size) => size.inflatedIn.max));
  const workshop = useWorkshop();
  const unused = knownSizes(workshop).filter(
    (size) => size > 2 && !mix.sizes.some((one) => one.nominalIn === size),
  );
  const does = useSizeMix(onChange);

  return (
    <Box component="section" aria-label="Sizes">
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center' }}>
        <Typography variant="h3">Sizes</Typography>
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={mix.sizePolicy === 'fit-width'}
              onChange={(event) => onChange({ sizePolicy: event.target.checked ? 'fit-width' : 'as-set' })}
            />
          }
          label="fit to width"
          slotProps={{ typography: { sx: { fontSize: 14 } } }}
          sx={{ mr: 0 }}
        />
      </Stack>
      {mix.sizes.map((size) => (
        <SizeRow
          key={size.nominalIn}
          size={size}
          isOnly={mix.sizes.length === 1}
          largestIn={largest}
          does={does}
        />
      ))}
      {unused.length > 0 && mix.sizes.length < 8 && (
        <TextField
          select
          fullWidth
          value=""
          label="Add a size"
          sx={{ mt: 1 }}
          onChange={({ target }) =>
            does.add(Number(target.value), sizeOf(Number(target.value), workshop).blowIn)
          }
        >
          {unused.map((size) => (
            <MenuItem key={size} value={String(size)}>
              {size} in., blown to {sizeOf(size, workshop).blowIn.min}–{sizeOf(size, workshop).blowIn.max} in.
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}, alikeButLine);

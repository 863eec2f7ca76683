import type { Blown } from '@early-lantern/contract';
import { inchesToMetres, knownSizes, metresToInches, sizeOf } from '@early-lantern/core';
import { MenuItem, Stack, TextField } from '@mui/material';
import { useWorkshop } from '../../api/queries.ts';
import { LengthField } from '../../parts/LengthField.tsx';

interface BlownFieldProps {
  label: string;
  value: Blown;
  onCommit: (blown: Blown) => void;
}

/** A nominal size and the diameter all of them are blown to. */
export function BlownField({ label, value, onCommit }: BlownFieldProps) {
  const workshop = useWorkshop();
  const sizes = knownSizes(workshop).filter((size) => size > 2);
  const offered = sizes.includes(value.nominalIn) ? sizes : [...sizes, value.nominalIn].sort((a, b) => a - b);
  return (
    <Stack direction="row" sx={{ gap: 0.75 }}>
      <TextField
        select
        label={label}
        value={String(value.nominalIn)}
        onChange={(event) => {
          const nominalIn = Number(event.target.value);
          const { min, max } = sizeOf(nominalIn, workshop).blowIn;
          onCommit({ nominalIn, inflatedIn: Math.min(max, Math.max(min, Math.round(max * 0.95))) });
        }}
        sx={{ flex: 1, minWidth: 76 }}
      >
        {offered.map((size) => (
          <MenuItem key={size} value={String(size)}>
            {size} in.
          </MenuItem>
        ))}
      </TextField>
      <LengthField
        short
        label="blown to"
        valueM={inchesToMetres(value.inflatedIn)}
        min={0.0254}
        max={inchesToMetres(value.nominalIn)}
        onCommit={(metres) => onCommit({ ...value, inflatedIn: Number(metresToInches(metres).toFixed(3)) })}
        slotProps={{ htmlInput: { 'aria-label': `${label} blown to` } }}
        sx={{ width: 84 }}
      />
    </Stack>
  );
}

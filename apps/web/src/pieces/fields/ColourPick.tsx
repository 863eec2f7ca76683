import type { Colour, ColourId } from '@early-lantern/contract';
import { MenuItem, TextField } from '@mui/material';
import { Swatch } from '../../parts/Swatch.tsx';
import { stillOffered } from '../../parts/still-offered.ts';

interface ColourPickProps {
  label: string;
  value: string;
  colours: readonly Colour[];
  onPick: (colour: ColourId) => void;
}

/** One colour of the workshop. */
export function ColourPick({ label, value, colours, onPick }: ColourPickProps) {
  return (
    <TextField
      select
      fullWidth
      label={label}
      value={value}
      onChange={(event) => onPick(event.target.value)}
      sx={{ '& .MuiSelect-select': { display: 'flex', alignItems: 'center', gap: 1 } }}
    >
      {stillOffered(colours, [value]).map((colour) => (
        <MenuItem key={colour.id} value={colour.id} sx={{ gap: 1 }}>
          <Swatch hex={colour.hex} /> {colour.name}
        </MenuItem>
      ))}
    </TextField>
  );
}

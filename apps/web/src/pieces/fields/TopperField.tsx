import type { Colour, Topper } from '@early-lantern/contract';
import { Box, FormControlLabel, Switch } from '@mui/material';
import { BlownField } from './BlownField.tsx';
import { ColourPick } from './ColourPick.tsx';

interface TopperFieldProps {
  label: string;
  value: Topper | null;
  colours: readonly Colour[];
  onChange: (topper: Topper | null) => void;
}

/** A balloon on top, or none. */
export function TopperField({ label, value, colours, onChange }: TopperFieldProps) {
  return (
    <Box>
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={value !== null}
            onChange={(event) =>
              onChange(
                event.target.checked ? { nominalIn: 36, inflatedIn: 30, colour: colours[0]?.id ?? '' } : null,
              )
            }
          />
        }
        label={label}
      />
      {value && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25, mt: 0.75 }}>
          <BlownField label="Topper" value={value} onCommit={(blown) => onChange({ ...value, ...blown })} />
          <ColourPick
            label="Its colour"
            value={value.colour}
            colours={colours}
            onPick={(colour) => onChange({ ...value, colour })}
          />
        </Box>
      )}
    </Box>
  );
}

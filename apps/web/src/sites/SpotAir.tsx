import type { Spot } from '@early-lantern/contract';
import { MenuItem, TextField } from '@mui/material';
import { CommitField } from '../parts/CommitField.tsx';
import { useUnits } from '../preferences.tsx';

interface SpotAirProps {
  spot: Spot;
  isIndoors: boolean;
  onChange: (edit: { [K in keyof Spot]?: Spot[K] | undefined }) => void;
}

/** How the wind comes at a spot outdoors; how hot it gets indoors. */
export function SpotAir({ spot, isIndoors, onChange }: SpotAirProps) {
  const { tempUnit, tempNumber } = useUnits();
  return (
    <>
      {!isIndoors && (
        <TextField
          select
          label="Exposed to wind"
          value={spot.openness ?? 'open'}
          onChange={(event) => onChange({ openness: event.target.value === 'open' ? 'open' : 'sheltered' })}
        >
          <MenuItem value="open">in the open</MenuItem>
          <MenuItem value="sheltered">in shelter</MenuItem>
        </TextField>
      )}
      {isIndoors && (
        <CommitField
          label={`Hottest, ${tempUnit}`}
          value={spot.tempC === undefined ? '' : String(Math.round(tempNumber(spot.tempC)))}
          placeholder={`${Math.round(tempNumber(21))} as usual`}
          slotProps={{ inputLabel: { shrink: true } }}
          onCommit={(text) => {
            const typed = Number(text.replace(',', '.'));
            const tempC = tempUnit === '°F' ? (typed - 32) / 1.8 : typed;
            if (!text.trim() || !(tempC >= -20 && tempC <= 50)) return 'Type an air temperature';
            onChange({ tempC: Number(tempC.toFixed(1)) });
            return undefined;
          }}
        />
      )}
    </>
  );
}

import type { Site } from '@early-lantern/contract';
import { Box, Chip } from '@mui/material';
import { forbidWords } from './words.ts';

type Forbids = NonNullable<Site['forbids']>;

interface ForbidsChipsProps {
  chosen: Forbids;
  onChange: (chosen: Forbids) => void;
}

/** What a venue forbids, each pressed on or off. */
export function ForbidsChips({ chosen, onChange }: ForbidsChipsProps) {
  return (
    <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
      {(Object.keys(forbidWords) as Forbids).map((what) => {
        const isOn = chosen.includes(what);
        return (
          <Chip
            key={what}
            label={forbidWords[what]}
            variant={isOn ? 'filled' : 'outlined'}
            color={isOn ? 'primary' : 'default'}
            aria-pressed={isOn}
            onClick={() => onChange(isOn ? chosen.filter((one) => one !== what) : [...chosen, what])}
          />
        );
      })}
    </Box>
  );
}

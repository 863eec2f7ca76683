import type { CrewMember } from '@early-lantern/contract';
import { Chip, Stack } from '@mui/material';
import { stillOffered } from './still-offered.ts';

interface CrewPickerProps {
  crew: readonly CrewMember[];
  /** Ids of those who are on. */
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

/** People to be put on a job or taken off it, each a button that says by a tick whether it is pressed. */
export function CrewPicker({ crew, chosen, onChange }: CrewPickerProps) {
  return (
    <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
      {stillOffered(crew, chosen).map(({ id, name }) => {
        const isOn = chosen.includes(id);
        return (
          <Chip
            key={id}
            label={`${isOn ? '✓ ' : ''}${name}`}
            color={isOn ? 'primary' : 'default'}
            variant={isOn ? 'filled' : 'outlined'}
            aria-pressed={isOn}
            onClick={() => onChange(isOn ? chosen.filter((one) => one !== id) : [...chosen, id])}
          />
        );
      })}
    </Stack>
  );
}

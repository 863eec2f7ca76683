import type { Stop } from '@early-lantern/contract';
import CloseIcon from '@mui/icons-material/Close';
import { Box, Button, IconButton, MenuItem, TextField, Typography } from '@mui/material';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';

interface StopFieldsProps {
  stops: readonly Stop[];
  onChange: (edit: (stops: readonly Stop[]) => Stop[]) => void;
}

/** Stops on the way: where, what for, how long. */
export function StopFields({ stops, onChange }: StopFieldsProps) {
  return (
    <>
      <Typography variant="h3">Stops on the way</Typography>
      {stops.map((stop) => (
        <StopRow
          key={stop.id}
          stop={stop}
          onChange={(more) =>
            onChange((now) => now.map((one) => (one.id === stop.id ? { ...one, ...more } : one)))
          }
          onRemove={() => onChange((now) => now.filter((one) => one.id !== stop.id))}
        />
      ))}
      <Button
        size="small"
        sx={{ alignSelf: 'start' }}
        onClick={() =>
          onChange((now) => [
            ...now,
            { id: newId('stop'), label: 'New stop', trip: 'set-up', driveMin: 5, minutes: 10 },
          ])
        }
      >
        Add a stop
      </Button>
    </>
  );
}

interface StopRowProps {
  stop: Stop;
  onChange: (more: Partial<Stop>) => void;
  onRemove: () => void;
}

function StopRow({ stop, onChange, onRemove }: StopRowProps) {
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        gridTemplateColumns: { xs: '1fr 1fr 1fr auto', sm: 'minmax(0, 1fr) 118px 100px 92px auto' },
      }}
    >
      <CommitField
        label="Where, for what"
        value={stop.label}
        sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}
        onCommit={(text) => someName(text, (label) => onChange({ label }))}
      />
      <TextField
        select
        label="On the way"
        value={stop.trip}
        onChange={(event) => onChange({ trip: event.target.value as Stop['trip'] })}
      >
        <MenuItem value="set-up">out</MenuItem>
        <MenuItem value="strike">to the strike</MenuItem>
      </TextField>
      <CommitField
        label="Detour, min"
        value={String(stop.driveMin)}
        onCommit={(text) => wholeNumber(text, 0, 240, (driveMin) => onChange({ driveMin }))}
      />
      <CommitField
        label="There, min"
        value={String(stop.minutes)}
        onCommit={(text) => wholeNumber(text, 0, 240, (minutes) => onChange({ minutes }))}
      />
      <IconButton aria-label={`Delete the stop ${stop.label}`} onClick={onRemove}>
        <CloseIcon />
      </IconButton>
    </Box>
  );
}

import { Button, Stack, TextField } from '@mui/material';
import { useState } from 'react';

interface Hours {
  from: string;
  to: string;
}

interface HoursFieldProps {
  /** Words for no such hours. */
  none: string;
  value?: Hours | undefined;
  onNone: () => void;
  onHours: (hours: Hours) => void;
}

/** From when to when by the clock, or not at all. */
export function HoursField({ none, value, onNone, onHours }: HoursFieldProps) {
  const [from, setFrom] = useState(value?.from ?? '');
  const [to, setTo] = useState(value?.to ?? '');
  const time = (label: string, shown: string, take: (text: string) => void) => (
    <TextField
      type="time"
      label={label}
      value={shown}
      onChange={(event) => take(event.target.value)}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: 120 }}
    />
  );
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      {time('From', from, setFrom)}
      {time('To', to, setTo)}
      <Button variant="outlined" disabled={!from || !to} onClick={() => onHours({ from, to })}>
        These hours
      </Button>
      <Button variant="outlined" onClick={onNone}>
        {none}
      </Button>
    </Stack>
  );
}

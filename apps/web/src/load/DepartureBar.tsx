import type { PackingState } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';
import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { clockTime } from '../parts/time.ts';
import type { usePacking } from './use-packing.ts';

interface DepartureBarProps {
  /** What is not ticked, by its label. */
  left: readonly string[];
  departure: PackingState['departure'];
  by: string;
  onChange: ReturnType<typeof usePacking>['change'];
}

/** Leaves when all is ticked; else only with a reason. */
export function DepartureBar({ left, departure, by, onChange }: DepartureBarProps) {
  const { file } = useJob();
  const [isAsking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const nameOf = (id: string) => file.workshop.crew.find((one) => one.id === id)?.name ?? id;
  if (departure)
    return (
      <Alert
        severity={departure.left.length > 0 ? 'info' : 'success'}
        variant="outlined"
        data-testid="departure"
        action={
          <Button color="inherit" size="small" onClick={() => onChange({ what: 'stay' })}>
            Not left yet
          </Button>
        }
      >
        Left {clockTime(departure.at, file.workshop.timeZone)}, {nameOf(departure.by)}.
        {departure.left.length > 0 &&
          ` Without: ${departure.left.slice(0, 3).join(', ')}${departure.left.length > 3 ? ` and ${departure.left.length - 3} more` : ''}. ${departure.reason}`}
      </Alert>
    );
  const leave = () => (left.length > 0 ? setAsking(true) : onChange({ what: 'depart', by }));
  return (
    <Alert
      severity={left.length > 0 ? 'info' : 'success'}
      variant="outlined"
      icon={false}
      className="no-print"
      data-testid="departure"
      action={
        <Button variant="contained" size="small" onClick={leave} sx={{ whiteSpace: 'nowrap' }}>
          We leave now
        </Button>
      }
    >
      {left.length > 0
        ? `Not ready to leave: ${plural(left.length, 'line')} not ticked. The first: ${left[0]}.`
        : 'Everything is ticked: ready to leave.'}
      <Dialog open={isAsking} onClose={() => setAsking(false)} fullWidth maxWidth="sm">
        <DialogTitle>Leave without {left.length === 1 ? 'it' : `${left.length} things`}?</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 2 }}>
            Not ticked: {left.slice(0, 6).join('; ')}
            {left.length > 6 ? ` and ${left.length - 6} more` : ''}. Tick what is loaded. To leave anyway, say
            why: it is kept with the job.
          </Typography>
          <TextField
            autoFocus
            fullWidth
            multiline
            label="Why it leaves without"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>Go on packing</Button>
          <Button
            variant="contained"
            disabled={reason.trim() === ''}
            onClick={() => {
              setAsking(false);
              onChange({ what: 'depart', by, reason: reason.trim() });
            }}
          >
            Leave anyway
          </Button>
        </DialogActions>
      </Dialog>
    </Alert>
  );
}

import type { JobHead } from '@early-lantern/contract';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { clockTime, dayName } from '../parts/time.ts';

interface MoveAlongDialogProps {
  /** The times as they would be. */
  times: Pick<JobHead, 'doors' | 'access' | 'strike'>;
  zone: string;
  onMove: () => void;
  onClose: () => void;
}

/** Asked before doors take the house's times along: access and strike are not one's own to move. */
export function MoveAlongDialog({ times, zone, onMove, onClose }: MoveAlongDialogProps) {
  const span = ({ from, until }: { from: string; until: string }) =>
    `${dayName(from, zone)}, ${clockTime(from, zone)} to ${clockTime(until, zone)}`;
  return (
    <Dialog open onClose={onClose} aria-labelledby="move-along-title">
      <DialogTitle id="move-along-title">Move access and strike too?</DialogTitle>
      <DialogContent>
        <Typography>
          Doors on {dayName(times.doors, zone)} at {clockTime(times.doors, zone)} do not fit between access
          and strike as the house gave them. Moved by as much they would be:
        </Typography>
        <Typography sx={{ mt: 1 }}>
          Access: <strong>{span(times.access)}</strong>
          <br />
          Strike: <strong>{span(times.strike)}</strong>
        </Typography>
        <Typography sx={{ mt: 1, color: 'text.secondary' }}>Ask the house before you rely on it.</Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave everything as it is</Button>
        <Button variant="contained" onClick={onMove}>
          Move them along
        </Button>
      </DialogActions>
    </Dialog>
  );
}

import { listed } from '@early-lantern/core';
import { Alert, Box, Button } from '@mui/material';
import { clockTime, dayName } from '../parts/time.ts';

interface AgreedNoteProps {
  agreedAt: string;
  zone: string;
  /** What a repair moves. */
  moves: readonly { jobId: string; name: string; words: string }[];
  /** Whether the plan found keeps every job whole; undefined until one is found. */
  isKept: boolean | undefined;
  /** Places of its rounds whose job is not of this day any more. */
  gone: readonly string[];
  /** Places to which other things ride than the other jobs of their round show. */
  reloaded: readonly string[];
  onLetGo: () => void;
}

/** Since when the jobs keep to a plan, and whether they still can. */
export function AgreedNote({ agreedAt, zone, moves, isKept, gone, reloaded, onLetGo }: AgreedNoteProps) {
  const isOff = moves.length > 0 || isKept === false || gone.length > 0 || reloaded.length > 0;
  return (
    <Alert
      severity={isOff ? 'warning' : 'success'}
      variant="outlined"
      icon={false}
      action={
        <Button color="inherit" onClick={onLetGo}>
          Stop using it
        </Button>
      }
    >
      In use since {dayName(agreedAt, zone)}, {clockTime(agreedAt, zone)}
      {gone.length > 0 ? (
        <>
          , but its round still drives to {listed(gone)}: that job is not on this day any more. Press “Stop
          using it” and plan the day again.
        </>
      ) : moves.length > 0 ? (
        <>
          , but it no longer fits. Repaired below:
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {moves.map(({ jobId, name, words }) => (
              <li key={jobId}>
                {name}: {words}
              </li>
            ))}
          </Box>
        </>
      ) : isKept === false ? (
        ', but it no longer fits.'
      ) : isOff ? (
        ', but a load has changed.'
      ) : (
        ': every job keeps to this plan.'
      )}
      {gone.length === 0 && reloaded.length > 0 && (
        <Box>
          Other things ride to {listed(reloaded)} by now. Use the plan again, so that every job of the round
          shows the same load.
        </Box>
      )}
    </Alert>
  );
}

import { Alert, Box, Button } from '@mui/material';
import { clockTime, dayName } from '../parts/time.ts';

interface AgreedNoteProps {
  agreedAt: string;
  zone: string;
  /** What a repair moves. */
  moves: readonly { jobId: string; name: string; words: string }[];
  /** Whether the plan found keeps every job whole; undefined until one is found. */
  isKept: boolean | undefined;
  onLetGo: () => void;
}

/** Since when the jobs keep to a plan, and whether they still can. */
export function AgreedNote({ agreedAt, zone, moves, isKept, onLetGo }: AgreedNoteProps) {
  const isOff = moves.length > 0 || isKept === false;
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
      {moves.length > 0 ? (
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
      ) : isOff ? (
        ', but it no longer fits.'
      ) : (
        ': every job keeps to this plan.'
      )}
    </Alert>
  );
}

import type { JobFile } from '@early-lantern/contract';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { clockTime } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { differences } from './document.ts';
import { fieldWords, namesIn, type Speech, valueWords } from './field-words.ts';
import type { Conflict } from './save-state.ts';

interface ConflictDialogProps {
  conflict: Conflict;
  /** The job with its place and workshop, from which people and things have their names. */
  file: JobFile;
  onChoose: (choice: 'mine' | 'theirs') => void;
}

const MOST_ROWS = 14;

/** Two versions of one thing, side by side; nothing is saved over the other until one is chosen. */
export function ConflictDialog({ conflict, file, onChoose }: ConflictDialogProps) {
  const { long } = useUnits();
  const { mine, theirs, part } = conflict;
  const names = namesIn(file);
  const speech: Speech = { zone: file.workshop.timeZone, long, nameOf: (id) => names.get(id) };
  const name = (mine ?? theirs?.data)?.name ?? 'This';
  const rows =
    mine && theirs
      ? // Which plan each had on screen is nothing to choose between.
        differences(mine, theirs.data).filter(({ path }) => !path.startsWith('clock.shown'))
      : [];
  const when = (at: string | undefined, other: string | undefined) =>
    at ? ` ${clockTime(at, file.workshop.timeZone)}${other && at > other ? ', newest' : ''}` : '';
  return (
    <Dialog open maxWidth="md" fullWidth aria-labelledby="conflict-title">
      <DialogTitle id="conflict-title">“{name}” was changed elsewhere too</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 2 }}>
          {theirs
            ? `Somebody saved this ${part} while you were changing it. Both versions are kept until you choose.`
            : `Somebody deleted this ${part} while you were changing it.`}
        </Typography>
        {!mine && <Typography>You deleted it; they changed it.</Typography>}
        {rows.length > 0 && (
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>What differs</TableCell>
                <TableCell>Yours, in this tab{when(conflict.changedAt, theirs?.updatedAt)}</TableCell>
                <TableCell>Theirs, saved{when(theirs?.updatedAt, conflict.changedAt)}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.slice(0, MOST_ROWS).map((row) => (
                <TableRow key={row.path}>
                  <TableCell>{fieldWords(row.path)}</TableCell>
                  <TableCell>{valueWords(row.path, row.mine, speech)}</TableCell>
                  <TableCell>{valueWords(row.path, row.theirs, speech)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        )}
        {rows.length > MOST_ROWS && (
          <Typography sx={{ mt: 1 }}>and {rows.length - MOST_ROWS} more.</Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button variant="outlined" onClick={() => onChoose('theirs')}>
          {theirs ? 'Take theirs' : 'Let it go'}
        </Button>
        <Button variant="contained" onClick={() => onChoose('mine')}>
          {mine ? 'Keep mine' : 'Delete it all the same'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

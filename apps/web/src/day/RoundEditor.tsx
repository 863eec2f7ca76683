import type { JobFile, Round } from '@early-lantern/contract';
import {
  type Choice,
  type DropOff,
  listed,
  nameIn,
  namesFor,
  roundByHand,
  stayingAt,
} from '@early-lantern/core';
import ArrowDownwardIcon from '@mui/icons-material/ArrowDownward';
import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import CloseIcon from '@mui/icons-material/Close';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  IconButton,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { TRIPS } from './trips.ts';

interface RoundEditorProps {
  /** The jobs of the day. */
  files: readonly JobFile[];
  /** The round as it is. */
  choice: Choice;
  onKeep: (round: Round) => void;
  onClose: () => void;
}

/** A round put in order by hand: which places in which turn, and who is dropped off at one. */
export function RoundEditor({ files, choice, onKeep, onClose }: RoundEditorProps) {
  const { trip } = choice;
  const [jobs, setJobs] = useState<readonly string[]>(choice.jobs);
  const [left, setLeft] = useState<readonly DropOff[]>(choice.dropOffs ?? []);
  const inTurn = jobs.flatMap((id) => files.find(({ job }) => job.id === id) ?? []);
  const others = files.filter(({ job, site }) => !jobs.includes(job.id) && mayRide(job, site, trip));
  // Whoever is dropped off is fetched once the work at the last place is done.
  const last = jobs.at(-1);
  const dropOffs = left.flatMap((one) =>
    jobs.includes(one.job) && one.job !== last && last ? [{ ...one, fetchedAfter: last }] : [],
  );
  // Only what can be driven is offered: somebody drives on, and somebody is left for every place.
  const options = stayingAt(inTurn, trip).map((some, i) =>
    some.filter((stays) => {
      const job = jobs[i] as string;
      const others = dropOffs.filter((one) => one.job !== job);
      return roundByHand(files, { trip, jobs, dropOffs: [...others, { job, stays, fetchedAfter: last }] });
    }),
  );
  const round = jobs.length > 1 ? roundByHand(files, { trip, jobs, dropOffs }) : undefined;
  const swap = (at: number) =>
    setJobs(jobs.map((job, i) => (i === at ? jobs[at + 1] : i === at + 1 ? jobs[at] : job) ?? job));
  const stay = (job: string, stays: readonly string[] | undefined) =>
    setLeft([...left.filter((one) => one.job !== job), ...(stays ? [{ job, stays }] : [])]);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Round {TRIPS[trip]}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
          {inTurn.map((file, i) => (
            <PlaceRow
              key={file.job.id}
              file={file}
              number={i + 1}
              stays={dropOffs.find((one) => one.job === file.job.id)?.stays}
              options={options[i] ?? []}
              onStay={(stays) => stay(file.job.id, stays)}
              onUp={i > 0 ? () => swap(i - 1) : undefined}
              onDown={i < jobs.length - 1 ? () => swap(i) : undefined}
              onLeaveOut={() => setJobs(jobs.filter((id) => id !== file.job.id))}
            />
          ))}
        </Box>
        {others.map(({ job, site }) => (
          <Button
            key={job.id}
            size="small"
            sx={{ justifySelf: 'start' }}
            onClick={() => setJobs([...jobs, job.id])}
          >
            Add {site.name}
          </Button>
        ))}
        <Typography role="status" sx={{ fontSize: 14, color: 'text.secondary' }}>
          {jobs.length < 2
            ? 'A round needs two places at least.'
            : round
              ? 'The day is planned with this round until you let the search decide again.'
              : 'This round cannot be driven: a driver, a seat, or somebody to do the work at one of the places is missing.'}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={!round} onClick={() => round && onKeep(round)}>
          Keep this round
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Whether a job could be part of a round: somebody drives there, for one load. */
const mayRide = (job: JobFile['job'], site: JobFile['site'], trip: Round['trip']): boolean =>
  !site.isWorkshop &&
  job.pieces.length > 0 &&
  !job.dropOffs?.some((one) => one.trip === trip) &&
  (trip === 'set-up' ? !job.secondLoad?.length : !job.isKept);

interface PlaceRowProps {
  file: JobFile;
  number: number;
  stays: readonly string[] | undefined;
  options: readonly (readonly string[])[];
  onStay: (stays: readonly string[] | undefined) => void;
  onUp: (() => void) | undefined;
  onDown: (() => void) | undefined;
  onLeaveOut: () => void;
}

const ALL = 'all';

function PlaceRow({ file, number, stays, options, onStay, onUp, onDown, onLeaveOut }: PlaceRowProps) {
  const names = namesFor(file);
  const { name } = file.site;
  const who = (ids: readonly string[]) => listed(ids.map((id) => nameIn(id, names).split(' ')[0] ?? id));
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: '1fr auto',
        columnGap: 1,
        alignItems: 'center',
      }}
    >
      <Typography sx={{ fontWeight: 700 }}>
        {number}. {name}
      </Typography>
      <Box sx={{ display: 'flex' }}>
        <IconButton aria-label={`${name} earlier`} disabled={!onUp} onClick={onUp}>
          <ArrowUpwardIcon />
        </IconButton>
        <IconButton aria-label={`${name} later`} disabled={!onDown} onClick={onDown}>
          <ArrowDownwardIcon />
        </IconButton>
        <IconButton aria-label={`Leave out ${name}`} onClick={onLeaveOut}>
          <CloseIcon />
        </IconButton>
      </Box>
      {options.length > 0 && (
        <TextField
          select
          size="small"
          sx={{ gridColumn: '1 / -1' }}
          value={stays?.join(' ') ?? ALL}
          onChange={({ target }) => onStay(options.find((one) => one.join(' ') === target.value))}
          slotProps={{ select: { SelectDisplayProps: { 'aria-label': `Who stays at ${name}` } } }}
        >
          <MenuItem value={ALL}>Everybody stays until it is done</MenuItem>
          {options.map((one) => (
            <MenuItem key={one.join(' ')} value={one.join(' ')}>
              Drop off {who(one)}, fetch them at the end
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}

import type { JobFile } from '@early-lantern/contract';
import { listed, nameIn, namesFor } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { Link } from 'react-router';
import { RoundPath } from '../parts/RoundPath.tsx';
import { dayKey } from '../parts/time.ts';
import { agreedRounds, roundTrip } from './agreed-rounds.ts';

/** The rounds that a job is part of, as agreed for its day. */
export function JobRounds({ file }: { file: JobFile }) {
  const { job, workshop } = file;
  const names = namesFor(file);
  const rounds = agreedRounds(file);
  if (rounds.length === 0) return null;
  return (
    <Box component="section" aria-label="Rounds" sx={{ display: 'grid', gap: 1.5 }}>
      {rounds.map((round) => (
        <Box key={round.trip}>
          <Typography sx={{ mb: 0.5 }}>
            <strong>{roundTrip(round)}</strong>, shared with{' '}
            {listed(round.stops.flatMap((stop) => (stop.job === job.id ? [] : [stop.place])))}
            {round.vehicles?.length ? ` · ${listed(round.vehicles.map((id) => nameIn(id, names)))}` : ''} ·{' '}
            <Link to={`/days/${dayKey(job.doors, workshop.timeZone)}`} style={{ color: 'inherit' }}>
              the day together
            </Link>
          </Typography>
          <RoundPath
            leave={round.leave}
            places={round.stops.map(({ job: id, place, arrive = '', leave = '' }) => ({
              job: id,
              place,
              arrive,
              leave,
            }))}
            home={round.home}
            zone={workshop.timeZone}
            own={job.id}
          />
        </Box>
      ))}
    </Box>
  );
}

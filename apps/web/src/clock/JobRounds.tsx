import type { JobFile, Round } from '@early-lantern/contract';
import { listed, nameIn, namesFor, whoStays } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { Link } from 'react-router';
import { RoundPath } from '../parts/RoundPath.tsx';
import { dropOffWords } from '../parts/round-words.ts';
import { dayKey } from '../parts/time.ts';
import { agreedRounds, roundTrip } from './agreed-rounds.ts';

/** With which other places a round is shared. */
function sharedWith({ stops }: Pick<Round, 'stops'>, own: string): string {
  const others = [...new Set(stops.flatMap(({ job, place }) => (job === own ? [] : [place])))];
  return others.length > 0 ? `, shared with ${listed(others)}` : ', the crew is dropped off';
}

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
            <strong>{roundTrip(round)}</strong>
            {sharedWith(round, job.id)}
            {round.vehicles?.length ? ` · ${listed(round.vehicles.map((id) => nameIn(id, names)))}` : ''} ·{' '}
            <Link to={`/days/${dayKey(job.doors, workshop.timeZone)}`} style={{ color: 'inherit' }}>
              the day together
            </Link>
          </Typography>
          <RoundPath
            leave={round.leave}
            places={round.stops.map(({ job: id, place, arrive = '', leave = '', does, byHome }, at) => ({
              job: id,
              place,
              arrive,
              leave,
              does: dropOffWords(does, whoStays(round, at), names),
              isByHome: byHome !== undefined,
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

import type { JobFile, Round } from '@early-lantern/contract';
import {
  type DayPlan,
  type DrivenRound,
  driveBetween,
  drivenAlone,
  drivenRounds,
  listed,
  nameIn,
  namesFor,
} from '@early-lantern/core';
import { Box, Button, Typography } from '@mui/material';
import { RoundPath } from '../parts/RoundPath.tsx';

interface DayRoundsProps {
  plan: DayPlan;
  files: readonly JobFile[];
  /** Keeps the drives of a trip to some jobs apart, or lets them be joined again. */
  onDriveAlone: (trip: Round['trip'], jobs: readonly string[], isAlone: boolean) => void;
}

const TRIPS = { 'set-up': 'to set up', strike: 'to take down' } as const;

/** Drives that go to several places in a row: when where, in what, with whom. */
export function DayRounds({ plan, files, onDriveAlone }: DayRoundsProps) {
  const rounds = drivenRounds(plan);
  const apart = (['set-up', 'strike'] as const).filter((trip) => drivenAlone(files, trip).length > 0);
  if (rounds.length === 0 && apart.length === 0) return null;
  return (
    <Box component="section" aria-label="Rounds" sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {rounds.map((round) => (
        <RoundLine
          key={`${round.trip} ${round.leave}`}
          round={round}
          files={files}
          onApart={() =>
            onDriveAlone(
              round.trip,
              round.places.map(({ job }) => job),
              true,
            )
          }
        />
      ))}
      {apart.map((trip) => (
        <Box key={trip} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography sx={{ color: 'text.secondary' }}>
            Separate drives {TRIPS[trip]}: {listed(drivenAlone(files, trip).map(({ job }) => job.name))}.
          </Typography>
          <Button
            size="small"
            variant="outlined"
            onClick={() =>
              onDriveAlone(
                trip,
                drivenAlone(files, trip).map(({ job }) => job.id),
                false,
              )
            }
          >
            Allow one round
          </Button>
        </Box>
      ))}
    </Box>
  );
}

interface RoundLineProps {
  round: DrivenRound;
  files: readonly JobFile[];
  onApart: () => void;
}

function RoundLine({ round, files, onApart }: RoundLineProps) {
  const [first] = files;
  if (!first) return null;
  const zone = first.workshop.timeZone;
  const names = namesFor(first);
  const stops = round.places.flatMap(({ job }) => files.find((file) => file.job.id === job) ?? []);
  const unmarked = stops.some((to, i) => {
    const from = stops[i - 1];
    return from !== undefined && driveBetween(from, to).isOverWorkshop;
  });
  return (
    <Box component="article" aria-label={`One round ${TRIPS[round.trip]}`}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap', mb: 0.5 }}>
        <Typography component="h3" sx={{ fontWeight: 700, fontSize: 17 }}>
          One round {TRIPS[round.trip]}
        </Typography>
        <Typography sx={{ color: 'text.secondary' }}>
          {listed(round.vehicles.map((id) => nameIn(id, names)))} with{' '}
          {listed(round.people.map((id) => nameIn(id, names)))}
        </Typography>
        <Button size="small" variant="outlined" onClick={onApart}>
          Drive separately
        </Button>
      </Box>
      <RoundPath leave={round.leave} places={round.places} home={round.home} zone={zone} />
      {unmarked && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary', mt: 0.5 }}>
          Drives between places are reckoned by way of the workshop where a place has no latitude and
          longitude: type them at the site, and the workshop’s under House.
        </Typography>
      )}
    </Box>
  );
}

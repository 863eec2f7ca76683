import type { JobFile, Round } from '@early-lantern/contract';
import {
  type Choice,
  choiceOf,
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
import { useState } from 'react';
import { RoundPath } from '../parts/RoundPath.tsx';
import { dropOffWords } from '../parts/round-words.ts';
import { RoundEditor } from './RoundEditor.tsx';
import { TRIPS } from './trips.ts';

interface DayRoundsProps {
  plan: DayPlan;
  files: readonly JobFile[];
  /** Keeps the drives of a trip to some jobs apart, or lets them be joined again. */
  onDriveAlone: (trip: Round['trip'], jobs: readonly string[], isAlone: boolean) => void;
  /** Keeps a round as it was put in order by hand instead of one with these jobs, or lets the search decide. */
  onKeep: (trip: Round['trip'], before: readonly string[], round: Round | undefined) => void;
}

/** Drives that go to several places in a row: when where, in what, with whom. */
export function DayRounds({ plan, files, onDriveAlone, onKeep }: DayRoundsProps) {
  const [edited, setEdited] = useState<Choice>();
  const rounds = drivenRounds(plan);
  const apart = (['set-up', 'strike'] as const).filter((trip) => drivenAlone(files, trip).length > 0);
  // Kept by hand, and no plan goes with it: it can still be changed.
  const stuck = plan.rounds.filter(
    ({ trip, isKept }) => isKept && !rounds.some((round) => round.trip === trip && round.isKept),
  );
  const byHand = (['set-up', 'strike'] as const).filter(
    (trip) => files.length > 1 && !apart.includes(trip) && !plan.rounds.some((round) => round.trip === trip),
  );
  const jobsOf = (round: DrivenRound) => [...new Set(round.places.map(({ job }) => job))];
  const madeOf = (round: DrivenRound): Choice => {
    const jobs = jobsOf(round);
    const own = plan.rounds.find(
      ({ trip, stops }) => trip === round.trip && stops.every(({ job }) => jobs.includes(job)),
    );
    return own ? choiceOf(own, files) : { trip: round.trip, jobs };
  };
  return (
    <Box component="section" aria-label="Rounds" sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {rounds.map((round) => (
        <RoundLine
          key={`${round.trip} ${round.leave}`}
          round={round}
          files={files}
          onApart={() => onDriveAlone(round.trip, jobsOf(round), true)}
          onEdit={() => setEdited(madeOf(round))}
          onLetGo={() => onKeep(round.trip, jobsOf(round), undefined)}
        />
      ))}
      {stuck.map((round) => (
        <Box
          key={round.trip}
          component="article"
          aria-label={`Round ${TRIPS[round.trip]}, kept by hand`}
          sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}
        >
          <Typography>
            <strong>Round {TRIPS[round.trip]}</strong>, kept by hand:{' '}
            {round.stops.map(({ place }) => place).join(' → ')}. No plan works with it.
          </Typography>
          <Button size="small" variant="outlined" onClick={() => setEdited(choiceOf(round, files))}>
            Change by hand
          </Button>
          <Button
            size="small"
            variant="outlined"
            onClick={() => onKeep(round.trip, choiceOf(round, files).jobs, undefined)}
          >
            Let the search decide
          </Button>
        </Box>
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
      {byHand.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
          {byHand.map((trip) => (
            <Button key={trip} size="small" variant="outlined" onClick={() => setEdited({ trip, jobs: [] })}>
              Make a round {TRIPS[trip]}
            </Button>
          ))}
        </Box>
      )}
      {edited && (
        <RoundEditor
          files={files}
          choice={edited}
          onClose={() => setEdited(undefined)}
          onKeep={(round) => {
            onKeep(edited.trip, edited.jobs, round);
            setEdited(undefined);
          }}
        />
      )}
    </Box>
  );
}

interface RoundLineProps {
  round: DrivenRound;
  files: readonly JobFile[];
  onApart: () => void;
  onEdit: () => void;
  onLetGo: () => void;
}

function RoundLine({ round, files, onApart, onEdit, onLetGo }: RoundLineProps) {
  const [first] = files;
  if (!first) return null;
  const zone = first.workshop.timeZone;
  const names = namesFor(first);
  const stops = round.places.flatMap(({ job }) => files.find((file) => file.job.id === job) ?? []);
  const title = `${new Set(stops).size > 1 ? 'One round' : 'Drop-off'} ${TRIPS[round.trip]}`;
  const unmarked = stops.some((to, i) => {
    const from = stops[i - 1];
    return from !== undefined && driveBetween(from, to).isOverWorkshop;
  });
  return (
    <Box component="article" aria-label={title}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap', mb: 0.5 }}>
        <Typography component="h3" sx={{ fontWeight: 700, fontSize: 17 }}>
          {title}
        </Typography>
        <Typography sx={{ color: 'text.secondary' }}>
          {listed(round.vehicles.map((id) => nameIn(id, names)))} with{' '}
          {listed(round.people.map((id) => nameIn(id, names)))}
        </Typography>
        <Button size="small" variant="outlined" onClick={onEdit}>
          Change by hand
        </Button>
        {round.isKept ? (
          <Button size="small" variant="outlined" onClick={onLetGo}>
            Let the search decide
          </Button>
        ) : (
          <Button size="small" variant="outlined" onClick={onApart}>
            Drive separately
          </Button>
        )}
      </Box>
      <RoundPath
        leave={round.leave}
        places={round.places.map(({ does, who, home, ...place }) => ({
          ...place,
          does: dropOffWords(does, who, names),
          isByHome: home !== undefined,
        }))}
        home={round.home}
        zone={zone}
      />
      {unmarked && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary', mt: 0.5 }}>
          Drives between places are reckoned by way of the workshop where a place has no latitude and
          longitude: type them at the site, and the workshop’s under House.
        </Typography>
      )}
    </Box>
  );
}

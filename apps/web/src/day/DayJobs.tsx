import type { JobFile, Rehearsal } from '@early-lantern/contract';
import { chanceText, type DayPlan } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { Link } from 'react-router';
import { Lantern } from '../parts/Lantern.tsx';
import { moneyText } from '../parts/money.ts';
import { clockTime } from '../parts/time.ts';
import { headFont } from '../theme.ts';
import { letterOf, stateOf } from './DayLanes.tsx';

interface DayJobsProps {
  plan: DayPlan;
  files: readonly JobFile[];
  /** How each job comes out on days that go wrong; not known while the search goes on. */
  outcomes: readonly Rehearsal[] | undefined;
}

/** The most minutes in hand there could be, in a sentence. */
function boundWords(bound: number, inHand: number | null, wanted: number): string {
  if (inHand !== null && inHand >= bound) return 'Best possible with these people and hours.';
  return bound < 0
    ? `With these people and hours every plan is at least ${-bound} min late.`
    : `Best possible with these people and hours: ${bound} min to spare; you want ${wanted}.`;
}

/** Each job in the day's plan: minutes in hand, how many there could be, what it does not keep. */
export function DayJobs({ plan, files, outcomes }: DayJobsProps) {
  const wanted = files[0]?.workshop.inHandTargetMin ?? 0;
  const zone = files[0]?.workshop.timeZone ?? 'UTC';
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
      {plan.jobs.map(({ jobId, name, onTime, broken, tasks }, i) => {
        const { minutesInHand, bound } = onTime;
        const strike = tasks.find(({ id }) => id === 'strike');
        return (
          <Box
            key={jobId}
            component="article"
            aria-label={name}
            sx={{ display: 'grid', gridTemplateColumns: '34px 1fr', columnGap: 1.5, alignItems: 'start' }}
          >
            <Lantern state={stateOf(broken, minutesInHand, wanted)} size={34} />
            <Box>
              <Typography component="h3" sx={{ fontWeight: 700, fontSize: 17 }}>
                {letterOf(i)} ·{' '}
                <Link to={`/jobs/${jobId}/clock`} style={{ color: 'inherit' }}>
                  {name}
                </Link>
              </Typography>
              <Typography>
                <Box component="span" sx={{ fontFamily: headFont, fontWeight: 700, fontSize: 20 }}>
                  {minutesInHand === null
                    ? 'no plan'
                    : minutesInHand < 0
                      ? `${-minutesInHand} min late`
                      : `${minutesInHand} min to spare`}
                </Box>
                {onTime.ready && ` · signed off ${clockTime(onTime.ready, zone)}`}
                {onTime.leaveAt &&
                  ` · ${onTime.leaveFrom ? 'drive on' : 'leave'} ${clockTime(onTime.leaveAt, zone)}`}
                {strike && ` · strike ${clockTime(strike.start, zone)}`}
              </Typography>
              {bound !== null && (
                <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
                  {boundWords(bound, minutesInHand, wanted)}
                </Typography>
              )}
              {outcomes?.[i] && (
                <Typography sx={{ fontSize: 15 }} data-testid={`chance-${jobId}`}>
                  Ready on{' '}
                  <strong>
                    {chanceText(outcomes[i]?.chance ?? 0, outcomes[i]?.runs ?? 1, 'rehearsed days')}
                  </strong>
                  , all jobs together
                  {(outcomes[i]?.earlierMin ?? 0) > 0 &&
                    `; ${outcomes[i]?.wantedPct} of 100 if all were ${outcomes[i]?.earlierMin} min earlier`}
                  .
                </Typography>
              )}
              {broken.map((sentence) => (
                <Typography key={sentence} sx={{ color: 'var(--mui-palette-out)', fontWeight: 650 }}>
                  {sentence}
                </Typography>
              ))}
            </Box>
          </Box>
        );
      })}
      {plan.paidHours > 0 && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {plan.paidHours.toFixed(1)} paid hours in all
          {plan.wages !== null ? `, wages ${moneyText(plan.wages, files[0]?.workshop.currency)}` : ''}
        </Typography>
      )}
    </Box>
  );
}

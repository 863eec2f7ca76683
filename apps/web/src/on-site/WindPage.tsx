import type { CrewMember } from '@early-lantern/contract';
import { MS_PER_MPH, windAlarms } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { clockTime } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { RoughWeather } from './RoughWeather.tsx';
import type { SiteLogHere } from './use-log.ts';

/** Gusts to choose from, in the units they are spoken of: what one feels is known no closer. */
const GUSTS = { imperial: [5, 8, 10, 12, 15, 18, 20, 25, 30, 35], metric: [2, 4, 5, 6, 7, 8, 9, 11, 13, 16] };

interface WindPageProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** Whoever watches the wind says how strong it is; every phone then says what to do. */
export function WindPage({ who, taken, log }: WindPageProps) {
  const { units, wind } = useUnits();
  const { plan } = taken;
  const outside = plan.holds.pieces.filter(({ isOutdoors }) => isOutdoors);
  const gusts = GUSTS[units].map((gust) => (units === 'imperial' ? gust * MS_PER_MPH : gust));
  const told = log.happened.wind;
  const states = new Map(
    told ? windAlarms(plan.holds, told.event.gustMs).map(({ pieceId, step }) => [pieceId, step]) : [],
  );
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Wind
      </Typography>
      {outside.length === 0 && (
        <Typography sx={{ fontSize: '1.0625rem' }}>Nothing of this job stands or hangs outdoors.</Typography>
      )}
      {outside.map(({ id, name, watchGustMs, lowerGustMs, takeDownGustMs }) => (
        <Box key={id} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
          <Typography sx={{ fontSize: '1.125rem', fontWeight: 650 }}>
            {name}
            {states.has(id) && `: ${states.get(id)} now`}
          </Typography>
          <Typography sx={{ fontSize: '1.0625rem' }}>
            {takeDownGustMs === null
              ? 'Wind does not decide here.'
              : `Watch from ${wind(watchGustMs ?? takeDownGustMs)}, lower at ${wind(lowerGustMs ?? takeDownGustMs)}, take down at ${wind(takeDownGustMs)}.`}
          </Typography>
        </Box>
      ))}
      {outside.length > 0 && (
        <>
          <Typography variant="h2">How strong are the gusts now?</Typography>
          {told && (
            <Typography sx={{ fontSize: '1.0625rem' }}>
              Told last: {wind(told.event.gustMs)}, {clockTime(told.at, plan.timeZone)}.
            </Typography>
          )}
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(96px, 1fr))', gap: 1 }}>
            {gusts.map((gustMs) => (
              <BigButton key={gustMs} onClick={() => void log.write(who.id, { kind: 'wind', gustMs })}>
                {wind(gustMs)}
              </BigButton>
            ))}
          </Box>
          <RoughWeather taken={taken} log={log} />
          <Typography sx={{ fontSize: '1.0625rem' }}>
            Measure where it stands. Nobody waits for a phone to say it: the lead on site, the house and local
            rules decide.
          </Typography>
        </>
      )}
    </Box>
  );
}

import type { CrewMember } from '@early-lantern/contract';
import { MS_PER_MPH, windAlarms } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { clockTime } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import type { SiteLogHere } from './use-log.ts';
import { WindAlarm } from './WindNotice.tsx';

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
          <Practice taken={taken} log={log} gusts={gusts} />
          <Typography sx={{ fontSize: '1.0625rem' }}>
            Measure where it stands. Nobody waits for a phone to say it: the lead on site, the house and local
            rules decide.
          </Typography>
        </>
      )}
    </Box>
  );
}

interface PracticeProps {
  taken: TakenJob;
  log: SiteLogHere;
  /** m/s, from the weakest. */
  gusts: readonly number[];
}

/** Lets the wind rise on this phone alone, so that everybody knows what it will say: nothing of it is written down. */
function Practice({ taken, log, gusts }: PracticeProps) {
  const { wind } = useUnits();
  const [at, setAt] = useState<number>();
  const gustMs = at === undefined ? undefined : gusts[at];
  if (gustMs === undefined || at === undefined)
    return <BigButton onClick={() => setAt(0)}>Practise: let the wind rise</BigButton>;
  return (
    <Box component="section" aria-label="Practice" sx={{ display: 'grid', gap: 1 }}>
      <Typography sx={{ fontSize: '1.25rem', fontWeight: 700 }}>
        Practice only: gusts of {wind(gustMs)}
      </Typography>
      <WindAlarm taken={taken} happened={log.happened} gustMs={gustMs}>
        Practice. What every phone would say:
      </WindAlarm>
      {at + 1 < gusts.length && <BigButton onClick={() => setAt(at + 1)}>Let it rise</BigButton>}
      <BigButton onClick={() => setAt(undefined)}>End the practice</BigButton>
    </Box>
  );
}

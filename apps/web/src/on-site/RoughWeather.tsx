import { dayFacts, projected, rainUntil, simulatedForecast } from '@early-lantern/core';
import { Alert, Box, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { clockTime, shortDay } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { BigButton } from './BigButton.tsx';
import { ChoiceSheet } from './ChoiceSheet.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { readyWords } from './ready-words.ts';
import type { SiteLogHere } from './use-log.ts';
import { WindAlarm } from './WindNotice.tsx';

/** How far the made-up weather is turned up. */
const LEVELS = [
  { id: 'as-it-comes', label: 'Ordinary day', rougherBy: 0 },
  { id: 'wet', label: 'Windy and wet', rougherBy: 1 },
  { id: 'storm', label: 'Storm', rougherBy: 4 },
] as const;
type Level = (typeof LEVELS)[number];

interface RoughWeatherProps {
  taken: TakenJob;
  log: SiteLogHere;
}

/**
 * Lets made-up weather come on this phone alone, hour by hour, so that everybody knows what the phones will say and what it does to the
 * day: nothing of it is written down.
 */
export function RoughWeather({ taken, log }: RoughWeatherProps) {
  const [isChoosing, setChoosing] = useState(false);
  const [level, setLevel] = useState<Level>();
  return (
    <>
      {level ? (
        <Hours key={level.id} level={level} taken={taken} log={log} onEnd={() => setLevel(undefined)} />
      ) : (
        <BigButton onClick={() => setChoosing(true)}>Practise with made-up weather</BigButton>
      )}
      {isChoosing && (
        <ChoiceSheet
          title="Which weather?"
          choices={LEVELS}
          onChoose={(id) => {
            setLevel(LEVELS.find((one) => one.id === id));
            setChoosing(false);
          }}
          onClose={() => setChoosing(false)}
        />
      )}
    </>
  );
}

function Hours({ level, taken, log, onEnd }: RoughWeatherProps & { level: Level; onEnd: () => void }) {
  const { file, plan } = taken;
  const { wind } = useUnits();
  const { access, strike, siteId } = file.job;
  const zone = plan.timeZone;
  const [startMs] = useState(() => {
    const nowMs = log.nowMs();
    const from = Date.parse(access.from);
    return nowMs > from && nowMs < Date.parse(strike.until) ? nowMs : from;
  });
  const hours = useMemo(
    () =>
      simulatedForecast({
        place: siteId,
        timeZone: zone,
        fromMs: startMs,
        untilMs: Date.parse(strike.until),
        madeMs: startMs,
        rougherBy: level.rougherBy,
      }),
    [siteId, zone, startMs, strike.until, level],
  );
  const [at, setAt] = useState(0);
  const hour = hours[at];
  if (!hour) return null;
  const wetUntilMs = rainUntil(hours, at);
  return (
    <Box component="section" aria-label="Practice" sx={{ display: 'grid', gap: 1 }}>
      <Typography sx={{ fontSize: '1.25rem', fontWeight: 700 }}>
        Practice only: {level.label.toLowerCase()}
      </Typography>
      <Typography sx={{ fontSize: '1.125rem' }} data-testid="practice-hour">
        {shortDay(hour.at, zone)}, {clockTime(hour.at, zone)}: gusts of {wind(hour.gustMs)},{' '}
        {wetUntilMs === null ? 'dry' : 'rain'}.
      </Typography>
      <WindAlarm taken={taken} happened={log.happened} gustMs={hour.gustMs}>
        Practice. What every phone would say:
      </WindAlarm>
      {wetUntilMs !== null && (
        <Rain taken={taken} log={log} untilMs={startMs + wetUntilMs - Date.parse(hour.at)} />
      )}
      {at + 1 < hours.length && <BigButton onClick={() => setAt(at + 1)}>An hour later</BigButton>}
      <BigButton onClick={onEnd}>End the practice</BigButton>
    </Box>
  );
}

/** What a rain as long as that one does to the day if it begins with the work on site, or now. */
function Rain({ taken: { file, plan }, log, untilMs }: RoughWeatherProps & { untilMs: number }) {
  const { happened } = log;
  const facts = dayFacts(file, happened);
  const day = { file, plan, happened, facts, nowMs: log.nowMs() };
  const [dry, wet] = [projected(day), projected({ ...day, facts: { ...facts, rainMs: untilMs } })];
  const until = clockTime(new Date(untilMs).toISOString(), plan.timeZone);
  return (
    <Alert severity="warning" icon={false} variant="outlined" sx={{ fontSize: '1.125rem' }}>
      {wet.readyMs === dry.readyMs ? (
        `Practice. Rain like this until ${until} delays nothing.`
      ) : (
        <>
          Practice. Rain like this until {until}: put nothing up outdoors before.{' '}
          <strong>{readyWords(wet, plan.timeZone)}</strong>
        </>
      )}
    </Alert>
  );
}

import { type Happened, type WindStep, windAlarms } from '@early-lantern/core';
import { Alert } from '@mui/material';
import { type ReactNode, useEffect } from 'react';
import { clockTime } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { alarm } from './stay-awake.ts';

/** What is to be done with what stands; and with what nobody has ticked, which may stand all the same. */
const words: Record<WindStep, { stands: string; unknown: string }> = {
  'take down': { stands: 'Take down now', unknown: 'Do not set up; if it stands, take it down' },
  lower: {
    stands: 'Lower it, or take what catches wind off',
    unknown: 'Do not set up; if it stands, lower it',
  },
  watch: { stands: 'Somebody stays with it and watches', unknown: 'Once it stands somebody stays with it' },
};

/** What the wind asks for, on every phone: it buzzes when it gets worse. */
export function WindNotice({ taken, happened }: { taken: TakenJob; happened: Happened }) {
  const { wind } = useUnits();
  const told = happened.wind;
  const worst = told && windAlarms(taken.plan.holds, told.event.gustMs)[0]?.step;
  useEffect(() => {
    if (worst) alarm();
  }, [worst]);
  if (!told) return null;
  return (
    <WindAlarm taken={taken} happened={happened} gustMs={told.event.gustMs}>
      Gusts of {wind(told.event.gustMs)}, told at {clockTime(told.at, taken.plan.timeZone)}.
    </WindAlarm>
  );
}

interface WindAlarmProps {
  taken: TakenJob;
  happened: Happened;
  gustMs: number;
  children: ReactNode;
}

/** What is to be done in a gust, the most urgent first; nothing where it asks for nothing. */
export function WindAlarm({ taken: { plan }, happened, gustMs, children }: WindAlarmProps) {
  const alarms = windAlarms(plan.holds, gustMs).map((one) => ({
    ...one,
    isUp: plan.tasks.some(
      ({ id, pieceId, place, stage }) =>
        pieceId === one.pieceId && place === 'site' && stage && happened.tasks.has(id),
    ),
  }));
  const worst = alarms[0]?.step;
  if (!worst) return null;
  const lines = [...new Set(alarms.map(({ step, isUp }) => words[step][isUp ? 'stands' : 'unknown']))];
  return (
    <Alert
      severity={worst === 'watch' ? 'warning' : 'error'}
      icon={false}
      variant="outlined"
      role="alert"
      sx={{ fontSize: '1.125rem' }}
    >
      {children}
      {lines.map((line) => (
        <div key={line}>
          <strong>{line}:</strong>{' '}
          {alarms
            .filter(({ step, isUp }) => words[step][isUp ? 'stands' : 'unknown'] === line)
            .map(({ name }) => name)
            .join(', ')}
        </div>
      ))}
    </Alert>
  );
}

import { type Happened, type WindStep, windAlarms } from '@early-lantern/core';
import { Alert } from '@mui/material';
import { useEffect } from 'react';
import { clockTime } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { alarm } from './stay-awake.ts';

const words: Record<WindStep, string> = {
  'take down': 'Take down now',
  lower: 'Lower it, or take what catches wind off',
  watch: 'Somebody stays with it and watches',
};

/** What the wind asks for, on every phone: it buzzes when it gets worse. */
export function WindNotice({ taken, happened }: { taken: TakenJob; happened: Happened }) {
  const { wind } = useUnits();
  const { plan } = taken;
  const told = happened.wind;
  const alarms = told ? windAlarms(plan.holds, told.event.gustMs) : [];
  const worst = alarms[0]?.step;
  useEffect(() => {
    if (worst) alarm();
  }, [worst]);
  if (!told || !worst) return null;
  const steps = [...new Set(alarms.map(({ step }) => step))];
  return (
    <Alert
      severity={worst === 'watch' ? 'warning' : 'error'}
      icon={false}
      variant="outlined"
      role="alert"
      sx={{ fontSize: '1.125rem' }}
    >
      Gusts of {wind(told.event.gustMs)}, told at {clockTime(told.at, plan.timeZone)}.
      {steps.map((step) => (
        <div key={step}>
          <strong>{words[step]}:</strong>{' '}
          {alarms
            .filter((one) => one.step === step)
            .map(({ name }) => name)
            .join(', ')}
        </div>
      ))}
    </Alert>
  );
}

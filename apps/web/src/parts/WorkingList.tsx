import type { Working } from '@early-lantern/contract';
import { inTheirUnits } from '@early-lantern/core';
import { Box, LinearProgress, Stack, Typography } from '@mui/material';
import { useUnits } from '../preferences.tsx';
import { useWorkings, type WorkingSource } from './workings.ts';

/** Every step of a calculation: inputs, formula, result, source. */
export function WorkingList({ working }: { working: WorkingSource }) {
  const steps = useWorkings(working);
  if (!steps) return <LinearProgress aria-label="Loading the working" />;
  return (
    <Stack component="ol" spacing={1.5} sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {steps.map((step, i) => (
        // Two steps may share a label; the list never changes its order.
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        <Box component="li" key={i} sx={{ borderLeft: 3, borderColor: 'divider', pl: 1.5 }}>
          <Step step={step} />
        </Box>
      ))}
    </Stack>
  );
}

function Step({ step }: { step: Working }) {
  const { long, units } = useUnits();
  const figure = (value: number | string, unit: string) => {
    if (unit === 'm' && typeof value === 'number') return long(value);
    const told = typeof value === 'number' ? inTheirUnits(value, unit, units) : { value, unit };
    const number =
      typeof told.value === 'number'
        ? Math.abs(told.value) < 1
          ? Number(told.value.toPrecision(3))
          : Number(told.value.toFixed(2))
        : told.value;
    const shown = `${number}`.replace(/^-/, '−');
    return told.unit ? `${shown} ${told.unit}` : shown;
  };
  return (
    <>
      <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 2 }}>
        <Typography component="span" sx={{ fontWeight: 650 }}>
          {step.label}
        </Typography>
        <Typography component="span" sx={{ fontWeight: 700, whiteSpace: 'nowrap' }}>
          {figure(step.value, step.unit)}
        </Typography>
      </Stack>
      <Typography sx={{ fontSize: 14 }}>
        {units === 'imperial' && step.formulaInFeet ? step.formulaInFeet : step.formula}
      </Typography>
      {step.inputs.length > 0 && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          {step.inputs.map((input) => `${input.name} ${figure(input.value, input.unit)}`).join(' · ')}
        </Typography>
      )}
      <Typography sx={{ fontSize: 13, color: 'text.secondary', fontStyle: 'italic' }}>
        {step.source}
      </Typography>
    </>
  );
}

import type { HoldRules, MethodId, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { methods, usualRules } from '@early-lantern/core';
import { Box, Paper, Stack, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

const ruleWords: Record<keyof HoldRules, { label: string; min: number; max: number }> = {
  hookFactor: { label: 'Rating over load of a point', min: 1, max: 10 },
  indoorFactor: { label: 'Against tipping, indoors', min: 1, max: 10 },
  outdoorFactor: { label: 'Against tipping, outdoors', min: 1, max: 10 },
  bumpN: { label: 'Somebody bumps into it, N', min: 0, max: 1000 },
  bumpHeightM: { label: 'at this height, m', min: 0.1, max: 2.5 },
  personKg: { label: 'Person on a ladder, kg', min: 40, max: 200 },
  packedStiffness: { label: 'Packed arch: stiffer than its bare pipe, times', min: 1, max: 10 },
  assumedGustMs: { label: 'Gust assumed outdoors without a forecast, m/s', min: 3, max: 30 },
};

/** A number typed between limits; nothing typed takes the usual one again. */
function readNumber(text: string, min: number, max: number, take: (value: number | undefined) => void) {
  if (!text.trim()) {
    take(undefined);
    return undefined;
  }
  const value = Number(text.replace(',', '.'));
  if (!(value >= min && value <= max)) return `From ${min} to ${max}, or nothing for the usual one`;
  take(value);
  return undefined;
}

/** What is asked of whatever is put up, and what fixings are rated for. */
export function SafetyPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { holdRules = {}, ratingsN = {} } = row.data;
  const without = <T extends object>(from: T, key: keyof T): T =>
    Object.fromEntries(Object.entries(from).filter(([one]) => one !== key)) as T;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Safety and ratings"
      sx={{ p: 2.5, display: 'grid', gap: 2.5 }}
    >
      <Stack spacing={1.25}>
        <Typography variant="h2">Safety factors and assumptions</Typography>
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}>
          {(Object.keys(ruleWords) as (keyof HoldRules)[]).map((rule) => (
            <CommitField
              key={rule}
              label={ruleWords[rule].label}
              value={holdRules[rule] === undefined ? '' : String(holdRules[rule])}
              placeholder={`${usualRules[rule]} as usual`}
              slotProps={{ inputLabel: { shrink: true } }}
              onCommit={(text) =>
                readNumber(text, ruleWords[rule].min, ruleWords[rule].max, (value) =>
                  save(({ holdRules: now = {} }) => ({
                    holdRules: value === undefined ? without(now, rule) : { ...now, [rule]: value },
                  })),
                )
              }
            />
          ))}
        </Box>
      </Stack>
      <Stack spacing={1.25}>
        <Typography variant="h2">Ratings of fixings, newtons</Typography>
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}>
          {methods.map(({ id, label, ratingN }) => (
            <CommitField
              key={id}
              label={label}
              value={ratingsN[id as MethodId] === undefined ? '' : String(ratingsN[id as MethodId])}
              placeholder={`${ratingN} as usual`}
              slotProps={{ inputLabel: { shrink: true } }}
              onCommit={(text) =>
                readNumber(text, 0, 5000, (value) =>
                  save(({ ratingsN: now = {} }) => ({
                    ratingsN: value === undefined ? without(now, id) : { ...now, [id]: value },
                  })),
                )
              }
            />
          ))}
        </Box>
      </Stack>
    </Paper>
  );
}

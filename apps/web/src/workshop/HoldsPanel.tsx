import type { HoldRules, MethodId, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { methods, usualLadders, usualRules } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Paper, Stack, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

const ruleWords: Record<keyof HoldRules, { label: string; min: number; max: number }> = {
  hookFactor: { label: 'Rating over load of a point', min: 1, max: 10 },
  indoorFactor: { label: 'Against tipping, indoors', min: 1, max: 10 },
  outdoorFactor: { label: 'Against tipping, outdoors', min: 1, max: 10 },
  bumpN: { label: 'Somebody bumps into it, N', min: 0, max: 1000 },
  bumpHeightM: { label: 'at this height, m', min: 0.1, max: 2.5 },
  personKg: { label: 'Person on a ladder, kg', min: 40, max: 200 },
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

/** Ladders, weights, what is asked of whatever is put up, and what fixings are rated for. */
export function HoldsPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { ladders = usualLadders, weights = [], holdRules = {}, ratingsN = {} } = row.data;
  const without = <T extends object>(from: T, key: keyof T): T =>
    Object.fromEntries(Object.entries(from).filter(([one]) => one !== key)) as T;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Ladders, weights, fixings"
      sx={{ p: 2, display: 'grid', gap: 2 }}
    >
      <Stack spacing={1.25}>
        <Typography variant="h2">Ladders</Typography>
        {ladders.map((ladder) => {
          const set = (edit: Partial<typeof ladder>) =>
            save(() => ({ ladders: ladders.map((one) => (one === ladder ? { ...one, ...edit } : one)) }));
          return (
            <Box key={ladder.id} sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 120px 96px auto' }}>
              <CommitField
                label="Ladder"
                value={ladder.name}
                onCommit={(text) => someName(text, (name) => set({ name }))}
              />
              <LengthField
                label="Highest step"
                valueM={ladder.standM}
                min={0.1}
                max={10}
                onCommit={(standM) => set({ standM })}
              />
              <CommitField
                label="Duty, kg"
                value={String(ladder.dutyKg)}
                onCommit={(text) => wholeNumber(text, 50, 300, (dutyKg) => set({ dutyKg }))}
              />
              <IconButton
                aria-label={`Delete ${ladder.name}`}
                onClick={() => save(() => ({ ladders: ladders.filter((one) => one !== ladder) }))}
              >
                <DeleteIcon />
              </IconButton>
            </Box>
          );
        })}
        <Button
          startIcon={<AddIcon />}
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            save(() => ({
              ladders: [
                ...ladders,
                { id: newId('ladder'), name: 'New ladder', kind: 'step', standM: 1.2, dutyKg: 113 },
              ],
            }))
          }
        >
          Add a ladder
        </Button>
      </Stack>
      <Stack spacing={1.25}>
        <Typography variant="h2">Weights for bases</Typography>
        {weights.length === 0 && (
          <Typography sx={{ color: 'text.secondary' }}>
            None counted: ballast is told in kilograms, whatever makes it up.
          </Typography>
        )}
        {weights.map((weight) => {
          const set = (edit: Partial<typeof weight>) =>
            save(() => ({ weights: weights.map((one) => (one === weight ? { ...one, ...edit } : one)) }));
          return (
            <Box key={weight.id} sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 96px 96px auto' }}>
              <CommitField
                label="Weight"
                value={weight.name}
                onCommit={(text) => someName(text, (name) => set({ name }))}
              />
              <CommitField
                label="kg each"
                value={String(weight.massKg)}
                onCommit={(text) =>
                  readNumber(text, 0.1, 200, (massKg) => massKg !== undefined && set({ massKg }))
                }
              />
              <CommitField
                label="How many"
                value={String(weight.count)}
                onCommit={(text) => wholeNumber(text, 0, 1000, (count) => set({ count }))}
              />
              <IconButton
                aria-label={`Delete ${weight.name}`}
                onClick={() => save(() => ({ weights: weights.filter((one) => one !== weight) }))}
              >
                <DeleteIcon />
              </IconButton>
            </Box>
          );
        })}
        <Button
          startIcon={<AddIcon />}
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            save(() => ({
              weights: [...weights, { id: newId('weight'), name: 'Sand bag', massKg: 10, count: 4 }],
            }))
          }
        >
          Add weights
        </Button>
      </Stack>
      <Stack spacing={1.25}>
        <Typography variant="h2">What is asked</Typography>
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
                  save(() => ({
                    holdRules:
                      value === undefined ? without(holdRules, rule) : { ...holdRules, [rule]: value },
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
                  save(() => ({
                    ratingsN: value === undefined ? without(ratingsN, id) : { ...ratingsN, [id]: value },
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

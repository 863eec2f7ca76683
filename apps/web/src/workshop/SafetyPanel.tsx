import type { HoldRules, Hook, MethodId, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { methods, usualRules } from '@early-lantern/core';
import { Box, Paper, Stack, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { type Quantity, UnitField } from '../parts/UnitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { readBetween, without } from './own-figures.ts';
import { choiceColumn, forceColumn, nameColumn, RowList } from './RowList.tsx';

/** Ways of fixing that are bought in several strengths. */
const hookMethods = methods.filter(({ id }) =>
  ['adhesive-hook', 'magnetic-hook', 'suction-hook', 'brick-clip', 'clamp', 'bar-clamp'].includes(id),
);

const ruleWords: Record<keyof HoldRules, { label: string; min: number; max: number; quantity?: Quantity }> = {
  hookFactor: { label: 'Safety factor of a point', min: 1, max: 10 },
  indoorFactor: { label: 'Safety factor against tipping, indoors', min: 1, max: 10 },
  outdoorFactor: { label: 'Safety factor against tipping, outdoors', min: 1, max: 10 },
  bumpN: { label: 'Somebody bumps into it', min: 0, max: 1000, quantity: 'force' },
  bumpHeightM: { label: 'Bumped into at this height', min: 0.1, max: 2.5, quantity: 'height' },
  personKg: { label: 'Person on a ladder', min: 40, max: 200, quantity: 'mass' },
  packedStiffness: { label: 'Packed arch, times as stiff as its bare pipe', min: 1, max: 10 },
  assumedGustMs: { label: 'Gust assumed until a forecast is in', min: 3, max: 30, quantity: 'wind' },
};

/** What is asked of whatever is put up, and what fixings are rated for. */
export function SafetyPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { holdRules = {}, ratingsN = {} } = row.data;
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
          {(Object.keys(ruleWords) as (keyof HoldRules)[]).map((rule) => {
            const { label, min, max, quantity } = ruleWords[rule];
            const take = (value: number | undefined) =>
              save(({ holdRules: now = {} }) => ({
                holdRules: value === undefined ? without(now, rule) : { ...now, [rule]: value },
              }));
            return quantity ? (
              <UnitField
                key={rule}
                label={label}
                quantity={quantity}
                value={holdRules[rule]}
                min={min}
                max={max}
                usual={usualRules[rule]}
                onCommit={take}
              />
            ) : (
              <CommitField
                key={rule}
                label={label}
                value={holdRules[rule] === undefined ? '' : String(holdRules[rule])}
                placeholder={`${usualRules[rule]} as usual`}
                slotProps={{ inputLabel: { shrink: true } }}
                onCommit={(text) => readBetween(text, min, max, take)}
              />
            );
          })}
        </Box>
      </Stack>
      <Stack spacing={1.25}>
        <Typography variant="h2">Ratings of fixings</Typography>
        <RowList<Hook>
          title="Our hooks and clamps"
          empty="Hooks of several strengths: each point takes the lightest that holds, and the list says how many of which. Without any, the ratings below stand."
          rows={row.data.hooks ?? []}
          columns={[
            nameColumn('Hook', 'name'),
            choiceColumn('Fixes as', 'method', hookMethods),
            forceColumn('Rated load', 'ratingN', 0, 5000),
          ]}
          nameOf={({ name }) => name}
          onChange={(edit) => save((now) => ({ hooks: edit(now.hooks ?? []) }))}
          add={{
            label: 'Add a hook',
            row: () => ({
              id: newId('hook'),
              name: 'Small adhesive hook',
              method: 'adhesive-hook' as const,
              ratingN: 4.45,
            }),
          }}
        />
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}>
          {methods.map(({ id, label, ratingN }) => (
            <UnitField
              key={id}
              label={label}
              quantity="force"
              value={ratingsN[id as MethodId]}
              min={0}
              max={5000}
              usual={ratingN}
              onCommit={(value) =>
                save(({ ratingsN: now = {} }) => ({
                  ratingsN: value === undefined ? without(now, id) : { ...now, [id]: value },
                }))
              }
            />
          ))}
        </Box>
      </Stack>
    </Paper>
  );
}

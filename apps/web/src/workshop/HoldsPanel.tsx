import type {
  HoldRules,
  Ladder,
  MethodId,
  OwnLoad,
  OwnPipe,
  Weight,
  WorkshopRow,
  WorkshopSettings,
} from '@early-lantern/contract';
import { methods, pipeOf, pipes, usualLadders, usualRules } from '@early-lantern/core';
import { Box, Paper, Stack, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';
import { choiceColumn, lengthColumn, nameColumn, numberColumn, RowList, wholeColumn } from './RowList.tsx';

const loadKinds: { id: OwnLoad['what']; label: string }[] = [
  { id: 'floral', label: 'Floral' },
  { id: 'foil', label: 'Foil (conducts)' },
  { id: 'plush', label: 'Plush' },
  { id: 'sign', label: 'Sign' },
  { id: 'other', label: 'Other' },
];

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

/** Ladders, weights, offcuts, heavy things, what is asked of whatever is put up, and what fixings are rated for. */
export function HoldsPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { ladders = usualLadders, weights = [], ownPipes = [], ownLoads = [] } = row.data;
  const { holdRules = {}, ratingsN = {} } = row.data;
  const { long } = useUnits();
  const without = <T extends object>(from: T, key: keyof T): T =>
    Object.fromEntries(Object.entries(from).filter(([one]) => one !== key)) as T;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Ladders, weights, fixings"
      sx={{ p: 2, display: 'grid', gap: 2 }}
    >
      <RowList<Ladder>
        title="Ladders"
        rows={ladders}
        columns={[
          nameColumn('Ladder', 'name'),
          lengthColumn('Highest step', 'standM', 0.1, 10),
          wholeColumn('Duty, kg', 'dutyKg', 50, 300),
        ]}
        nameOf={({ name }) => name}
        onChange={(change) => save((now) => ({ ladders: change(now.ladders ?? usualLadders) }))}
        add={{
          label: 'Add a ladder',
          row: () => ({ id: newId('ladder'), name: 'New ladder', kind: 'step', standM: 1.2, dutyKg: 113 }),
        }}
      />
      <RowList<Weight>
        title="Weights for bases"
        empty="None counted: ballast is told in kilograms, whatever makes it up."
        rows={weights}
        columns={[
          nameColumn('Weight', 'name'),
          numberColumn('kg each', 'massKg', 0.1, 200),
          wholeColumn('How many', 'count', 0, 1000),
        ]}
        nameOf={({ name }) => name}
        onChange={(change) => save((now) => ({ weights: change(now.weights ?? []) }))}
        add={{
          label: 'Add weights',
          row: () => ({ id: newId('weight'), name: 'Sand bag', massKg: 10, count: 4 }),
        }}
      />
      <RowList<OwnPipe>
        title="Pipe left over"
        empty="Offcuts counted here are cut before a new length is."
        rows={ownPipes}
        columns={[
          choiceColumn('Pipe', 'pipe', pipes),
          lengthColumn('Length', 'lengthM', 0.05, 10),
          wholeColumn('How many', 'count', 0, 1000),
        ]}
        nameOf={({ pipe, lengthM }) => `${pipeOf(pipe).label}, ${long(lengthM)}`}
        onChange={(change) => save((now) => ({ ownPipes: change(now.ownPipes ?? []) }))}
        add={{
          label: 'Add an offcut',
          row: () => ({ id: newId('pipe'), pipe: 'pvc-half', lengthM: 1.5, count: 1 }),
        }}
      />
      <RowList<OwnLoad>
        title="Our own heavy items"
        empty="Florals, foils, plush and signs of the catalogue can be chosen; weigh your own and add them here."
        rows={ownLoads}
        columns={[
          nameColumn('What', 'name'),
          choiceColumn('Kind', 'what', loadKinds),
          numberColumn('kg', 'massKg', 0, 50),
        ]}
        nameOf={({ name }) => name}
        onChange={(change) => save((now) => ({ ownLoads: change(now.ownLoads ?? []) }))}
        add={{
          label: 'Add a heavy thing',
          row: () => ({ id: newId('load'), name: 'New thing', what: 'other', massKg: 0.5 }),
        }}
      />
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

import type {
  Ladder,
  OwnLoad,
  OwnPipe,
  Weight,
  WorkshopRow,
  WorkshopSettings,
} from '@early-lantern/contract';
import { pipeOf, pipes, usualLadders } from '@early-lantern/core';
import { Paper } from '@mui/material';
import { keys } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';
import { choiceColumn, lengthColumn, massColumn, nameColumn, RowList, wholeColumn } from './RowList.tsx';

const loadKinds: { id: OwnLoad['what']; label: string }[] = [
  { id: 'floral', label: 'Floral' },
  { id: 'foil', label: 'Foil (conducts)' },
  { id: 'plush', label: 'Plush' },
  { id: 'sign', label: 'Sign' },
  { id: 'other', label: 'Other' },
];

/** Ladders, weights, offcuts and heavy things of the business. */
export function HoldsPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { ladders = usualLadders, weights = [], ownPipes = [], ownLoads = [] } = row.data;
  const { long } = useUnits();
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
          massColumn('Carries', 'dutyKg', 50, 300),
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
          massColumn('Each', 'massKg', 0.1, 200),
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
          massColumn('Each', 'massKg', 0, 50),
        ]}
        nameOf={({ name }) => name}
        onChange={(change) => save((now) => ({ ownLoads: change(now.ownLoads ?? []) }))}
        add={{
          label: 'Add a heavy thing',
          row: () => ({ id: newId('load'), name: 'New thing', what: 'other', massKg: 0.5 }),
        }}
      />
    </Paper>
  );
}

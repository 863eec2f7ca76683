import type { BagType, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { METRES_PER_FOOT } from '@early-lantern/core';
import { Box, Paper, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someNumber, wholeNumber } from '../parts/CommitField.tsx';
import { HoursField } from '../parts/HoursField.tsx';
import { newId } from '../parts/ids.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';
import { lengthColumn, nameColumn, RowList, wholeColumn } from './RowList.tsx';

const tidy = (value: number) => String(Number(value.toPrecision(3)));

/** The workshop as a place: its hours, its floor, its bags, and what is carried with. */
export function PlacePanel({ row }: { row: WorkshopRow }) {
  const { hours, floorM2, bagM3, bagTypes = [], doorM, wagons } = row.data;
  const isMetric = useUnits().units === 'metric';
  const perArea = isMetric ? 1 : METRES_PER_FOOT ** 2;
  const perVolume = isMetric ? 1 : METRES_PER_FOOT ** 3;
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (edit: Partial<WorkshopSettings>) => save(() => edit);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="The workshop's place"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">The workshop's place</Typography>
      <Typography sx={{ fontSize: 15 }}>
        Work is done there{' '}
        <strong>{hours ? `from ${hours.from} to ${hours.to}` : 'at any hour people have'}</strong>.
      </Typography>
      <HoursField
        key={JSON.stringify(hours)}
        none="At any hour"
        value={hours ?? undefined}
        onNone={() => change({ hours: null })}
        onHours={(now) => change({ hours: now })}
      />
      <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))' }}>
        <CommitField
          label={`Floor for sections, ${isMetric ? 'm²' : 'sq ft'}`}
          value={floorM2 ? tidy(floorM2 / perArea) : ''}
          placeholder="not limited"
          slotProps={{ inputLabel: { shrink: true } }}
          onCommit={(text) => {
            if (text.trim() === '') return void change({ floorM2: null });
            return someNumber(text, Math.ceil(1 / perArea), 5000, (now) =>
              change({ floorM2: now * perArea }),
            );
          }}
        />
        {bagTypes.length === 0 && (
          <CommitField
            label={`A bag holds, ${isMetric ? 'm³' : 'cu ft'}`}
            value={bagM3 === undefined ? '' : tidy(bagM3 / perVolume)}
            placeholder={tidy(0.35 / perVolume)}
            slotProps={{ inputLabel: { shrink: true } }}
            onCommit={(text) =>
              someNumber(text, isMetric ? 0.02 : 1, isMetric ? 5 : 175, (now) =>
                change({ bagM3: now * perVolume }),
              )
            }
          />
        )}
        <LengthField
          label="Narrowest door"
          valueM={doorM}
          placeholder="not measured"
          slotProps={{ inputLabel: { shrink: true } }}
          min={0.4}
          max={20}
          onCommit={(now) => change({ doorM: now })}
          onClear={() => save(() => ({ doorM: undefined }))}
        />
        <CommitField
          label="Wagons, dollies"
          value={String(wagons ?? 0)}
          onCommit={(text) => wholeNumber(text, 0, 20, (now) => change({ wagons: now }))}
        />
      </Box>
      <RowList<BagType>
        title="Bags for balloons"
        empty="Not counted: there are as many as it takes."
        rows={bagTypes}
        columns={[
          nameColumn('Bag', 'name'),
          lengthColumn('Long', 'lengthM', 0.2, 12),
          lengthColumn('Wide when full', 'diameterM', 0.1, 4),
          wholeColumn('How many', 'count', 0, 1000),
        ]}
        nameOf={({ name }) => name}
        onChange={(edit) => save((now) => ({ bagTypes: edit(now.bagTypes ?? []) }))}
        add={{
          label: 'Add a bag',
          row: () => ({ id: newId('bag'), name: 'Long bag', lengthM: 2, diameterM: 0.8, count: 10 }),
        }}
      />
    </Paper>
  );
}

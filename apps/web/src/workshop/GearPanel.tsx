import type { Inflator, Vehicle, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { CABLES_M } from '@early-lantern/core';
import { Paper } from '@mui/material';
import { keys } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { choiceColumn, flowColumn, lengthColumn, nameColumn, RowList, wholeColumn } from './RowList.tsx';

/** Inflators and vehicles: how many there are decides how much can happen at once. */
export function GearPanel({ row }: { row: WorkshopRow }) {
  const { inflators, vehicles } = row.data;
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  return (
    <Paper variant="outlined" sx={{ p: 2, display: 'grid', gap: 2 }}>
      <RowList<Inflator>
        title="Inflators"
        rows={inflators}
        columns={[
          nameColumn('Name', 'name'),
          wholeColumn('Nozzles', 'nozzles', 1, 4),
          flowColumn('Flow', 'flowLps', 0.5, 100),
          wholeColumn('Runs, min', 'onMin', 1, 240),
          wholeColumn('Cools, min', 'offMin', 0, 240),
          choiceColumn('Power', 'power', [
            { id: 'mains', label: 'mains' },
            { id: 'battery', label: 'battery' },
            { id: 'hand', label: 'by hand' },
          ]),
          wholeColumn('Watts', 'watts', 10, 5000),
        ]}
        nameOf={({ name }) => name}
        onChange={(change) => save((now) => ({ inflators: change(now.inflators) }))}
        add={{
          label: 'Add an inflator',
          row: () => ({ id: newId('inflator'), name: 'New inflator', nozzles: 2 }),
        }}
        least={1}
      />
      <LengthField
        label="Extension cables reach"
        valueM={row.data.cablesM ?? CABLES_M}
        min={1}
        max={200}
        onCommit={(cablesM) => save(() => ({ cablesM }))}
        sx={{ maxWidth: 260 }}
      />
      <RowList<Vehicle>
        title="Vehicles"
        rows={vehicles}
        columns={[
          nameColumn('Name', 'name'),
          wholeColumn('Seats', 'seats', 1, 20),
          lengthColumn('Longest load', 'loadM', 0.5, 20),
        ]}
        nameOf={({ name }) => name}
        onChange={(change) => save((now) => ({ vehicles: change(now.vehicles) }))}
        add={{ label: 'Add a vehicle', row: () => ({ id: newId('vehicle'), name: 'New vehicle', seats: 2 }) }}
        least={1}
      />
    </Paper>
  );
}

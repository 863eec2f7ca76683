import type { Supplier, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { Paper } from '@mui/material';
import { keys } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { nameColumn, RowList, wholeColumn } from './RowList.tsx';

/** Who sells to us, and how long it takes to arrive: the buy list's order days follow from it. */
export function SuppliersPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (edit: (rows: readonly Supplier[]) => Supplier[]) =>
    save((now) => {
      const suppliers = edit(now.suppliers ?? []);
      // A colour of a supplier that is gone has none.
      const colours = now.colours.map(({ supplierId, ...colour }) =>
        supplierId !== undefined && suppliers.some(({ id }) => id === supplierId)
          ? { ...colour, supplierId }
          : colour,
      );
      return { suppliers, colours };
    });
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Suppliers">
      <RowList<Supplier>
        title="Suppliers"
        rows={row.data.suppliers ?? []}
        columns={[nameColumn('Supplier', 'name'), wholeColumn('Takes, days', 'leadDays', 0, 120)]}
        nameOf={({ name }) => name}
        onChange={change}
        add={{
          label: 'Add a supplier',
          row: () => ({ id: newId('supplier'), name: 'New supplier', leadDays: 3 }),
        }}
      />
    </Paper>
  );
}

import type { OpenDays, Supplier, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { Box, Paper, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { OpenDaysFields } from './OpenDaysFields.tsx';
import { nameColumn, RowList, wholeColumn } from './RowList.tsx';

/** Who sells to us, how long it takes to arrive, and when they and we are open: order days follow from it. */
export function SuppliersPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { suppliers: rows = [], open = {} } = row.data;
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
  const setDays = (id: string, days: OpenDays) =>
    change((now) => now.map((one) => (one.id === id ? { ...one, ...days } : one)));
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Suppliers">
      <RowList<Supplier>
        title="Suppliers"
        rows={rows}
        columns={[nameColumn('Supplier', 'name'), wholeColumn('Lead, days', 'leadDays', 0, 120)]}
        nameOf={({ name }) => name}
        onChange={change}
        add={{
          label: 'Add a supplier',
          row: () => ({
            id: newId('supplier'),
            name: 'New supplier',
            leadDays: 3,
            workdays: [1, 2, 3, 4, 5],
          }),
        }}
      />
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mt: 1.5 }}>
        Lead time counts only the days the supplier is open.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          mt: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 312px), 1fr))',
        }}
      >
        {rows.map(({ id, name, workdays, closed }) => (
          <div key={id}>
            <Typography sx={{ fontWeight: 650 }}>{name} is open</Typography>
            <OpenDaysFields
              name={name}
              value={{ ...(workdays ? { workdays } : {}), ...(closed ? { closed } : {}) }}
              onChange={(days) => setDays(id, days)}
            />
          </div>
        ))}
        <div>
          <Typography sx={{ fontWeight: 650 }}>We take deliveries</Typography>
          <OpenDaysFields
            name="Our deliveries"
            value={open}
            onChange={(days) => save(() => ({ open: days }))}
          />
        </div>
      </Box>
    </Paper>
  );
}

import type { WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Paper, Stack, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';

/** Who sells to us, and how long it takes to arrive: the buy list's order days follow from it. */
export function SuppliersPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { suppliers = [] } = row.data;
  const change = (id: string, edit: { name?: string; leadDays?: number }) =>
    save((before) => ({
      suppliers: (before.suppliers ?? []).map((one) => (one.id === id ? { ...one, ...edit } : one)),
    }));
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Suppliers">
      <Typography variant="h2" sx={{ mb: 1.25 }}>
        Suppliers
      </Typography>
      <Stack spacing={1.25}>
        {suppliers.map((supplier) => (
          <Box key={supplier.id} sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 110px auto' }}>
            <CommitField
              label="Supplier"
              value={supplier.name}
              onCommit={(text) => someName(text, (name) => change(supplier.id, { name }))}
            />
            <CommitField
              label="Days to arrive"
              value={String(supplier.leadDays)}
              onCommit={(text) => wholeNumber(text, 0, 120, (leadDays) => change(supplier.id, { leadDays }))}
            />
            <IconButton
              aria-label={`Delete ${supplier.name}`}
              onClick={() =>
                save((before) => ({
                  suppliers: (before.suppliers ?? []).filter((one) => one.id !== supplier.id),
                  colours: before.colours.map(({ supplierId, ...colour }) =>
                    supplierId === undefined || supplierId === supplier.id
                      ? colour
                      : { ...colour, supplierId },
                  ),
                }))
              }
            >
              <DeleteIcon />
            </IconButton>
          </Box>
        ))}
        <Button
          startIcon={<AddIcon />}
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            save((before) => ({
              suppliers: [
                ...(before.suppliers ?? []),
                { id: newId('supplier'), name: 'New supplier', leadDays: 3 },
              ],
            }))
          }
        >
          Add a supplier
        </Button>
      </Stack>
    </Paper>
  );
}

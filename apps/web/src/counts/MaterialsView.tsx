import type { MaterialRow, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import {
  Box,
  Paper,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from '@mui/material';
import { keys, useSettings } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { amountText, fromShown, toShown } from '../parts/amounts.ts';
import { MaterialTable } from '../parts/MaterialTable.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { sameRow } from '../parts/workings.ts';
import { useUnits } from '../preferences.tsx';

/** Everything besides balloons, in all beside the shelf, and piece by piece. */
export function MaterialsView() {
  const { planned } = useJob();
  const settings = useSettings().data;
  if (!planned || !settings) return null;
  const { pieces, totals } = planned.plan;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1.2fr) minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <TableContainer component={Paper} variant="outlined">
        <Table size="small" aria-label="Materials in all">
          <TableHead>
            <TableRow>
              <TableCell>Material</TableCell>
              <TableCell align="right">Need</TableCell>
              <TableCell align="right">On the shelf</TableCell>
              <TableCell>After the job</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {totals.materials.map((row) => (
              <MaterialLine key={row.label} row={row} settings={settings} />
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      <Box sx={{ display: 'grid', gap: 2, minWidth: 0 }}>
        {pieces
          .filter((piece) => piece.materials.length > 0)
          .map((piece) => (
            <Paper key={piece.id} variant="outlined" sx={{ p: 2, overflowX: 'auto' }}>
              <Typography variant="h2" sx={{ mb: 1 }}>
                {piece.name}
              </Typography>
              <MaterialTable rows={piece.materials} pieceId={piece.id} />
            </Paper>
          ))}
      </Box>
    </Box>
  );
}

function MaterialLine({ row, settings }: { row: MaterialRow; settings: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', settings);
  const held = settings.data.materials?.find((one) => one.item === row.item)?.onHand;
  const { units } = useUnits();
  const shown = held === undefined ? undefined : toShown(held, row.unit, units);
  const commit = (text: string) => {
    const onHand = fromShown(Number(text), row.unit, units);
    if (text.trim() === '' || !(onHand >= 0) || Number(text) === shown) return;
    save(({ materials = [] }) => ({
      materials: [
        ...materials.filter((one) => one.item !== row.item),
        { ...materials.find((one) => one.item === row.item), item: row.item, onHand },
      ],
    }));
  };
  return (
    <TableRow>
      <TableCell>{row.label}</TableCell>
      <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
        <WorkingButton title={row.label} working={(whole) => sameRow(whole.totals.materials, row)}>
          {amountText(row.count, row.unit, units)}
        </WorkingButton>
      </TableCell>
      <TableCell align="right" sx={{ py: 0.25 }}>
        <TextField
          key={held}
          defaultValue={shown ?? ''}
          type="number"
          placeholder="count"
          error={held !== undefined && held < row.count}
          onBlur={(event) => commit(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && commit((event.target as HTMLInputElement).value)}
          slotProps={{
            htmlInput: {
              'aria-label': `${row.label} on the shelf`,
              min: 0,
              style: { textAlign: 'right', padding: '4px 8px' },
            },
          }}
          sx={{ width: 88 }}
        />
      </TableCell>
      <TableCell sx={{ color: 'text.secondary' }}>{row.isGear ? 'comes back' : 'used up'}</TableCell>
    </TableRow>
  );
}

import type { WorkshopRow } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import {
  Paper,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';
import { useMovements } from '../api/queries.ts';
import { movementWords } from './MovementForm.tsx';

/** The newest entries of the shelf's ledger. */
export function LedgerPanel({ row }: { row: WorkshopRow }) {
  const movements = useMovements();
  if (movements.error) throw movements.error;
  const { colours, timeZone } = row.data;
  const name = (id: string) => colours.find((colour) => colour.id === id)?.name ?? id;
  const items = movements.data?.items ?? [];
  return (
    <TableContainer component={Paper} variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">Ledger</Typography>
      {items.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing has moved yet. Every count and booking is kept here.
        </Typography>
      )}
      {items.length > 0 && (
        <Table size="small" aria-label="Ledger" sx={{ '& td, & th': { px: 0.75 } }}>
          <TableHead>
            <TableRow>
              <TableCell>When</TableCell>
              <TableCell>Balloon</TableCell>
              <TableCell>What</TableCell>
              <TableCell align="right">Change</TableCell>
              <TableCell align="right">Then</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {items.map((item) => (
              <TableRow key={item.id}>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {DateTime.fromISO(item.at, { zone: timeZone }).toFormat('d LLL HH:mm', { locale: 'en' })}
                </TableCell>
                <TableCell>
                  {sizeName(item.nominalIn)} {name(item.colour)}
                </TableCell>
                <TableCell>
                  {movementWords[item.kind]}
                  {item.note && `: ${item.note}`}
                </TableCell>
                <TableCell align="right">{item.change > 0 ? `+${item.change}` : item.change}</TableCell>
                <TableCell align="right">{item.onHand}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </TableContainer>
  );
}

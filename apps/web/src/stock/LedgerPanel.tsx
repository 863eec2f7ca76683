import type { ColourId, WorkshopRow } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import {
  Button,
  MenuItem,
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
import { DateTime } from 'luxon';
import { useState } from 'react';
import { useMovements } from '../api/queries.ts';
import { colourOf } from '../counts/product-name.ts';
import { movementWords } from './MovementForm.tsx';

/** The shelf's ledger, newest first, page by page: of every balloon or of one. */
export function LedgerPanel({ row }: { row: WorkshopRow }) {
  const { colours, timeZone, stock } = row.data;
  const [chosen, setChosen] = useState('');
  const product = stock.find((one) => `${one.nominalIn} ${one.colour}` === chosen);
  const movements = useMovements(product && { nominalIn: product.nominalIn, colour: product.colour });
  if (movements.error) throw movements.error;
  const name = ({ nominalIn, colour }: { nominalIn: number; colour: ColourId }) =>
    `${sizeName(nominalIn)} ${colourOf({ colours }, colour).name}`;
  const items = movements.data?.pages.flatMap((page) => page.items) ?? [];
  const total = movements.data?.pages[0]?.total ?? 0;
  return (
    <TableContainer component={Paper} variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">Ledger</Typography>
      <TextField
        select
        label="Balloon"
        value={chosen}
        onChange={(event) => setChosen(event.target.value)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        sx={{ my: 1.5, minWidth: 220 }}
      >
        <MenuItem value="">All balloons</MenuItem>
        {stock.map((one) => (
          <MenuItem key={name(one)} value={`${one.nominalIn} ${one.colour}`}>
            {name(one)}
          </MenuItem>
        ))}
      </TextField>
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
            {items.map((item) => {
              const what = [item.job ?? '', item.note].filter(
                (text, i, all) => text && all.indexOf(text) === i,
              );
              return (
                <TableRow key={item.id}>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>
                    {DateTime.fromISO(item.at, { zone: timeZone }).toFormat('d LLL HH:mm', { locale: 'en' })}
                  </TableCell>
                  <TableCell>{name(item)}</TableCell>
                  <TableCell sx={{ overflowWrap: 'anywhere' }}>
                    {[movementWords[item.kind], ...what].join(': ')}
                  </TableCell>
                  <TableCell align="right">{item.change > 0 ? `+${item.change}` : item.change}</TableCell>
                  <TableCell align="right">{item.onHand}</TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
      {movements.hasNextPage && (
        <Button onClick={() => void movements.fetchNextPage()} disabled={movements.isFetching} sx={{ mt: 1 }}>
          Older entries ({total - items.length})
        </Button>
      )}
    </TableContainer>
  );
}

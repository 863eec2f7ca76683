import type { OnOrder, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { type BuyRow, buyList, wantedDay } from '@early-lantern/core';
import {
  Box,
  Button,
  Paper,
  Stack,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { keys, useSettings } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { amountText } from '../parts/amounts.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { newId } from '../parts/ids.ts';
import { useNotice } from '../parts/notices.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';
import { ProductName } from './ProductName.tsx';
import { SoldOutDialog } from './SoldOutDialog.tsx';

const dayText = (day: string) => DateTime.fromISO(day).toFormat('ccc d LLL', { locale: 'en' });

/** What to buy, by the last day on which an order still arrives in time. */
export function BuyView() {
  const settings = useSettings().data;
  const { planned } = useJob();
  return settings && planned ? <BuyList row={settings} /> : null;
}

function BuyList({ row: settings }: { row: WorkshopRow }) {
  const { planned, file } = useJob();
  const tell = useNotice();
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', settings);
  const [soldOut, setSoldOut] = useState<BuyRow>();
  const { workshop, job } = file;
  const today = DateTime.now().setZone(workshop.timeZone).toISODate() as string;
  const wanted = wantedDay(file);
  const rows = buyList(planned?.plan.totals.balloons ?? [], workshop, wanted, today);
  const priced = rows.some((row) => row.cover.price !== undefined);
  const total = rows.reduce((sum, row) => sum + (row.cover.price ?? 0), 0);
  const ordered = ({ product, cover, leadDays }: BuyRow): OnOrder => ({
    id: newId('order'),
    nominalIn: product.nominalIn,
    colour: product.colour,
    count: cover.balloons,
    arrives: DateTime.fromISO(today).plus({ days: leadDays }).toISODate() as string,
  });
  const order = (chosen: readonly BuyRow[]) => {
    const orders = chosen.map(ordered);
    save(({ onOrder = [] }) => ({ onOrder: [...onOrder, ...orders] }));
    tell({
      text: `On order: ${chosen.length === 1 ? 'one product' : `${chosen.length} products`}. Receive them under Stock.`,
      undo: () =>
        save(({ onOrder = [] }) => ({
          onOrder: onOrder.filter((one) => !orders.some((mine) => mine.id === one.id)),
        })),
    });
  };
  const fileAddress = (format: string) => `/api/v1/jobs/${job.id}/buy.${format}?today=${today}`;
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ flexGrow: 1 }}>
          Wanted in the workshop by <strong>{dayText(wanted)}</strong>, the day before doors.
          {priced && ` Together ${total.toFixed(2)}${workshop.currency ? ` ${workshop.currency}` : ''}.`}
        </Typography>
        <Button size="small" variant="outlined" component="a" href={fileAddress('csv')} download>
          Save as CSV
        </Button>
        <Button size="small" variant="outlined" component="a" href={fileAddress('xlsx')} download>
          Save as spreadsheet
        </Button>
        <Button size="small" variant="contained" disabled={rows.length === 0} onClick={() => order(rows)}>
          All ordered
        </Button>
      </Stack>
      {rows.length === 0 ? (
        <EmptyState title="Nothing to buy">
          Shelf and orders cover this job with its spares, and what earlier jobs hold.
        </EmptyState>
      ) : (
        <TableContainer component={Paper} variant="outlined">
          <Table size="small" aria-label="To buy">
            <TableHead>
              <TableRow>
                <TableCell>Order by</TableCell>
                <TableCell>Balloon</TableCell>
                <TableCell>From</TableCell>
                <TableCell align="right">Missing</TableCell>
                <TableCell>Packs</TableCell>
                <TableCell align="right">Left over</TableCell>
                {priced && (
                  <TableCell align="right">
                    Price{workshop.currency ? `, ${workshop.currency}` : ''}
                  </TableCell>
                )}
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.map((row) => {
                const { product, missing, cover, supplier, orderBy, isTooLate, leadDays } = row;
                return (
                  <TableRow key={`${product.nominalIn}-${product.colour}`}>
                    <TableCell
                      sx={
                        isTooLate ? { color: 'var(--mui-palette-out)', fontWeight: 700 } : { fontWeight: 700 }
                      }
                    >
                      {dayText(orderBy)}
                      {isTooLate && ', too late'}
                    </TableCell>
                    <TableCell>
                      <ProductName nominalIn={product.nominalIn} colour={product.colour} />
                    </TableCell>
                    <TableCell sx={{ color: 'text.secondary' }}>
                      {supplier ?? 'any supplier'}, {leadDays} days
                    </TableCell>
                    <TableCell align="right">{missing}</TableCell>
                    <TableCell>
                      {cover.packs.map(({ pack, times }) => `${times} × ${pack.count}`).join(' + ')}
                    </TableCell>
                    <TableCell align="right">{cover.surplus}</TableCell>
                    {priced && <TableCell align="right">{cover.price?.toFixed(2) ?? ''}</TableCell>}
                    <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                      <Button size="small" onClick={() => order([row])}>
                        Mark as ordered
                      </Button>
                      <Button size="small" onClick={() => setSoldOut(row)}>
                        Find a substitute
                      </Button>
                    </TableCell>
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        </TableContainer>
      )}
      <MaterialsToBuy />
      {soldOut && <SoldOutDialog product={soldOut.product} onClose={() => setSoldOut(undefined)} />}
    </Box>
  );
}

/** Materials that the shelf has been counted for and lacks; what was never counted is not judged. */
function MaterialsToBuy() {
  const { planned, file } = useJob();
  const { units } = useUnits();
  const held = new Map((file.workshop.materials ?? []).map((row) => [row.item, row.onHand]));
  const missing = (planned?.plan.totals.materials ?? []).flatMap((row) => {
    const lacks = row.count - (held.get(row.item) ?? Number.POSITIVE_INFINITY);
    return lacks > 0 ? [{ row, lacks }] : [];
  });
  if (missing.length === 0) return null;
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">Materials short of the count</Typography>
      {missing.map(({ row, lacks }) => (
        <Typography key={row.label}>
          {row.label}: {amountText(lacks, row.unit, units)}
        </Typography>
      ))}
    </Paper>
  );
}

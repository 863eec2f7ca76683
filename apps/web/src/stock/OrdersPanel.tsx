import type { Booked, OnOrder, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { Box, Button, Paper, Stack, TextField, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { keys } from '../api/queries.ts';
import { colourOf } from '../counts/product-name.ts';
import { useNotice } from '../parts/notices.tsx';
import { dateWords } from '../parts/time.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { refreshStock } from './refresh-stock.ts';

const reasonsOf = (error: Error): string =>
  (error instanceof ApiProblem ? error.problem.faults : undefined)?.map(({ reason }) => reason).join('; ') ??
  error.message;

/** Orders on their way: received in full or in part, or dropped. */
export function OrdersPanel({ row }: { row: WorkshopRow }) {
  const orders = [...(row.data.onOrder ?? [])].sort((a, b) => a.arrives.localeCompare(b.arrives));
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="On order">
      <Typography variant="h2">On order</Typography>
      {orders.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing on its way. What the coming jobs lack is listed under To buy.
        </Typography>
      )}
      {orders.map((order) => (
        <Order key={`${order.id}-${order.count}`} order={order} row={row} />
      ))}
    </Paper>
  );
}

function Order({ order, row }: { order: OnOrder; row: WorkshopRow }) {
  const notify = useNotice();
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const [count, setCount] = useState(String(order.count));
  const name = `${sizeName(order.nominalIn)} ${colourOf(row.data, order.colour).name}`;
  const receive = async (isLast: boolean) => {
    const arrived = Number(count);
    await call<Booked>('POST', `/stock/orders/${order.id}/receive`, { count: arrived, isLast })
      .then(({ movements }) =>
        notify({ text: `${name}: ${movements[0]?.onHand ?? 'nothing new'} on the shelf now.` }),
      )
      .catch((error: Error) => notify({ text: `Not received: ${reasonsOf(error)}` }));
    await refreshStock();
  };
  const arrived = Number(count);
  const isSound = count.trim() !== '' && Number.isInteger(arrived) && arrived >= 1 && arrived <= 100_000;
  const rest = isSound ? order.count - arrived : 0;
  const today = DateTime.now().setZone(row.data.timeZone).toISODate() as string;
  const isOverdue = order.arrives < today;
  return (
    <Stack direction="row" sx={{ gap: 1, alignItems: 'center', mt: 1, flexWrap: 'wrap' }}>
      <Box sx={{ flexGrow: 1 }}>
        <Typography>
          {order.count} of {name}
        </Typography>
        <Typography sx={{ fontSize: 13, color: isOverdue ? 'var(--mui-palette-out)' : 'text.secondary' }}>
          {isOverdue ? `overdue since ${dateWords(order.arrives)}` : `arrives ${dateWords(order.arrives)}`}
          {rest > 0 && ` · ${rest} still to come`}
          {rest < 0 && ` · ${-rest} more than ordered`}
        </Typography>
      </Box>
      <TextField
        label="Came"
        value={count}
        error={!isSound}
        onChange={(event) => setCount(event.target.value)}
        slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${name}, came` } }}
        sx={{ width: 84 }}
      />
      <Button size="small" variant="outlined" disabled={!isSound} onClick={() => void receive(false)}>
        Receive
      </Button>
      {rest > 0 && (
        <Button size="small" variant="outlined" onClick={() => void receive(true)}>
          Receive; the rest will not come
        </Button>
      )}
      <Button
        size="small"
        onClick={() =>
          save(({ onOrder = [] }) => ({ onOrder: onOrder.filter((one) => one.id !== order.id) }))
        }
      >
        Drop
      </Button>
    </Stack>
  );
}

import type { Booked, OnOrder, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { Box, Button, Paper, Stack, TextField, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { colourOf } from '../counts/product-name.ts';
import { useNotice } from '../parts/notices.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

/** Orders on their way: received in full or in part, or dropped. */
export function OrdersPanel({ row }: { row: WorkshopRow }) {
  const orders = [...(row.data.onOrder ?? [])].sort((a, b) => a.arrives.localeCompare(b.arrives));
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="On order">
      <Typography variant="h2">On order</Typography>
      {orders.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing on its way. What a job lacks is listed under its Counts, To buy.
        </Typography>
      )}
      {orders.map((order) => (
        <Order key={`${order.id}-${order.count}`} order={order} row={row} />
      ))}
    </Paper>
  );
}

function Order({ order, row }: { order: OnOrder; row: WorkshopRow }) {
  const tell = useNotice();
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const [count, setCount] = useState(String(order.count));
  const name = `${sizeName(order.nominalIn)} ${colourOf(row.data, order.colour).name}`;
  const receive = async () => {
    const arrived = Number(count);
    await call<Booked>('POST', `/stock/orders/${order.id}/receive`, { count: arrived })
      .then(({ movements }) => tell({ text: `${name}: ${movements[0]?.onHand} on the shelf now.` }))
      .catch((error: Error) => tell({ text: `Not received: ${error.message}` }));
    await Promise.all([
      queryClient.invalidateQueries({ queryKey: keys.workshop }),
      queryClient.invalidateQueries({ queryKey: keys.movements }),
    ]);
  };
  const isSound = Number.isInteger(Number(count)) && Number(count) >= 1 && Number(count) <= order.count;
  return (
    <Stack direction="row" sx={{ gap: 1, alignItems: 'center', mt: 1, flexWrap: 'wrap' }}>
      <Box sx={{ flexGrow: 1 }}>
        <Typography>
          {order.count} of {name}
        </Typography>
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          arrives {DateTime.fromISO(order.arrives).toFormat('ccc d LLL', { locale: 'en' })}
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
      <Button size="small" variant="outlined" disabled={!isSound} onClick={() => void receive()}>
        Receive
      </Button>
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

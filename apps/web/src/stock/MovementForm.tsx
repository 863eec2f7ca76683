import { type Booked, MovementKind, type WorkshopRow } from '@early-lantern/contract';
import { knownSizes, sizeName } from '@early-lantern/core';
import { Box, Button, MenuItem, Paper, TextField, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { useNotice } from '../parts/notices.tsx';
import { refreshStock } from './refresh-stock.ts';

export const movementWords: Record<MovementKind, string> = {
  opening: 'opening balance',
  received: 'received',
  counted: 'counted',
  adjusted: 'adjusted',
  used: 'used',
  popped: 'popped',
  returned: 'came back from a strike',
  corrected: 'corrected',
};

/** Kinds that take from the shelf; the others add to it, and a correction may do either. */
const takes = (kind: MovementKind) => kind === 'used' || kind === 'popped';
const signed = (kind: MovementKind) => kind === 'adjusted' || kind === 'corrected';

/** Books what came or went: nothing is taken that is not there. */
export function MovementForm({ row }: { row: WorkshopRow }) {
  const notify = useNotice();
  const { colours, stock } = row.data;
  const [kind, setKind] = useState<MovementKind>('received');
  const [nominalIn, setSize] = useState(11);
  const [colour, setColour] = useState(colours[0]?.id ?? '');
  const [count, setCount] = useState('');
  const [note, setNote] = useState('');
  const sizes = [...new Set([...knownSizes(row.data), ...stock.map((held) => held.nominalIn)])].sort(
    (a, b) => a - b,
  );
  // Pressed again after an answer that was lost, it is the same booking.
  const tried = useRef<{ what: string; key: string }>(undefined);
  const keyFor = (what: string) => {
    if (tried.current?.what !== what) tried.current = { what, key: crypto.randomUUID() };
    return tried.current.key;
  };
  const book = useMutation({
    mutationFn: (change: number) =>
      call<Booked>('POST', '/stock/movements', {
        movements: [{ nominalIn, colour, kind, change, note }],
        key: keyFor(JSON.stringify([nominalIn, colour, kind, change, note])),
      }),
    onSuccess: ({ movements }) => {
      tried.current = undefined;
      setCount('');
      setNote('');
      notify({ text: `Recorded. ${movements[0]?.onHand} on the shelf now.` });
    },
    onError: (error) => {
      const faults = error instanceof ApiProblem ? error.problem.faults : undefined;
      notify({ text: `Not recorded. ${faults?.map((fault) => fault.reason).join('; ') ?? error.message}` });
    },
    onSettled: refreshStock,
  });
  const value = Number(count);
  const isSound =
    count.trim() !== '' && Number.isInteger(value) && value !== 0 && (signed(kind) || value > 0);
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Book a movement">
      <Typography variant="h2" sx={{ mb: 1.5 }}>
        Stock in and out
      </Typography>
      <Box
        component="form"
        onSubmit={(event: React.FormEvent) => {
          event.preventDefault();
          if (isSound) book.mutate(takes(kind) ? -value : value);
        }}
        sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}
      >
        <TextField
          select
          label="What"
          value={kind}
          onChange={(event) => setKind(MovementKind.parse(event.target.value))}
        >
          {MovementKind.options
            .filter((one) => one !== 'counted' && one !== 'opening')
            .map((one) => (
              <MenuItem key={one} value={one}>
                {movementWords[one]}
              </MenuItem>
            ))}
        </TextField>
        <TextField
          label={signed(kind) ? 'Balloons, − for fewer' : 'Balloons'}
          value={count}
          onChange={(event) => setCount(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <TextField
          select
          label="Size"
          value={String(nominalIn)}
          onChange={(event) => setSize(Number(event.target.value))}
        >
          {sizes.map((size) => (
            <MenuItem key={size} value={String(size)}>
              {sizeName(size)}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="Colour" value={colour} onChange={(event) => setColour(event.target.value)}>
          {colours.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Note"
          value={note}
          onChange={(event) => setNote(event.target.value.slice(0, 400))}
        />
        <Button type="submit" variant="contained" disabled={!isSound || book.isPending}>
          Record
        </Button>
      </Box>
    </Paper>
  );
}

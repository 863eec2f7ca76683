import type { ItemMovement, MovementRow, WorkshopRow } from '@early-lantern/contract';
import { materialItems, sizeName } from '@early-lantern/core';
import { Button, Paper, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { throwUnread, useItemMovements, useMovements } from '../api/queries.ts';
import { colourOf } from '../counts/product-name.ts';
import { LazyTable } from '../parts/LazyTable.tsx';
import { whenColumn } from '../parts/when-column.ts';
import { movementWords } from './MovementForm.tsx';

/** An entry of either ledger, in words. */
interface Line {
  id: number;
  at: string;
  thing: string;
  what: string;
  change: number;
  onHand: number;
}

const itemWords: Record<ItemMovement['kind'], string> = {
  counted: 'counted',
  used: 'used',
  returned: 'taken back',
};
const signed = (value: number) => (value > 0 ? `+${value}` : String(value));

const columnsOf = (zone: string): GridColDef<Line>[] => [
  whenColumn('at', 'When', zone),
  { field: 'thing', headerName: 'Item', flex: 1, minWidth: 130 },
  { field: 'what', headerName: 'Reason', flex: 2, minWidth: 150 },
  { field: 'change', headerName: 'Change', type: 'number', width: 90, valueFormatter: signed },
  { field: 'onHand', headerName: 'On hand', type: 'number', width: 96 },
];

/** The ledgers, newest first: of balloons, and of consumables and gear. */
export function LedgerPanel({ row }: { row: WorkshopRow }) {
  const [of, setOf] = useState<'balloons' | 'items'>('balloons');
  const balloons = useMovements();
  const items = useItemMovements(of === 'items');
  const shown = of === 'balloons' ? balloons : items;
  throwUnread(shown);
  const lines =
    of === 'balloons'
      ? (balloons.data?.pages ?? []).flatMap((page) => page.items.map((one) => ofBalloon(one, row)))
      : (items.data?.pages ?? []).flatMap((page) => page.items.map((one) => ofItem(one, row)));
  const total = shown.data?.pages[0]?.total ?? 0;
  return (
    <Paper variant="outlined" sx={{ p: 2, minWidth: 0 }}>
      <Typography variant="h2">Ledger</Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={of}
        aria-label="Ledger of"
        onChange={(_, next) => next && setOf(next as typeof of)}
        sx={{ my: 1.5 }}
      >
        <ToggleButton value="balloons">Balloons</ToggleButton>
        <ToggleButton value="items">Consumables and gear</ToggleButton>
      </ToggleButtonGroup>
      <LazyTable
        name="Ledger"
        rows={lines}
        columns={columnsOf(row.data.timeZone)}
        isLoading={shown.isPending}
        empty="Nothing has moved yet. Every count and booking is kept here."
      />
      {shown.hasNextPage && (
        <Button onClick={() => void shown.fetchNextPage()} disabled={shown.isFetching} sx={{ mt: 1 }}>
          Older entries ({total - lines.length})
        </Button>
      )}
    </Paper>
  );
}

const inWords = (kind: string, job: string | null, note: string): string =>
  [kind, ...[job ?? '', note].filter((text, i, all) => text && all.indexOf(text) === i)].join(': ');

const ofBalloon = (one: MovementRow, { data: { colours } }: WorkshopRow): Line => ({
  id: one.id,
  at: one.at,
  thing: `${sizeName(one.nominalIn)} ${colourOf({ colours }, one.colour).name}`,
  what: inWords(movementWords[one.kind], one.job, one.note),
  change: one.change,
  onHand: one.onHand,
});

const ofItem = (one: ItemMovement, { data: { materials = [] } }: WorkshopRow): Line => ({
  id: one.id,
  at: one.at,
  thing:
    materials.find(({ item }) => item === one.item)?.own?.label ??
    materialItems.find(({ item }) => item === one.item)?.label ??
    one.item,
  what: inWords(itemWords[one.kind], one.job, one.note),
  change: one.change,
  onHand: one.onHand,
});

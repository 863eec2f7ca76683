import type { ColourId, WorkshopRow } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import type { GridColDef } from '@mui/x-data-grid';
import { useMemo } from 'react';
import { LazyTable } from '../parts/LazyTable.tsx';

/** A product in the list. */
interface Line {
  id: string;
  colour: string;
  size: number;
  finish: string;
  onHand: number;
  coming: number;
  supplier: string;
}

const columns: GridColDef<Line>[] = [
  { field: 'colour', headerName: 'Colour', flex: 1, minWidth: 130 },
  {
    field: 'size',
    headerName: 'Size',
    type: 'number',
    width: 90,
    valueFormatter: (size: number) => sizeName(size),
  },
  { field: 'finish', headerName: 'Finish', width: 110 },
  { field: 'onHand', headerName: 'On hand', type: 'number', width: 100 },
  {
    field: 'coming',
    headerName: 'On order',
    type: 'number',
    width: 100,
    valueFormatter: (count: number) => (count > 0 ? String(count) : ''),
  },
  { field: 'supplier', headerName: 'Supplier', flex: 1, minWidth: 130 },
];

/** The shelf, a product a line: to sort, to filter, to take along. Counts are typed in the table of colours. */
export function ShelfList({ row }: { row: WorkshopRow }) {
  const { colours, stock, onOrder = [], suppliers = [] } = row.data;
  const lines = useMemo(() => {
    const keyOf = (one: { nominalIn: number; colour: ColourId }) => `${one.nominalIn} ${one.colour}`;
    const products = new Map([...stock, ...onOrder].map((one) => [keyOf(one), one]));
    const all = [...products].map(([id, { nominalIn, colour }]): Line => {
      const known = colours.find((one) => one.id === colour);
      const coming = onOrder.filter((one) => keyOf(one) === id).reduce((sum, { count }) => sum + count, 0);
      return {
        id,
        colour: known?.name ?? colour,
        size: nominalIn,
        finish: known?.finish ?? '',
        onHand: stock.find((one) => keyOf(one) === id)?.onHand ?? 0,
        coming,
        supplier: suppliers.find((one) => one.id === known?.supplierId)?.name ?? '',
      };
    });
    return all.sort((a, b) => a.colour.localeCompare(b.colour) || a.size - b.size);
  }, [colours, stock, onOrder, suppliers]);
  return (
    <LazyTable name="Shelf" rows={lines} columns={columns} isLoading={false} empty="Nothing counted yet." />
  );
}

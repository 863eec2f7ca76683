import { LinearProgress } from '@mui/material';
import type { GridValidRowModel } from '@mui/x-data-grid';
import { lazy, type ReactElement, Suspense } from 'react';
import type { LongTableProps } from './LongTable.tsx';

const Table = lazy(async () => ({ default: (await import('./LongTable.tsx')).LongTable })) as <
  R extends GridValidRowModel,
>(
  props: LongTableProps<R>,
) => ReactElement;

/** A long table, which is large and comes when the first one is looked at. */
export function LazyTable<R extends GridValidRowModel>(props: LongTableProps<R>) {
  return (
    <Suspense fallback={<LinearProgress aria-label={`Opening ${props.name}`} />}>
      <Table {...props} />
    </Suspense>
  );
}

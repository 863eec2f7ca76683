import type { GridColDef, GridValidRowModel } from '@mui/x-data-grid';
import { DateTime } from 'luxon';

/** A moment by the workshop's clock; sorted and filtered as one. The row has it as ISO text. */
export const whenColumn = <R extends GridValidRowModel>(
  field: string,
  headerName: string,
  zone: string,
): GridColDef<R> => ({
  field,
  headerName,
  type: 'dateTime',
  width: 172,
  valueGetter: (at: string) => new Date(at),
  valueFormatter: (at: Date) =>
    DateTime.fromJSDate(at, { zone }).toFormat('d LLL yyyy HH:mm', { locale: 'en' }),
});

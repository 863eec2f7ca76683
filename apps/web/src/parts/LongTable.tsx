import { DataGrid, type GridColDef, type GridValidRowModel } from '@mui/x-data-grid';
import { cspNonce } from './csp-nonce.ts';

export interface LongTableProps<R extends GridValidRowModel> {
  /** What it is called, also as a file. */
  name: string;
  rows: readonly R[];
  columns: readonly GridColDef<R>[];
  isLoading: boolean;
  empty: string;
}

/** A table of many rows: sorted, filtered, its columns chosen, walked through by keys, and taken along as CSV. */
export function LongTable<R extends GridValidRowModel>({
  name,
  rows,
  columns,
  isLoading,
  empty,
}: LongTableProps<R>) {
  return (
    <DataGrid<R>
      aria-label={name}
      rows={rows}
      columns={columns}
      loading={isLoading}
      density="compact"
      showToolbar
      disableRowSelectionOnClick
      {...(cspNonce ? { nonce: cspNonce } : {})}
      autoHeight
      pageSizeOptions={[25, 50, 100]}
      initialState={{ pagination: { paginationModel: { pageSize: 25 } } }}
      getRowHeight={() => 'auto'}
      localeText={{ noRowsLabel: empty }}
      slotProps={{
        toolbar: {
          csvOptions: { fileName: name.toLowerCase(), utf8WithBom: true, escapeFormulas: true },
          printOptions: { disableToolbarButton: true },
        },
      }}
      sx={{
        fontSize: 15,
        borderColor: 'divider',
        '& .MuiDataGrid-cell': { py: 0.75, overflowWrap: 'anywhere', whiteSpace: 'normal' },
        '& .MuiDataGrid-columnHeaderTitle': { fontWeight: 650 },
      }}
    />
  );
}

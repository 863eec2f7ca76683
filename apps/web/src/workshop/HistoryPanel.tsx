import type { NotedChange } from '@early-lantern/contract';
import { Link as MuiLink, Paper, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../api/client.ts';
import { throwUnread } from '../api/queries.ts';
import { LazyTable } from '../parts/LazyTable.tsx';
import { whenColumn } from '../parts/when-column.ts';

const kinds: Record<NotedChange['what'], string> = {
  job: 'job',
  piece: 'piece',
  site: 'place',
  crew: 'person',
  workshop: 'workshop',
  account: 'access',
};

/** Where it is, with its earlier versions. */
const pageOf = ({ what, jobId, rowId }: NotedChange): string => {
  if (what === 'job' || what === 'piece') return `/jobs/${jobId}/${what === 'job' ? 'brief' : 'pieces'}`;
  if (what === 'site') return `/sites/${rowId}`;
  return `/workshop/${{ crew: 'people', workshop: 'house', account: 'access' }[what]}`;
};

const columnsOf = (zone: string): GridColDef<NotedChange>[] => [
  whenColumn('at', 'When', zone),
  {
    field: 'by',
    headerName: 'Who',
    width: 150,
    valueGetter: (by: string | null) => by ?? 'not signed in',
  },
  {
    field: 'isDeleted',
    headerName: 'Action',
    width: 100,
    valueGetter: (isDeleted: boolean) => (isDeleted ? 'deleted' : 'changed'),
  },
  {
    field: 'what',
    headerName: 'What',
    width: 110,
    valueGetter: (what: NotedChange['what']) => kinds[what],
  },
  {
    field: 'name',
    headerName: 'Name',
    flex: 1,
    minWidth: 150,
    renderCell: ({ row }) => (
      <MuiLink component={Link} to={pageOf(row)} color="inherit">
        {row.name}
      </MuiLink>
    ),
  },
  {
    field: 'job',
    headerName: 'Job',
    flex: 1,
    minWidth: 150,
    valueGetter: (job: string | null, { what }) => (what === 'piece' ? (job ?? 'gone') : ''),
  },
];

/** Who changed what, and when: of everything, the latest first. The way back is where the thing itself is. */
export function HistoryPanel({ zone }: { zone: string }) {
  const { data, error, isPending } = useQuery({
    queryKey: ['workshop', 'changes'],
    queryFn: () => call<NotedChange[]>('GET', '/history'),
    staleTime: 0,
  });
  throwUnread({ data, error });
  return (
    <Paper variant="outlined" sx={{ p: 2, minWidth: 0 }}>
      <Typography variant="h2">History</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1.5 }}>
        Recent changes. To restore an earlier version, open the item and press the clock with the arrow.
      </Typography>
      <LazyTable
        name="History"
        rows={data ?? []}
        columns={columnsOf(zone)}
        isLoading={isPending}
        empty="Nothing was changed yet."
      />
    </Paper>
  );
}

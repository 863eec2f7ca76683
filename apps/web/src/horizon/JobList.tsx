import type { JobFilter, JobRow, SiteRow, Workshop } from '@early-lantern/contract';
import { Button, Link as MuiLink } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { throwUnread, useJobList } from '../api/queries.ts';
import { LazyTable } from '../parts/LazyTable.tsx';
import { stateWords } from '../parts/state-words.ts';
import { whenColumn } from '../parts/when-column.ts';

interface JobListProps {
  filter: JobFilter;
  workshop: Workshop;
  sites: readonly SiteRow[];
}

/** A job in the list. */
interface Line {
  id: string;
  doors: string;
  name: string;
  state: string;
  place: string;
  crew: string;
  pieces: number;
}

const columnsOf = (zone: string): GridColDef<Line>[] => [
  whenColumn('doors', 'Doors', zone),
  {
    field: 'name',
    headerName: 'Job',
    flex: 2,
    minWidth: 180,
    renderCell: ({ row }) => (
      <MuiLink component={Link} to={`/jobs/${row.id}/pieces`} color="inherit">
        {row.name}
      </MuiLink>
    ),
  },
  { field: 'state', headerName: 'State', width: 110 },
  { field: 'place', headerName: 'Site', flex: 2, minWidth: 150 },
  { field: 'crew', headerName: 'Crew', flex: 2, minWidth: 150 },
  { field: 'pieces', headerName: 'Pieces', type: 'number', width: 84 },
];

/** All jobs that match, past and coming, the latest doors first. */
export function JobList({ filter, workshop, sites }: JobListProps) {
  const pages = useJobList(filter);
  throwUnread(pages);
  const lines = useMemo(() => {
    const placeOf = new Map(sites.map(({ data }) => [data.id, data.name]));
    const nameOf = new Map<string, string>(workshop.crew.map(({ id, name }) => [id, name]));
    return (pages.data?.pages ?? []).flatMap(({ items }) =>
      items.map(({ data, pieces }: JobRow): Line => {
        const { id, doors, name, state = 'firm', siteId, crew } = data;
        const people = crew.map((one) => nameOf.get(one) ?? one).join(', ');
        return {
          id,
          doors,
          name,
          state: stateWords[state],
          place: placeOf.get(siteId) ?? '',
          crew: people,
          pieces: pieces.length,
        };
      }),
    );
  }, [pages.data, sites, workshop.crew]);
  const total = pages.data?.pages[0]?.total ?? 0;
  return (
    <>
      <LazyTable
        name="Jobs"
        rows={lines}
        columns={columnsOf(workshop.timeZone)}
        isLoading={pages.isPending}
        empty="No job matches."
      />
      {pages.hasNextPage && (
        <Button onClick={() => void pages.fetchNextPage()} disabled={pages.isFetching} sx={{ mt: 1 }}>
          Earlier jobs ({total - lines.length})
        </Button>
      )}
    </>
  );
}

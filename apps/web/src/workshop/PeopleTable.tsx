import type { CrewRow } from '@early-lantern/contract';
import { Paper, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useMemo } from 'react';
import { LazyTable } from '../parts/LazyTable.tsx';

/** A person in the table. */
interface Line {
  id: string;
  name: string;
  skills: string;
  from: string;
  to: string;
  wage: number | null;
  pace: number;
  isHere: string;
}

const columns: GridColDef<Line>[] = [
  { field: 'name', headerName: 'Name', flex: 1, minWidth: 140 },
  { field: 'skills', headerName: 'Skills', flex: 2, minWidth: 160 },
  { field: 'from', headerName: 'From', width: 84 },
  { field: 'to', headerName: 'To', width: 84 },
  { field: 'wage', headerName: 'Hourly pay', type: 'number', width: 110 },
  { field: 'pace', headerName: 'Pace, %', type: 'number', width: 96 },
  { field: 'isHere', headerName: 'Here', width: 84 },
];

/** Everybody, a person a line: to sort, to filter, to take along. They are changed in the cards above. */
export function PeopleTable({ rows }: { rows: readonly CrewRow[] }) {
  const lines = useMemo(
    () =>
      rows.map(({ data: { id, name, skills, shift, wage, pace, isArchived } }): Line => {
        return {
          id,
          name,
          skills: skills.join(', '),
          from: shift.from,
          to: shift.to,
          wage: wage ?? null,
          pace: Math.round((pace ?? 1) * 100),
          isHere: isArchived ? 'no' : 'yes',
        };
      }),
    [rows],
  );
  return (
    <Paper variant="outlined" sx={{ p: 2, minWidth: 0 }}>
      <Typography variant="h2" sx={{ mb: 1.5 }}>
        Everybody
      </Typography>
      <LazyTable name="People" rows={lines} columns={columns} isLoading={false} empty="Nobody yet." />
    </Paper>
  );
}

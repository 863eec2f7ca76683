import { plural } from '@early-lantern/core';
import {
  Box,
  LinearProgress,
  Link,
  Paper,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';
import { Link as RouterLink } from 'react-router';
import { throwUnread, useDayCounts } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { blownWords } from '../parts/blown-words.ts';
import { MaterialTable } from '../parts/MaterialTable.tsx';
import { dayName } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { ProductName } from './ProductName.tsx';

/** Everything that the jobs of one day take together. */
export function DayView() {
  const { file } = useJob();
  const { range } = useUnits();
  const { workshop, job } = file;
  const day = DateTime.fromISO(job.doors, { zone: workshop.timeZone }).startOf('day');
  const counts = useDayCounts(day.toISO() as string, day.plus({ days: 1 }).startOf('day').toISO() as string);
  throwUnread(counts);
  if (!counts.data) return <LinearProgress aria-label="Counting the day" />;
  const { jobs, balloons, materials } = counts.data;
  const total = balloons.reduce((sum, row) => sum + row.need, 0);
  const spare = balloons.reduce((sum, row) => sum + row.spare, 0);
  const kept = balloons.reduce((sum, row) => sum + row.kept, 0);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: '1.2fr 1fr' },
        alignItems: 'start',
      }}
    >
      <TableContainer component={Paper} variant="outlined">
        <Table size="small" aria-label="Balloons of the day">
          <TableHead>
            <TableRow>
              <TableCell>Balloon</TableCell>
              <TableCell>Blow to</TableCell>
              <TableCell align="right">Need</TableCell>
              {kept > 0 && <TableCell align="right">Kept</TableCell>}
              <TableCell align="right">Spare</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {balloons.map((row) => {
              return (
                <TableRow
                  key={[
                    row.nominalIn,
                    row.colour,
                    ...Object.values(row.inflatedIn),
                    ...Object.values(row.blowToIn ?? {}),
                  ].join()}
                >
                  <TableCell>
                    <ProductName nominalIn={row.nominalIn} colour={row.colour} />
                  </TableCell>
                  <TableCell>{blownWords(row, row.blowToIn ?? row.inflatedIn, range)}</TableCell>
                  <TableCell align="right">{row.need}</TableCell>
                  {kept > 0 && <TableCell align="right">{row.kept || ''}</TableCell>}
                  <TableCell align="right">{row.spare}</TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Paper variant="outlined" sx={{ p: 2 }}>
          <Typography variant="h2">{dayName(job.doors, workshop.timeZone)}</Typography>
          <Typography sx={{ fontSize: 28, fontWeight: 700 }}>
            {total}{' '}
            <Box component="span" sx={{ fontSize: 17, fontWeight: 500 }}>
              balloons and {spare} spare
            </Box>
          </Typography>
          {jobs.map((one) => (
            <Typography key={one.id}>
              <Link component={RouterLink} to={`/jobs/${one.id}/counts`} color="inherit">
                {one.name}
              </Link>
              : {plural(one.balloons, 'balloon')}
            </Typography>
          ))}
        </Paper>
        <Paper variant="outlined" sx={{ p: 2, overflowX: 'auto' }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            Materials
          </Typography>
          <MaterialTable rows={materials} />
        </Paper>
      </Box>
    </Box>
  );
}

import { inTheirUnits, type LengthUnits, pipes, sleeveFit, sockets } from '@early-lantern/core';
import { Box, Paper, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useUnits } from '../preferences.tsx';

/** What sleeves over what, and which fitting takes which pipe, from the true diameters: the names mislead. */
export function FitsTable() {
  return (
    <Paper variant="outlined" className="holds-print" sx={{ p: 2, display: 'grid', gap: 2 }}>
      <Box>
        <Typography variant="h2" sx={{ fontSize: 20 }}>
          Does it fit together?
        </Typography>
        <Typography sx={{ color: 'text.secondary' }}>
          Free play on each side. Outer and inner diameters: ASTM D1785, ANSI C80.3; sockets: ASTM D2466, from
          memory.
        </Typography>
      </Box>
      <PlayTable
        name="Sleeve over rod"
        corner="pipe over pipe"
        rows={pipes.map(({ id, label, idM }) => ({ id, label, idM, self: id }))}
      />
      <PlayTable
        name="Pipe in fitting"
        corner="coupling, tee, elbow"
        rows={sockets.map(({ id, label, idM }) => ({ id, label, idM, self: '' }))}
      />
    </Paper>
  );
}

interface PlayTableProps {
  name: string;
  corner: string;
  /** What goes round the pipes, by its inner diameter; `self` is the pipe it is. */
  rows: readonly { id: string; label: string; idM: number; self: string }[];
}

function PlayTable({ name, corner, rows }: PlayTableProps) {
  const { units } = useUnits();
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label={name}>
        <TableHead>
          <TableRow>
            <TableCell>{corner}</TableCell>
            {pipes.map((rod) => (
              <TableCell key={rod.id}>{rod.label}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.id}>
              <TableCell component="th" scope="row" sx={{ fontWeight: 650 }}>
                {row.label}
              </TableCell>
              {pipes.map((rod) => (
                <TableCell key={rod.id}>
                  {rod.id === row.self ? '–' : play(row.idM, rod.odM, units)}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function play(sleeveM: number, rodM: number, units: LengthUnits) {
  const { clearanceMm, verdict } = sleeveFit(sleeveM, rodM);
  const { value, unit } = inTheirUnits(clearanceMm, 'mm', units);
  if (verdict !== 'does not go') return `${value.toFixed(unit === 'mm' ? 1 : 2)} ${unit}, ${verdict}`;
  return <Typography sx={{ fontSize: 'inherit', color: 'text.secondary' }}>{verdict}</Typography>;
}

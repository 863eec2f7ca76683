import { pipes, sleeveFit } from '@early-lantern/core';
import { Box, Paper, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';

/** What sleeves over what, from the true diameters: the names mislead. */
export function FitsTable() {
  return (
    <Paper variant="outlined" className="holds-print" sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ fontSize: 20 }}>
        Does it fit together?
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        Each row as a sleeve over each column as a rod: free play on each side. Outer and inner diameters:
        ASTM D1785, ANSI C80.3.
      </Typography>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Sleeve over rod">
          <TableHead>
            <TableRow>
              <TableCell>goes over</TableCell>
              {pipes.map((rod) => (
                <TableCell key={rod.id}>{rod.label}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {pipes.map((sleeve) => (
              <TableRow key={sleeve.id}>
                <TableCell component="th" scope="row" sx={{ fontWeight: 650 }}>
                  {sleeve.label}
                </TableCell>
                {pipes.map((rod) => {
                  if (rod.id === sleeve.id) return <TableCell key={rod.id}>–</TableCell>;
                  const { clearanceMm, verdict } = sleeveFit(sleeve.idM, rod.odM);
                  const goes = verdict !== 'does not go';
                  return (
                    <TableCell key={rod.id} sx={{ color: goes ? undefined : 'text.secondary' }}>
                      {goes ? `${clearanceMm.toFixed(1)} mm, ${verdict}` : verdict}
                    </TableCell>
                  );
                })}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Paper>
  );
}

import { goesThrough } from '@early-lantern/core';
import { Paper, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useUnits } from '../preferences.tsx';

/** Long and wide things against vehicle, way in and door; and the sections that garlands are parted into. */
export function DoorsView() {
  const { planned } = useJob();
  const { long, short, mass } = useUnits();
  if (!planned) return null;
  const { clearances, sections, bags } = planned.plan.fits;
  const pieceName = (id: string) => planned.plan.pieces.find((one) => one.id === id)?.name ?? '';
  return (
    <>
      <Paper variant="outlined" sx={{ p: 2, mb: 2, overflowX: 'auto' }}>
        <Typography variant="h2">Does it get through?</Typography>
        {clearances.length === 0 ? (
          <Typography sx={{ color: 'text.secondary' }}>Nothing long or wide is carried.</Typography>
        ) : (
          <Table size="small" aria-label="Doors and ways">
            <TableHead>
              <TableRow>
                <TableCell>Piece</TableCell>
                <TableCell>What</TableCell>
                <TableCell>Through</TableCell>
                <TableCell>Result</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {clearances.map((one) => {
                const isBad = !goesThrough(one);
                return (
                  <TableRow key={`${one.pieceId} ${one.thing} ${one.through}`}>
                    <TableCell>{one.piece}</TableCell>
                    <TableCell>
                      {one.thing}, {long(one.needsM)}
                    </TableCell>
                    <TableCell>{one.through}</TableCell>
                    <TableCell sx={{ color: isBad ? 'var(--mui-palette-out)' : undefined }}>
                      {one.hasM === null
                        ? 'not measured'
                        : `takes ${long(one.hasM)}${isBad ? ', it does not go' : ''}`}
                    </TableCell>
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        )}
      </Paper>
      {sections.length > 0 && (
        <Paper variant="outlined" sx={{ p: 2, overflowX: 'auto' }}>
          <Typography variant="h2">Sections</Typography>
          <Table size="small" aria-label="Sections">
            <TableHead>
              <TableRow>
                <TableCell>Bag</TableCell>
                <TableCell>Garland</TableCell>
                <TableCell>From – to</TableCell>
                {bags.length > 0 && <TableCell>Goes into</TableCell>}
                <TableCell align="right">Width</TableCell>
                <TableCell align="right">Weight</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {sections.map(({ id, bag, pieceId, fromM, toM, diameterM, massKg, bagType }) => (
                <TableRow key={id}>
                  <TableCell>{bag}</TableCell>
                  <TableCell>{pieceName(pieceId)}</TableCell>
                  <TableCell>
                    {long(fromM)} – {long(toM)}
                  </TableCell>
                  {bags.length > 0 && (
                    <TableCell {...(bagType === null ? { sx: { color: 'var(--mui-palette-out)' } } : {})}>
                      {bagType ?? 'no bag takes it'}
                    </TableCell>
                  )}
                  <TableCell align="right">{short(diameterM)}</TableCell>
                  <TableCell align="right">{mass(massKg)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          {bags.map(({ name, wanted, owned }) => (
            <Typography key={name} sx={{ mt: 1, fontSize: 14 }}>
              {name}: {wanted} wanted, {owned} owned.
            </Typography>
          ))}
        </Paper>
      )}
    </>
  );
}

import { goesThrough } from '@early-lantern/core';
import { Paper, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useUnits } from '../preferences.tsx';

/** Long and wide things against vehicle, way in and door; and the sections that garlands are parted into. */
export function DoorsView() {
  const { planned } = useJob();
  const { long, short, mass } = useUnits();
  if (!planned) return null;
  const { clearances, sections, bags, joints } = planned.plan.fits;
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
                <TableCell align="right">People to hang it</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {sections.map(({ id, bag, pieceId, fromM, toM, diameterM, massKg, bagType, carriers }) => (
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
                  <TableCell
                    align="right"
                    {...(carriers.needed > carriers.there ? { sx: { color: 'var(--mui-palette-out)' } } : {})}
                  >
                    {carriers.needed}
                    {carriers.needed > carriers.there ? `, ${carriers.there} free` : ''}
                  </TableCell>
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
      {joints.length > 0 && (
        <Paper variant="outlined" sx={{ p: 2, mt: 2, overflowX: 'auto' }}>
          <Typography variant="h2">Joints</Typography>
          <Table size="small" aria-label="Joints">
            <TableHead>
              <TableRow>
                <TableCell>Piece</TableCell>
                <TableCell>What</TableCell>
                <TableCell>On the way</TableCell>
                <TableCell>Why</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {joints.map(({ pieceId, label, staysMade, why }) => (
                <TableRow key={`${pieceId} ${label} ${staysMade}`}>
                  <TableCell>{pieceName(pieceId)}</TableCell>
                  <TableCell>{label}</TableCell>
                  <TableCell>{staysMade ? 'stays made' : 'made on site'}</TableCell>
                  <TableCell>{why}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Paper>
      )}
    </>
  );
}

import type { MaterialRow } from '@early-lantern/contract';
import { Table, TableBody, TableCell, TableRow, Typography } from '@mui/material';
import { useUnits } from '../preferences.tsx';
import { amountText } from './amounts.ts';
import { WorkingButton } from './WorkingButton.tsx';
import { sameRow } from './workings.ts';

interface MaterialTableProps {
  rows: readonly MaterialRow[];
  /** The piece of the job on screen that they are for; else the rows bring their workings along. */
  pieceId?: string;
}

/** Things besides balloons, each count opening into its working; what comes back from the strike first. */
export function MaterialTable({ rows, pieceId }: MaterialTableProps) {
  const { units } = useUnits();
  if (rows.length === 0)
    return <Typography sx={{ color: 'text.secondary' }}>Nothing besides balloons.</Typography>;
  const sorted = [...rows.filter((row) => row.isGear), ...rows.filter((row) => !row.isGear)];
  return (
    <Table size="small" aria-label="Materials">
      <TableBody>
        {sorted.map((row) => (
          <TableRow key={row.label}>
            <TableCell>{row.label}</TableCell>
            <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
              <WorkingButton
                title={row.label}
                working={
                  pieceId === undefined
                    ? row.working
                    : (whole) => sameRow(whole.pieces.find(({ id }) => id === pieceId)?.materials ?? [], row)
                }
              >
                {amountText(row.count, row.unit, units)}
              </WorkingButton>
            </TableCell>
            <TableCell sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
              {row.isGear ? 'comes back' : 'used up'}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

import type { HoldPiece } from '@early-lantern/contract';
import { dynamicPressure, fixedBy, methodOf } from '@early-lantern/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useUnits } from '../preferences.tsx';
import { factorText } from './FactorBar.tsx';
import { placeWords } from './place-words.ts';

/** The fixing map in figures: where, by what, what it bears, from which ladder, and how it comes off again. */
export function PointTable({ held, gustMs }: { held: HoldPiece; gustMs: number }) {
  const { long, force } = useUnits();
  const { workshop, job } = useJob().file;
  const name = (id: string) => workshop.crew.find((member) => member.id === id)?.name.split(' ')[0] ?? id;
  const pressure = dynamicPressure(gustMs);
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label={`Points of ${held.name}`}>
        <TableHead>
          <TableRow>
            <TableCell>Point</TableCell>
            <TableCell>Across, up</TableCell>
            <TableCell>Fixed by</TableCell>
            <TableCell align="right">Bears</TableCell>
            <TableCell align="right">Factor</TableCell>
            <TableCell>Reach</TableCell>
            <TableCell>Removal</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {held.points.map((point, i) => {
            const borne = Math.hypot(point.loadN, point.windNPerPa * pressure);
            return (
              <TableRow key={point.id}>
                <TableCell>{i + 1}</TableCell>
                <TableCell>
                  {long(Math.max(0, point.spotXYM.xM))}, {long(Math.max(0, point.spotXYM.yM))}
                </TableCell>
                <TableCell>
                  {fixedBy(point)}
                  {placeWords(point, job.pieces)}
                  {point.isLocked ? ' (placed by hand)' : ''}
                </TableCell>
                <TableCell align="right">
                  {force(borne)} of {force(point.ratingN)}
                </TableCell>
                <TableCell align="right" sx={{ fontWeight: 700 }}>
                  {factorText(borne > 0 ? point.ratingN / borne : Infinity)}
                </TableCell>
                <TableCell>
                  {point.ladder
                    ? `${point.ladder.name}${point.ladder.who.length ? `: ${point.ladder.who.map(name).join(', ')}` : ''}${point.ladder.needsSecond ? '; a second person holds it' : ''}`
                    : 'from the floor'}
                </TableCell>
                <TableCell sx={{ fontSize: 13 }}>{methodOf(point.method).removal}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Box>
  );
}

import type { HoldPiece, Spot } from '@early-lantern/contract';
import { backOf } from '@early-lantern/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useRef } from 'react';
import { useSize } from '../parts/useSize.ts';
import { useUnits } from '../preferences.tsx';
import { FloorDrawing } from './FloorDrawing.tsx';
import { groundFrame } from './frame.ts';
import { PieceFromAbove } from './PieceFromAbove.tsx';

interface GroundMapProps {
  spot: Spot;
  held: HoldPiece;
  /** All that stands on the spot. */
  all: readonly HoldPiece[];
}

/** Where a standing piece, its bases and its stakes are, from above: the drawing, and the same in figures. */
export function GroundMap({ spot, held, all }: GroundMapProps) {
  const area = useRef<HTMLDivElement>(null);
  const size = useSize(area);
  const frame = groundFrame(spot, all, size);
  const { long, force } = useUnits();
  const back = backOf(spot.kind);
  const bases = held.ground.filter(({ what }) => what === 'base');
  const rows = [
    ...bases.map(({ xM, outM, widthM, depthM }, i) => ({
      what: bases.length > 1 ? `middle of base ${i + 1}` : 'middle of its base',
      xM: xM + widthM / 2,
      outM: outM + depthM / 2,
      pull: '',
    })),
    ...held.tieLines.map(({ toXM, toOutM, tensionN, towards }, i) => ({
      what: `line ${i + 1}, ${towards}`,
      xM: toXM,
      outM: toOutM,
      pull: force(tensionN),
    })),
  ];
  return (
    <Box>
      <Typography variant="h3" sx={{ mb: 0.75 }}>
        From above
      </Typography>
      <Box
        ref={area}
        className="print-fit"
        sx={{ width: '100%', height: { xs: 240, md: 280 }, position: 'relative' }}
      >
        {size.width > 0 && (
          <svg
            viewBox={`${frame.box.x} ${frame.box.y} ${frame.box.w} ${frame.box.h}`}
            width={size.width}
            height={size.height}
            style={{ display: 'block', borderRadius: 10 }}
          >
            <title>{`${held.name} on ${spot.name} from above, drawn to scale`}</title>
            <FloorDrawing spot={spot} {...frame} />
            {all.map((one) => (
              <PieceFromAbove
                key={one.id}
                held={one}
                px={1 / frame.perM}
                isChosen={one.id === held.id}
                isFaint={one.id !== held.id}
              />
            ))}
          </svg>
        )}
      </Box>
      <Table size="small" aria-label={`Where ${held.name} stands`} sx={{ mt: 0.5 }}>
        <TableHead>
          <TableRow>
            <TableCell>Set down</TableCell>
            <TableCell>From the left</TableCell>
            <TableCell>From the {back}</TableCell>
            {held.tieLines.length > 0 && <TableCell align="right">Pull</TableCell>}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.what}>
              <TableCell>{row.what}</TableCell>
              <TableCell>{beyond(row.xM, long, 'left of it')}</TableCell>
              <TableCell>{beyond(row.outM, long, 'behind it')}</TableCell>
              {held.tieLines.length > 0 && <TableCell align="right">{row.pull}</TableCell>}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

const beyond = (metres: number, long: (metres: number) => string, words: string) =>
  metres < -0.005 ? `${long(-metres)} ${words}` : long(Math.max(0, metres));

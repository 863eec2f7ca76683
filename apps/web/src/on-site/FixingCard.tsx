import type { Piece } from '@early-lantern/contract';
import { fixedBy, type Picture } from '@early-lantern/core';
import { Box } from '@mui/material';
import { placeWords } from '../holds/place-words.ts';
import { PieceSheet } from '../looks/PieceSheet.tsx';
import { useUnits } from '../preferences.tsx';
import { HowCard } from './HowCard.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { widthsOf, Zoomed } from './Zoomed.tsx';

interface FixingCardProps {
  piece: Piece;
  picture: Picture | undefined;
  taken: TakenJob;
}

const PAPER = '#fffaf0';
const INK = '#1f2637';

/** Where a piece is fixed: its points by number on the picture, then each with how far across and up, by what, and from which ladder. */
export function FixingCard({ piece, picture, taken: { file, plan } }: FixingCardProps) {
  const { long } = useUnits();
  const points = plan.holds.pieces.find(({ id }) => id === piece.id)?.points ?? [];
  if (points.length === 0) return null;
  return (
    <HowCard title="Where it is fixed" isOpen={false}>
      {picture && (
        <Zoomed name={`the points of ${piece.name}`} widths={widthsOf(picture)}>
          {(timesAsWide) => (
            <PieceSheet
              name={`Points of ${piece.name}`}
              picture={picture}
              colours={file.workshop.colours}
              maxHeight="none"
              timesAsWide={timesAsWide}
            >
              {({ topM, numberM }) =>
                points.map(({ id, spotXYM }, i) => (
                  <g key={id} transform={`translate(${spotXYM.xM} ${topM - spotXYM.yM})`}>
                    <circle r={numberM * 0.75} fill={PAPER} stroke={INK} strokeWidth={numberM * 0.14} />
                    <text
                      y={numberM * 0.34}
                      fontSize={numberM * 0.95}
                      fontWeight="700"
                      textAnchor="middle"
                      fill={INK}
                    >
                      {i + 1}
                    </text>
                  </g>
                ))
              }
            </PieceSheet>
          )}
        </Zoomed>
      )}
      <Box component="ol" sx={{ m: 0, pl: 3.5, fontSize: '1.0625rem', display: 'grid', gap: 0.75 }}>
        {points.map((point) => (
          <li key={point.id}>
            {long(Math.max(0, point.spotXYM.xM))} across, {long(Math.max(0, point.spotXYM.yM))} up:{' '}
            {fixedBy(point)}
            {placeWords(point, file.job.pieces)}
            {point.ladder &&
              `; from ${point.ladder.name}${point.ladder.needsSecond ? ', a second person holds it' : ''}`}
          </li>
        ))}
      </Box>
    </HowCard>
  );
}

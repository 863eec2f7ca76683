import type { Piece } from '@early-lantern/contract';
import { allCarriedBy } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { LengthField } from '../parts/LengthField.tsx';
import { anchorOf } from './anchor.ts';
import { atDepth } from './moving.ts';

interface PositionFieldsProps {
  piece: Piece;
  pieces: readonly Piece[];
  /** Takes over the piece and whatever moves with it. */
  onMove: (dxM: number, dyM: number) => void;
  onChange: (piece: Piece) => void;
  /** What it is measured from, from back to front. */
  back: string;
}

/** Where a piece is, typed: from the left, above the floor, in front of the wall. What hangs on it moves along. */
export function PositionFields({ piece, pieces, onMove, onChange, back }: PositionFieldsProps) {
  const { at, of } = anchorOf(piece);
  const carried = allCarriedBy(piece.id, pieces).length;
  return (
    <Box>
      <Typography sx={{ fontSize: 14, mb: 1 }}>Place of its {of}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1.25 }}>
        <LengthField
          label="from left"
          valueM={at.xM}
          min={-5}
          max={60}
          onCommit={(metres) => onMove(metres - at.xM, 0)}
        />
        <LengthField
          label="above floor"
          valueM={at.yM}
          min={0}
          max={20}
          onCommit={(metres) => onMove(0, metres - at.yM)}
        />
        {/* How far before the wall a carried piece is, its carrier says. */}
        {!piece.on && (
          <LengthField
            label={back === 'back edge' ? 'from back' : `from ${back}`}
            valueM={piece.frontM ?? 0}
            min={0}
            max={30}
            onCommit={(metres) => {
              onChange(atDepth(piece, metres));
            }}
          />
        )}
      </Box>
      {carried > 0 && (
        <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 0.5 }}>
          {carried === 1
            ? 'The piece that hangs on it moves along.'
            : `The ${carried} pieces that hang on it move along.`}
        </Box>
      )}
    </Box>
  );
}

import type { FullPiece, Piece } from '@early-lantern/contract';
import { plural, withFillersNeeded } from '@early-lantern/core';
import { Box, Button, Typography } from '@mui/material';
import { memo } from 'react';
import { useUnits } from '../preferences.tsx';

interface GapLineProps {
  piece: Piece;
  look: FullPiece;
  /** Seen from the front alone, while something is dragged. */
  isQuick: boolean;
  lengthM: number;
  onCommit: (piece: Piece) => string | undefined;
}

/** How full the piece will look, in a line; what closes it is taken with one press. */
export const GapLine = memo(function GapLine({ piece, look, isQuick, lengthM, onCommit }: GapLineProps) {
  const { short } = useUnits();
  const { gaps, largestGapM, spineSeenM, fillers } = look;
  const more = isQuick ? undefined : withFillersNeeded(piece, lengthM, fillers);
  const string = spineSeenM >= 0.0254 ? `, ${short(spineSeenM)} of string shows` : '';
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }} data-testid="gap-line">
      <Typography component="div" sx={{ fontSize: 15 }}>
        <strong>
          {gaps.length > 0 || string !== '' ? 'Not full yet' : isQuick ? 'From the front' : 'Full'}
        </strong>
        :{' '}
        {gaps.length === 0
          ? 'no gap worth closing'
          : `${plural(gaps.length, 'gap')}, the widest ${short(largestGapM)}`}
        {string}.{!isQuick && ` ${fillers.needed} ${fillers.name} close it, ${fillers.counted} counted.`}
      </Typography>
      {more && (
        <Button size="small" variant="outlined" onClick={() => void onCommit(more)}>
          Take {fillers.needed - fillers.counted} more
        </Button>
      )}
    </Box>
  );
});

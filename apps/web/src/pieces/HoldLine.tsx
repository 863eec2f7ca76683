import type { HoldPiece } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { memo } from 'react';
import { Link } from 'react-router';
import { AskFirst } from '../holds/AskFirst.tsx';
import { useUnits } from '../preferences.tsx';

/** What carries the piece and how well, in a line; the rest stands under Holds. */
export const HoldLine = memo(function HoldLine({ held }: { held: HoldPiece }) {
  const { wind } = useUnits();
  const { safetyFactor, required, takeDownGustMs, troubles, points, carrier, isOutdoors } = held;
  if (held.unasked.length > 0)
    return (
      <Typography component="div" sx={{ fontSize: 15 }}>
        <Box component={Link} to="../holds" sx={{ color: 'inherit', fontWeight: 650 }}>
          Not known yet
        </Box>
        : <AskFirst held={held} />
      </Typography>
    );
  const isOut = troubles.length > 0 || (safetyFactor !== null && safetyFactor < (required ?? 0) - 1e-9);
  return (
    <Typography component="div" sx={{ fontSize: 15, color: isOut ? 'var(--mui-palette-out)' : undefined }}>
      <Box component={Link} to="../holds" sx={{ color: 'inherit', fontWeight: 650 }}>
        {isOut ? 'Does not hold' : 'Holds'}
      </Box>
      {safetyFactor === null
        ? `: ${carrier}`
        : `: safety factor ${Math.min(99, safetyFactor).toFixed(1)}, needs ${required}`}
      {points.length > 0 && `, ${plural(points.length, 'point')}`}
      {/* Indoors there is a draught at most, and no gust to come down at. */}
      {takeDownGustMs !== null && isOutdoors && `, take down at ${wind(takeDownGustMs)}`}
      {troubles[0] && ` · ${troubles[0]}`}
    </Typography>
  );
});

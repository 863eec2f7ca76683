import type { HoldPiece } from '@early-lantern/contract';
import { goesThrough } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { useUnits } from '../preferences.tsx';

/** The piece's long or wide rigid parts against vehicle, way in and door. */
export function ClearanceList({ held }: { held: HoldPiece }) {
  const { long } = useUnits();
  if (held.clearances.length === 0) return null;
  return (
    <Box component="ul" sx={{ m: 0, mb: 1.5, pl: 2.5, fontSize: 14 }}>
      {held.clearances.map((pass) => {
        const { thing, through, needsM, hasM } = pass;
        const isBad = !goesThrough(pass);
        return (
          <Typography
            component="li"
            key={`${thing} ${through}`}
            sx={{ fontSize: 14, color: isBad ? 'var(--mui-palette-out)' : undefined }}
          >
            {thing}, {long(needsM)}: {through}{' '}
            {hasM === null
              ? 'has not been measured'
              : `takes ${long(hasM)}${isBad ? ', it does not go' : ''}`}
          </Typography>
        );
      })}
    </Box>
  );
}

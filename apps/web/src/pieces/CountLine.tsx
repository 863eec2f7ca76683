import type { PlanPiece } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { memo } from 'react';
import { balloonsWords } from '../parts/balloons-words.ts';
import { madeOf } from '../parts/made-of.ts';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { workingOfPiece } from '../parts/workings.ts';

/** How many balloons, tied into what. */
export const CountLine = memo(function CountLine({ plan }: { plan: PlanPiece }) {
  const balloons = plan.balloons.reduce((sum, row) => sum + row.need, 0);
  const things = plan.materials.reduce((sum, row) => sum + (row.isGear ? row.count : 0), 0);
  const parts = madeOf(plan);
  return (
    <Typography component="div" data-testid="piece-counts">
      <WorkingButton title={plan.name} working={workingOfPiece(plan.id)}>
        <Box component="strong" sx={{ fontSize: 17 }}>
          {balloons > 0 ? balloonsWords(plan.balloons) : `${plural(things, 'thing')} to carry`}
        </Box>
      </WorkingButton>
      {parts.length > 0 && ` · ${parts.join(' · ')}`}
    </Typography>
  );
});

import type { LadderToCheck } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { BigButton } from './BigButton.tsx';

interface LadderGateProps {
  ladders: readonly LadderToCheck[];
  onChecked: (id: string, isSound: boolean) => void;
}

/** Each ladder is checked before anybody climbs it; one that is unsafe is not used, and the lead plans without it. */
export function LadderGate({ ladders, onChecked }: LadderGateProps) {
  return ladders.map(({ id, name, isRefused }) => (
    <Box
      key={id}
      role="group"
      aria-label={`Check ${name}`}
      sx={{ borderLeft: '6px solid var(--mui-palette-out)', pl: 1.5, display: 'grid', gap: 1 }}
    >
      <Typography variant="h2" sx={{ fontSize: '1.25rem' }}>
        {isRefused ? `Do not use: ${name}` : `Check the ladder: ${name}`}
      </Typography>
      <Typography sx={{ fontSize: '1.0625rem' }}>
        {isRefused
          ? 'Somebody found it unsafe. Mark it and put it aside. The lead re-plans or gets another one.'
          : 'Rails, steps and feet whole and dry, nothing loose, spreaders locked, ground level.'}
      </Typography>
      <BigButton variant={isRefused ? 'outlined' : 'contained'} onClick={() => onChecked(id, true)}>
        {isRefused ? 'We have another, and it is safe' : 'Safe to use'}
      </BigButton>
      {!isRefused && <BigButton onClick={() => onChecked(id, false)}>Do not use it</BigButton>}
    </Box>
  ));
}

import UndoIcon from '@mui/icons-material/Undo';
import { Box, IconButton, Link, Stack, Tooltip, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink, useLocation } from 'react-router';
import { HistoryButton } from '../parts/HistoryButton.tsx';
import { useMay } from '../people/me.ts';
import { cameFrom } from './survey-link.ts';

interface SiteHeadProps {
  id: string;
  name: string;
  canUndo: boolean;
  undo: () => void;
}

/** The place's name, the way back to where one came from, and undo. */
export function SiteHead({ id, name, canUndo, undo }: SiteHeadProps) {
  const { state } = useLocation();
  const plans = useMay('plan');
  // Kept while the walk goes on from question to question.
  const [from] = useState(() => cameFrom(state));
  return (
    <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1.5 }}>
      <Box sx={{ flexGrow: 1, minWidth: 0 }}>
        <Stack direction="row" sx={{ gap: 2 }}>
          {from && (
            <Link component={RouterLink} to={from.to} color="inherit" sx={{ fontSize: 14, fontWeight: 650 }}>
              ← Back to {from.name}
            </Link>
          )}
          <Link component={RouterLink} to="/sites" color="inherit" sx={{ fontSize: 14 }}>
            Sites
          </Link>
        </Stack>
        <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
          {name}
        </Typography>
      </Box>
      <Tooltip title="Undo (Ctrl Z)">
        <span>
          <IconButton aria-label="Undo" disabled={!canUndo} onClick={undo}>
            <UndoIcon />
          </IconButton>
        </span>
      </Tooltip>
      {plans && <HistoryButton what="site" id={id} />}
    </Stack>
  );
}

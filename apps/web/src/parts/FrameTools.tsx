import DarkIcon from '@mui/icons-material/DarkModeOutlined';
import HelpIcon from '@mui/icons-material/HelpOutlineOutlined';
import LightIcon from '@mui/icons-material/LightModeOutlined';
import { Box, Button, IconButton, Tooltip } from '@mui/material';
import { Link, useLocation } from 'react-router';
import { helpFor } from '../help/help-for.ts';
import { AccountMenu } from '../people/AccountMenu.tsx';
import { useMe } from '../people/me.ts';
import { usePalette } from './palette.tsx';
import { useFrameCommands } from './use-frame-commands.ts';

/** On the right of the head: find or do anything, units, help, light or dark. */
export function FrameTools() {
  const palette = usePalette();
  const { pathname } = useLocation();
  const me = useMe().data;
  const isSignedIn = me?.account !== null && me?.isOpen === false;
  const { units, otherUnits, isDark, turnUnits, turnMode } = useFrameCommands();
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        onClick={palette.open}
        aria-label="find or do anything"
        sx={{
          borderColor: 'line',
          fontWeight: 500,
          color: 'text.secondary',
          gap: 1,
          minWidth: 0,
          px: { xs: 0.5, sm: 1 },
          flex: 'none',
        }}
      >
        <Box
          component="kbd"
          aria-hidden="true"
          sx={{ font: 'inherit', border: 1, borderRadius: 0.75, px: 0.75, lineHeight: 1.3 }}
        >
          /
        </Box>
        <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
          find or do anything
        </Box>
      </Button>
      <Tooltip title={`Show ${otherUnits} lengths`}>
        <Button
          size="small"
          onClick={turnUnits}
          sx={{ whiteSpace: 'nowrap', minWidth: 0, px: 1.25, display: { xs: 'none', sm: 'inline-flex' } }}
          aria-label={`${units === 'imperial' ? 'ft · in' : 'm · cm'}: show ${otherUnits} lengths`}
        >
          {units === 'imperial' ? 'ft · in' : 'm · cm'}
        </Button>
      </Tooltip>
      <Tooltip title="Help">
        <IconButton component={Link} to={`/help/${helpFor(pathname)}`} aria-label="Help">
          <HelpIcon />
        </IconButton>
      </Tooltip>
      <AccountMenu isDark={isDark} onTurnMode={turnMode} />
      <Tooltip title={isDark ? 'Light page' : 'Dark page'}>
        <IconButton
          onClick={turnMode}
          aria-label={isDark ? 'Light page' : 'Dark page'}
          // On a phone there is no room for both: then it stands in the menu.
          sx={{ display: { xs: isSignedIn ? 'none' : 'inline-flex', sm: 'inline-flex' } }}
        >
          {isDark ? <LightIcon /> : <DarkIcon />}
        </IconButton>
      </Tooltip>
    </>
  );
}

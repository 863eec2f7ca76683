import DarkIcon from '@mui/icons-material/DarkModeOutlined';
import HelpIcon from '@mui/icons-material/HelpOutlineOutlined';
import LightIcon from '@mui/icons-material/LightModeOutlined';
import { Box, Button, IconButton, Stack, Tooltip, Typography, useColorScheme } from '@mui/material';
import { useMemo } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { useJobs } from '../api/queries.ts';
import { helpFor } from '../help/help-for.ts';
import { useUnits } from '../preferences.tsx';
import { headFont } from '../theme.ts';
import { Lantern } from './Lantern.tsx';
import { type PaletteCommand, useCommands, usePalette } from './palette.tsx';
import { useKeys } from './useKeys.ts';

const pages = [
  { to: '/', label: 'Horizon', key: 'h' },
  { to: '/sites', label: 'Sites', key: 's' },
  { to: '/stock', label: 'Stock', key: 't' },
  { to: '/workshop', label: 'Workshop', key: 'w' },
];

/** What frames every page: name, pages, palette, units, light or dark. */
export function Frame() {
  const palette = usePalette();
  const { units, setUnits } = useUnits();
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const jobs = useJobs().data;
  useKeys(Object.fromEntries(pages.map((page) => [page.key, () => void navigate(page.to)])));

  const otherUnits = units === 'imperial' ? 'metric' : 'imperial';
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [
        ...pages.map((page) => ({
          id: page.to,
          group: 'Go to' as const,
          label: page.label,
          keys: page.key.toUpperCase(),
          run: () => void navigate(page.to),
        })),
        ...(jobs ?? []).map((job) => ({
          id: `job-${job.data.id}`,
          group: 'Go to' as const,
          label: job.data.name,
          run: () => void navigate(`/jobs/${job.data.id}/pieces`),
        })),
        {
          id: 'units',
          group: 'Do',
          label: `Show lengths in ${otherUnits} units`,
          run: () => setUnits(otherUnits),
        },
        {
          id: 'mode',
          group: 'Do',
          label: isDark ? 'Light page' : 'Dark page',
          run: () => setMode(isDark ? 'light' : 'dark'),
        },
        {
          id: 'help',
          group: 'Go to',
          label: 'Help: the guide, at this step',
          run: () => void navigate(`/help/${helpFor(window.location.pathname)}`),
        },
      ],
      [jobs, navigate, otherUnits, setUnits, isDark, setMode],
    ),
  );

  return (
    <Box sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <Box
        component="a"
        href="#main"
        sx={{
          position: 'absolute',
          left: -9999,
          '&:focus': { left: 8, top: 8, zIndex: 2, bgcolor: 'background.paper', p: 1 },
        }}
      >
        To the content
      </Box>
      <Stack
        component="header"
        direction="row"
        className="no-print"
        sx={{
          alignItems: 'center',
          gap: { xs: 0.5, sm: 2.5 },
          px: { xs: 1.5, sm: 3 },
          pt: 1,
          pb: 0.75,
        }}
      >
        <Stack
          component={Link}
          to="/"
          direction="row"
          sx={{ alignItems: 'center', gap: 1, color: 'inherit', textDecoration: 'none' }}
        >
          <Lantern state="lit" size={34} />
          <Typography
            component="span"
            sx={{
              fontFamily: headFont,
              fontWeight: 700,
              fontSize: 20,
              display: { xs: 'none', sm: 'inline' },
            }}
          >
            Early Lantern
          </Typography>
        </Stack>
        <Stack
          component="nav"
          aria-label="Pages"
          direction="row"
          sx={{ gap: { xs: '7px', sm: 2 }, flexGrow: 1, minWidth: 0 }}
        >
          {pages.map((page) => (
            <Box
              key={page.to}
              component={NavLink}
              to={page.to}
              end
              sx={{
                color: 'text.secondary',
                fontWeight: 650,
                textDecoration: 'none',
                py: 0.75,
                fontSize: { xs: 14.5, sm: 16 },
                borderBottom: '3px solid transparent',
                '&.active': { color: 'text.primary', borderColor: 'text.primary' },
              }}
            >
              {page.label}
            </Box>
          ))}
        </Stack>
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
            onClick={() => setUnits(otherUnits)}
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
        <Tooltip title={isDark ? 'Light page' : 'Dark page'}>
          <IconButton
            onClick={() => setMode(isDark ? 'light' : 'dark')}
            aria-label={isDark ? 'Light page' : 'Dark page'}
          >
            {isDark ? <LightIcon /> : <DarkIcon />}
          </IconButton>
        </Tooltip>
      </Stack>
      <Box
        component="main"
        id="main"
        sx={{ flexGrow: 1, display: 'flex', flexDirection: 'column', minHeight: 0 }}
      >
        <Outlet />
      </Box>
    </Box>
  );
}

import { Box, Stack, Typography } from '@mui/material';
import { lazy, Suspense, useEffect } from 'react';
import { Link, NavLink, Outlet } from 'react-router';
import { whenSignedOut } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { ME, useMay, useMe } from '../people/me.ts';
import { headFont } from '../theme.ts';
import { FrameTools } from './FrameTools.tsx';
import { Lantern } from './Lantern.tsx';
import { SilentNote } from './SilentNote.tsx';
import { pages } from './use-frame-commands.ts';

/** Those who are signed in do without its forms. */
const SignIn = lazy(() => import('../people/SignIn.tsx').then((module) => ({ default: module.SignIn })));

/** What frames every page: name, pages, palette, units, light or dark. */
export function Frame() {
  const { data: me, failureCount } = useMe();
  useEffect(() => whenSignedOut(() => void queryClient.invalidateQueries({ queryKey: ME })), []);
  // In the place of whatever was asked for: it is there once somebody is signed in.
  if (me && !me.account)
    return (
      <Suspense>
        <SignIn me={me} />
      </Suspense>
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
          aria-label="Early Lantern"
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
        <Pages />
        <FrameTools />
      </Stack>
      <Box
        component="main"
        id="main"
        sx={{ flexGrow: 1, display: 'flex', flexDirection: 'column', minHeight: 0 }}
      >
        <SilentNote />
        {/* What this browser keeps is kept by workshop: of which, is known first. */}
        {(me || failureCount > 0) && <Outlet />}
      </Box>
    </Box>
  );
}

function Pages() {
  const isPlanner = useMay('plan');
  return (
    <Stack
      component="nav"
      aria-label="Pages"
      direction="row"
      sx={{ gap: { xs: '7px', sm: 2 }, flexGrow: 1, minWidth: 0 }}
    >
      {pages
        .filter(({ to }) => isPlanner || (to !== '/workshop' && to !== '/stock'))
        .map((page) => (
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
  );
}

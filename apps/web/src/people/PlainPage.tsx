import { Box, Paper, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Lantern } from '../parts/Lantern.tsx';

/** A page with one thing to do, for whoever is not inside yet. */
export const PlainPage = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box
    component="main"
    id="main"
    sx={{ minHeight: '100vh', display: 'grid', placeItems: { xs: 'start center', sm: 'center' }, p: 2 }}
  >
    <Paper variant="outlined" sx={{ p: { xs: 2.5, sm: 4 }, width: '100%', maxWidth: 460 }}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 2 }}>
        <Lantern state="lit" size={34} />
        <Typography sx={{ fontWeight: 700 }}>Early Lantern</Typography>
      </Stack>
      <Typography variant="h1" sx={{ mb: 2, overflowWrap: 'anywhere' }}>
        {title}
      </Typography>
      <Stack sx={{ gap: 2 }}>{children}</Stack>
    </Paper>
  </Box>
);

/** What went wrong with what was sent. */
export const FormFault = ({ children }: { children: string | undefined }) =>
  children ? (
    <Typography role="alert" sx={{ color: 'var(--mui-palette-out)', fontWeight: 650 }}>
      {children}
    </Typography>
  ) : null;

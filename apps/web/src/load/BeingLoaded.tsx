import { LinearProgress, Stack, Typography } from '@mui/material';

/** While nobody knows yet where everything lies. */
export function BeingLoaded() {
  return (
    <Stack spacing={1} sx={{ maxWidth: 420, py: 3 }} role="status">
      <Typography>Putting everything in its place …</Typography>
      <LinearProgress color="secondary" aria-label="Loading the vehicles" />
    </Stack>
  );
}

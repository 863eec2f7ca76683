import { Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Lantern } from './Lantern.tsx';

interface EmptyStateProps {
  title: string;
  /** What to do first. */
  children: ReactNode;
  action?: ReactNode;
}

export function EmptyState({ title, children, action }: EmptyStateProps) {
  return (
    <Stack spacing={1.5} sx={{ alignItems: 'center', textAlign: 'center', py: 6, px: 2 }}>
      <Lantern state="unlit" size={84} />
      <Typography variant="h2">{title}</Typography>
      <Typography sx={{ maxWidth: 460, color: 'text.secondary' }}>{children}</Typography>
      {action}
    </Stack>
  );
}

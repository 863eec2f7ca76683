import { Box, Button, Typography } from '@mui/material';
import type { ReactNode } from 'react';

interface ActionLineProps {
  children: ReactNode;
  /** On its button, and the whole of it for those who only hear it. */
  does: string;
  label: string;
  onDo: () => void;
}

/** A line of a list with the one thing that can be done about it. */
export const ActionLine = ({ children, does, label, onDo }: ActionLineProps) => (
  <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.75, borderTop: 1, borderColor: 'divider' }}>
    <Typography sx={{ flexGrow: 1, minWidth: 0, overflowWrap: 'anywhere' }}>{children}</Typography>
    <Button size="small" variant="outlined" sx={{ flexShrink: 0 }} aria-label={label} onClick={onDo}>
      {does}
    </Button>
  </Box>
);

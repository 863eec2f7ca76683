import { Drawer, Typography } from '@mui/material';
import { type ReactNode, useId } from 'react';
import { BigButton } from './BigButton.tsx';

interface BottomSheetProps {
  title: string;
  onClose: () => void;
  /** What the button says that closes it. */
  closeWords?: string;
  children: ReactNode;
}

/** Comes up from below, under the thumb; it goes by its button, by Escape or by a press beside it. */
export function BottomSheet({ title, onClose, closeWords = 'Close', children }: BottomSheetProps) {
  const titleId = useId();
  return (
    <Drawer
      anchor="bottom"
      open
      onClose={onClose}
      slotProps={{
        paper: {
          role: 'dialog',
          'aria-modal': true,
          'aria-labelledby': titleId,
          sx: {
            p: 2,
            display: 'grid',
            gap: 1.5,
            maxHeight: '92vh',
            borderRadius: '14px 14px 0 0',
            maxWidth: 560,
            mx: 'auto',
          },
        },
      }}
    >
      <Typography id={titleId} variant="h2" sx={{ fontSize: '1.375rem' }}>
        {title}
      </Typography>
      {children}
      <BigButton onClick={onClose}>{closeWords}</BigButton>
    </Drawer>
  );
}

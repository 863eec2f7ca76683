import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { type ReactNode, useState } from 'react';
import { WorkingList } from './WorkingList.tsx';
import type { WorkingSource } from './workings.ts';

interface WorkingButtonProps {
  title: string;
  working: WorkingSource;
  children: ReactNode;
}

/** A figure, or words, that open into how it came about. */
export function WorkingButton({ title, working, children }: WorkingButtonProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        variant="text"
        size="small"
        onClick={() => setOpen(true)}
        title={`How ${title.toLowerCase()} came about`}
        sx={{
          font: 'inherit',
          p: 0,
          minWidth: 0,
          textDecoration: 'underline dotted',
          textUnderlineOffset: 4,
        }}
      >
        {children}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} maxWidth="sm" fullWidth>
        <DialogTitle>{title}</DialogTitle>
        <DialogContent>
          <WorkingList working={working} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

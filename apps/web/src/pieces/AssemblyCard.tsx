import type { MaterialRow } from '@early-lantern/contract';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useState } from 'react';
import { MaterialTable } from '../parts/MaterialTable.tsx';

interface AssemblyCardProps {
  name: string;
  steps: readonly string[];
  materials: readonly MaterialRow[];
}

/** A button that opens how a piece is put together and what it takes besides balloons. */
export function AssemblyCard({ name, steps, materials }: AssemblyCardProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" variant="outlined" onClick={() => setOpen(true)}>
        Assembly card
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} maxWidth="sm" fullWidth>
        <DialogTitle>{name}: how it goes together</DialogTitle>
        <DialogContent>
          <ol>
            {steps.map((step) => (
              <Typography component="li" key={step} sx={{ mb: 0.75 }}>
                {step}
              </Typography>
            ))}
          </ol>
          <MaterialTable rows={materials} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

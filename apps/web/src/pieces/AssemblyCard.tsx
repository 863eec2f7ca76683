import type { PlanPiece } from '@early-lantern/contract';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useState } from 'react';
import { MaterialTable } from '../parts/MaterialTable.tsx';

/** A button that opens how a piece is put together and what it takes besides balloons. */
export function AssemblyCard({ piece: { id, name, steps, materials } }: { piece: PlanPiece }) {
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
          <MaterialTable rows={materials} pieceId={id} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

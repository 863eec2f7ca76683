import type { Piece, Workshop } from '@early-lantern/contract';
import { patternOf } from '@early-lantern/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { useMemo, useState } from 'react';
import { PatternCardView } from '../cards/PatternCardView.tsx';

/** A button that opens the pattern card of a packed piece; nothing for other kinds. */
export function PatternButton({ piece, workshop }: { piece: Piece; workshop: Workshop }) {
  const [open, setOpen] = useState(false);
  const pattern = useMemo(() => patternOf(piece, (id) => id), [piece]);
  if (!pattern) return null;
  return (
    <>
      <Button size="small" variant="outlined" onClick={() => setOpen(true)}>
        Pattern card
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} maxWidth="md" fullWidth>
        <DialogTitle>{piece.name}: pattern card</DialogTitle>
        <DialogContent>
          <PatternCardView piece={piece} colours={workshop.colours} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

import type { Site } from '@early-lantern/contract';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useState } from 'react';
import { NewPlaceFields } from './NewPlaceFields.tsx';
import { blankPlace, missingOf, siteOf } from './new-place.ts';
import { spotWords } from './words.ts';

interface NewPlaceDialogProps {
  onAdd: (site: Site) => void;
  onClose: () => void;
}

/** Asks what a place cannot do without; the survey walk asks for the rest. */
export function NewPlaceDialog({ onAdd, onClose }: NewPlaceDialogProps) {
  const [place, setPlace] = useState(blankPlace);
  const [fault, setFault] = useState<string>();
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="new-place-title">
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const lacks = missingOf(place);
          setFault(lacks);
          if (!lacks) onAdd(siteOf(place, capital(spotWords[place.kind ?? 'wall'])));
        }}
      >
        <DialogTitle id="new-place-title">New place</DialogTitle>
        <DialogContent sx={{ '& > :first-of-type': { pt: 1 } }}>
          <NewPlaceFields place={place} onChange={setPlace} />
          {fault && (
            <Typography role="alert" sx={{ color: 'var(--mui-palette-out)', fontWeight: 650, mt: 2 }}>
              {fault}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Add the place
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

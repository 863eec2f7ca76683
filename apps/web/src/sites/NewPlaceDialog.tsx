import { NewPlace, type Site } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { useForm } from 'react-hook-form';
import { NewPlaceFields } from './NewPlaceFields.tsx';
import { blankPlace, siteOf } from './new-place.ts';

interface NewPlaceDialogProps {
  onAdd: (site: Site) => void;
  onClose: () => void;
}

/** Asks what a place cannot do without; the survey walk asks for the rest. */
export function NewPlaceDialog({ onAdd, onClose }: NewPlaceDialogProps) {
  const form = useForm<NewPlace>({ resolver: zodResolver(NewPlace), defaultValues: blankPlace });
  const add = form.handleSubmit((place) => onAdd(siteOf(place)));
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="new-place-title">
      <form noValidate onSubmit={(event) => void add(event)}>
        <DialogTitle id="new-place-title">New place</DialogTitle>
        <DialogContent sx={{ '& > :first-of-type': { pt: 1 } }}>
          <NewPlaceFields form={form} />
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

import { PinCode } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useForm } from 'react-hook-form';
import { z } from 'zod';

const Form = z.object({ pin: PinCode });

interface PinDialogProps {
  name: string;
  hasPin: boolean;
  onSet: (pin: string | null) => void;
  onClose: () => void;
}

/** A PIN for shared phones, told to the one whose it is. */
export function PinDialog({ name, hasPin, onSet, onClose }: PinDialogProps) {
  const { register, handleSubmit, formState } = useForm<z.infer<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { pin: '' },
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="pin-title">
      <form noValidate onSubmit={(event) => void handleSubmit(({ pin }) => onSet(pin))(event)}>
        <DialogTitle id="pin-title">PIN for {name}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <Typography>Four to eight digits. It works on shared phones only.</Typography>
          <TextField
            label="PIN"
            autoFocus
            autoComplete="off"
            error={formState.errors.pin !== undefined}
            helperText={formState.errors.pin?.message}
            slotProps={{ htmlInput: { inputMode: 'numeric', maxLength: 8 } }}
            {...register('pin')}
          />
        </DialogContent>
        <DialogActions>
          {hasPin && <Button onClick={() => onSet(null)}>Remove the PIN</Button>}
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Set
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

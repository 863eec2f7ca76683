import { ChangePassword } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { call } from '../api/client.ts';
import { PasswordField } from './PasswordField.tsx';
import { FormFault } from './PlainPage.tsx';

interface PasswordDialogProps {
  name: string;
  onClose: () => void;
  onChanged: () => void;
}

/** One's own password; on every other device one is signed out. */
export function PasswordDialog({ name, onClose, onChanged }: PasswordDialogProps) {
  const { register, handleSubmit, formState, setError } = useForm<ChangePassword>({
    resolver: zodResolver(ChangePassword),
    defaultValues: { current: '', password: '' },
  });
  const send = handleSubmit((typed) =>
    call('PUT', '/me/password', typed).then(onChanged, (error: Error) =>
      setError('root', { message: error.message }),
    ),
  );
  const { errors, isSubmitting } = formState;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="password-title">
      <form noValidate onSubmit={(event) => void send(event)}>
        <DialogTitle id="password-title">Change password</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <Typography>Your other devices are signed out.</Typography>
          <input type="text" name="username" autoComplete="username" value={name} readOnly hidden />
          <PasswordField
            label="Password now"
            autoComplete="current-password"
            error={errors.current !== undefined}
            {...register('current')}
          />
          <PasswordField
            label="New password"
            autoComplete="new-password"
            error={errors.password !== undefined}
            helperText={errors.password?.message ?? 'At least 12 characters. Three or four words will do.'}
            {...register('password')}
          />
          <FormFault>{errors.root?.message}</FormFault>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={isSubmitting}>
            Change
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

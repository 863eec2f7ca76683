import { FirstOwner, type Me } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, TextField, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { call } from '../api/client.ts';
import { beginAnew } from './me.ts';
import { PasswordField } from './PasswordField.tsx';
import { FormFault } from './PlainPage.tsx';

/** From here on people sign in: the first to do so is the owner. */
export function FirstOwnerForm() {
  const { register, handleSubmit, formState, setError } = useForm<FirstOwner>({
    resolver: zodResolver(FirstOwner),
    defaultValues: { name: '', password: '' },
  });
  const send = handleSubmit((typed) =>
    call<Me>('POST', '/owner', typed).then(beginAnew, (error: Error) =>
      setError('root', { message: error.message }),
    ),
  );
  const { errors, isSubmitting } = formState;
  return (
    <form
      noValidate
      onSubmit={(event) => void send(event)}
      style={{ display: 'grid', gap: 16, maxWidth: 460 }}
    >
      <Typography>
        Nobody has to sign in yet: whoever sits at this computer can do everything. Give yourself a password
        to let others in, each with what they may see and do.
      </Typography>
      <TextField
        label="Your name"
        autoComplete="username"
        error={errors.name !== undefined}
        helperText={errors.name && 'Type your name.'}
        {...register('name')}
      />
      <PasswordField
        label="Password"
        autoComplete="new-password"
        error={errors.password !== undefined}
        helperText={errors.password?.message ?? 'At least 12 characters. Three or four words will do.'}
        {...register('password')}
      />
      <FormFault>{errors.root?.message}</FormFault>
      <Button type="submit" variant="contained" disabled={isSubmitting} sx={{ justifySelf: 'start' }}>
        Set the password
      </Button>
    </form>
  );
}

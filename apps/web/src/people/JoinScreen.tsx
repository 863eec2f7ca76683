import { type Invitation, type Me, NewPassword } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, LinearProgress, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { call } from '../api/client.ts';
import { PasswordField } from './PasswordField.tsx';
import { FormFault, PlainPage } from './PlainPage.tsx';
import { roleWords } from './role-words.ts';
import { tokenHere } from './token.ts';

const Form = z.object({ password: NewPassword });

/** Where an invitation leads: somebody chooses a password and is in. */
export function JoinScreen() {
  const token = tokenHere();
  const { data, error } = useQuery({
    queryKey: ['invitation', token],
    queryFn: () => call<Invitation>('POST', '/invitations/look', { token }),
    retry: false,
  });
  const { register, handleSubmit, formState, setError } = useForm<z.infer<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { password: '' },
  });
  const send = handleSubmit(({ password }) =>
    call<Me>('POST', '/invitations/accept', { token, password }).then(
      // Not by the router: the token goes from the address, and whoever was signed in here before.
      () => window.location.replace('/'),
      (failed: Error) => setError('root', { message: failed.message }),
    ),
  );
  if (error)
    return (
      <PlainPage title="This link does not open">
        <Typography>{error.message}</Typography>
      </PlainPage>
    );
  if (!data) return <LinearProgress aria-label="Opening the invitation" />;
  const { errors, isSubmitting } = formState;
  return (
    <PlainPage title={`Welcome, ${data.name}`}>
      <Typography>
        {data.workshop} lets you in as {roleWords[data.role].name.toLowerCase()}. {roleWords[data.role].may}
      </Typography>
      <form noValidate onSubmit={(event) => void send(event)} style={{ display: 'grid', gap: 16 }}>
        <input type="text" name="username" autoComplete="username" value={data.name} readOnly hidden />
        <PasswordField
          label="Choose a password"
          autoComplete="new-password"
          autoFocus
          error={errors.password !== undefined}
          helperText={errors.password?.message ?? 'At least 12 characters. Three or four words will do.'}
          {...register('password')}
        />
        <FormFault>{errors.root?.message}</FormFault>
        <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
          Save and sign in
        </Button>
      </form>
    </PlainPage>
  );
}

import { type Me, SignIn as SignInForm } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { call } from '../api/client.ts';
import { beginAnew } from './me.ts';
import { PasswordField } from './PasswordField.tsx';
import { PinPad } from './PinPad.tsx';
import { FormFault, PlainPage } from './PlainPage.tsx';

/** Stands in the place of every page while nobody is signed in; afterwards the page is there that was asked for. */
export function SignIn({ me }: { me: Me }) {
  const [isByName, setByName] = useState(me.phone === null || me.phone.people.length === 0);
  return (
    <PlainPage title={me.workshop || 'Sign in'}>
      {me.phone && !isByName ? (
        <PinPad people={me.phone.people} />
      ) : (
        <ByPassword workshopId={me.workshopId} />
      )}
      {me.phone && me.phone.people.length > 0 && (
        <Button variant="text" onClick={() => setByName(!isByName)}>
          {isByName ? `Sign in with a PIN` : 'Sign in with a password'}
        </Button>
      )}
    </PlainPage>
  );
}

/** @param workshopId of the one that was signed in to last here; null where there is only one */
function ByPassword({ workshopId }: { workshopId: string | null }) {
  const { register, handleSubmit, formState, setError } = useForm<SignInForm>({
    resolver: zodResolver(SignInForm),
    defaultValues: { name: '', password: '', ...(workshopId === null ? {} : { workshop: workshopId }) },
  });
  const send = handleSubmit((typed) =>
    call<Me>('POST', '/sign-in', typed).then(beginAnew, (error: Error) =>
      setError('root', { message: error.message }),
    ),
  );
  const { errors, isSubmitting } = formState;
  return (
    <form noValidate onSubmit={(event) => void send(event)} style={{ display: 'grid', gap: 16 }}>
      {workshopId !== null && (
        <TextField
          label="Workshop"
          autoComplete="organization"
          autoFocus={workshopId === ''}
          error={errors.workshop !== undefined}
          helperText={
            errors.workshop
              ? 'Small letters, digits and dashes, for example weir-lane.'
              : 'Its short name, for example weir-lane. Ask the owner.'
          }
          {...register('workshop')}
        />
      )}
      <TextField
        label="Your name"
        autoComplete="username"
        autoFocus={workshopId !== ''}
        error={errors.name !== undefined}
        helperText={errors.name && 'Type your name as the owner wrote it.'}
        {...register('name')}
      />
      <PasswordField
        label="Password"
        autoComplete="current-password"
        error={errors.password !== undefined}
        helperText={errors.password && 'Type your password.'}
        {...register('password')}
      />
      <FormFault>{errors.root?.message}</FormFault>
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
        Sign in
      </Button>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        Forgotten? The owner can make you a new link under Workshop → Access.
      </Typography>
    </form>
  );
}

import { Name, type SharedPhone } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Box, Button, Paper, TextField, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { ActionLine } from '../parts/ActionLine.tsx';
import { useNotice } from '../parts/notices.tsx';
import { beginAnew, useMe } from './me.ts';

const PHONES = ['phones'] as const;
const Form = z.object({ name: Name });

/** Phones that lie in the van: helpers sign in there with a PIN. */
export function PhonesPanel() {
  const me = useMe().data;
  const notify = useNotice();
  const { data, error } = useQuery({
    queryKey: PHONES,
    queryFn: () => call<SharedPhone[]>('GET', '/phones'),
  });
  const { mutate } = useMutation({
    mutationFn: (id: string) => call('DELETE', `/phones/${id}`),
    onError: ({ message }: Error) => notify({ text: message }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: PHONES }),
  });
  const { register, handleSubmit, formState } = useForm<z.infer<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { name: '' },
  });
  const share = handleSubmit(({ name }) =>
    call('POST', '/phones', { name }).then(beginAnew, ({ message }: Error) => notify({ text: message })),
  );
  if (!me?.account || me.isOpen) return null;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Shared phones"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">Shared phones</Typography>
      {error && <Alert severity="warning">The list could not be read. {error.message}</Alert>}
      {data?.length === 0 && <Typography>None yet. On a shared phone helpers sign in with a PIN.</Typography>}
      <Box>
        {data?.map(({ id, name, since }) => (
          <ActionLine key={id} does="End" label={`End sharing ${name}`} onDo={() => mutate(id)}>
            {name}, since {DateTime.fromISO(since).toFormat('d LLL yyyy')}
          </ActionLine>
        ))}
      </Box>
      <form noValidate onSubmit={(event) => void share(event)}>
        <Typography sx={{ mb: 1 }}>
          To share a phone, sign in on it and open this page there. You are signed out on it then.
        </Typography>
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <TextField
            size="small"
            label="Name of this device"
            error={formState.errors.name !== undefined}
            helperText={formState.errors.name && 'Name it, like “Van phone”.'}
            {...register('name')}
          />
          <Button type="submit" variant="outlined">
            Share this device
          </Button>
        </Box>
      </form>
    </Paper>
  );
}

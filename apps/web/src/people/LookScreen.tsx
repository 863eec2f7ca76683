import { type Delivery, type SharedJob, type SharedPhoto, SignOff } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Box, Button, LinearProgress, TextField, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { clockTime, dayName } from '../parts/time.ts';
import { FormFault, PlainPage } from './PlainPage.tsx';
import { tokenHere } from './token.ts';

const Form = SignOff.omit({ token: true });

/** What a client or somebody of the venue sees by their link: when the crew comes, what it builds, and where to sign for it. */
export function LookScreen() {
  const token = tokenHere();
  const key = ['shared', token];
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: () => call<SharedJob>('POST', '/shared', { token }),
    retry: false,
  });
  if (error)
    return (
      <PlainPage title="This link does not open">
        <Typography>{error.message}</Typography>
      </PlainPage>
    );
  if (!data) return <LinearProgress aria-label="Opening the job" />;
  const { timeZone: zone } = data;
  const when = (at: string | null) => at && `${dayName(at, zone)}, ${clockTime(at, zone)}`;
  return (
    <PlainPage title={data.name}>
      <Typography>
        {data.workshop}, for {data.for}
      </Typography>
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2, rowGap: 0.75 }}
      >
        <Line term="Place">{data.place}</Line>
        <Line term="Crew arrives">{when(data.arrives) ?? 'not planned yet'}</Line>
        <Line term="Ready">{when(data.ready) ?? 'not planned yet'}</Line>
        <Line term="Doors open">{when(data.doors)}</Line>
        {data.strike && <Line term="Taken down">{when(data.strike)}</Line>}
      </Box>
      <Box>
        <Typography variant="h2" sx={{ mb: 1 }}>
          What is built
        </Typography>
        <Box component="ul" sx={{ m: 0, pl: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
          {data.pieces.map((piece) => (
            <Box component="li" key={piece.name} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
              <Typography sx={{ fontWeight: 650 }}>{piece.name}</Typography>
              <Typography sx={{ fontSize: 15 }}>
                {piece.spot}
                {piece.colours.length > 0 && `. ${piece.colours.map(({ name }) => name).join(', ')}`}
              </Typography>
              <Box aria-hidden="true" sx={{ display: 'flex', gap: 0.5, mt: 0.5 }}>
                {piece.colours.map(({ name, hex }) => (
                  <Box
                    key={name}
                    sx={{
                      width: 22,
                      height: 22,
                      borderRadius: '50%',
                      bgcolor: hex,
                      border: 1,
                      borderColor: 'divider',
                    }}
                  />
                ))}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
      <SharedPhotos token={token} photos={data.delivery.photos} />
      <Handover delivery={data.delivery} isSigned={data.signedOff !== null} />
      {data.signedOff ? (
        <Alert severity="success">
          Signed by {data.signedOff.by}, {when(data.signedOff.at)}.
          {data.signedOff.remarks && ` Remarks: ${data.signedOff.remarks}`}
        </Alert>
      ) : (
        <SignOffForm token={token} onSigned={(job) => queryClient.setQueryData(key, job)} />
      )}
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        This page is for you alone and closes on{' '}
        {DateTime.fromISO(data.until).setZone(zone).toFormat('d LLLL yyyy')}.
      </Typography>
    </PlainPage>
  );
}

/** What stands, as the crew has photographed it. */
function SharedPhotos({ token, photos = [] }: { token: string; photos: Delivery['photos'] }) {
  if (photos.length === 0) return null;
  return (
    <Box>
      <Typography variant="h2" sx={{ mb: 1 }}>
        How it stands
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 1 }}>
        {photos.map(({ id, of }) => (
          <SharedPicture key={id} token={token} photo={id} of={of} />
        ))}
      </Box>
    </Box>
  );
}

function SharedPicture({ token, photo, of }: { token: string; photo: string; of: string }) {
  const { data, error } = useQuery({
    queryKey: ['shared', token, photo],
    queryFn: () => call<SharedPhoto>('POST', '/shared/photo', { token, photo }),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return (
    <Box component="figure" sx={{ m: 0 }}>
      {data && (
        <Box
          component="img"
          src={`data:${data.type};base64,${data.content}`}
          alt={`Photo of ${of}`}
          sx={{ width: '100%', borderRadius: 1, display: 'block' }}
        />
      )}
      <Typography component="figcaption" sx={{ fontSize: 15 }}>
        {of}
        {error && ': this picture does not open'}
      </Typography>
    </Box>
  );
}

/** What is handed over with the pieces: what is still open, and what one has to know of them. */
function Handover({ delivery: { open, handedOver }, isSigned }: { delivery: Delivery; isSigned: boolean }) {
  const lists = [
    { title: isSigned ? 'Open when it was signed' : 'Still open', lines: open },
    { title: 'Please mind', lines: handedOver },
  ].filter(({ lines }) => lines.length > 0);
  return lists.map(({ title, lines }) => (
    <Box key={title}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {title}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5, display: 'grid', gap: 0.5 }}>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
    </Box>
  ));
}

const Line = ({ term, children }: { term: string; children: ReactNode }) => (
  <>
    <Typography component="dt" sx={{ color: 'text.secondary' }}>
      {term}
    </Typography>
    <Typography component="dd" sx={{ m: 0, fontWeight: 650 }}>
      {children}
    </Typography>
  </>
);

/** Once it stands: that it is as agreed, or what is not. */
function SignOffForm({ token, onSigned }: { token: string; onSigned: (job: SharedJob) => void }) {
  const { register, handleSubmit, formState } = useForm<z.infer<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { by: '', remarks: '' },
  });
  const { mutate, isPending, error } = useMutation({
    mutationFn: (typed: z.infer<typeof Form>) =>
      call<SharedJob>('POST', '/shared/sign-off', { token, ...typed }),
    onSuccess: onSigned,
  });
  return (
    <form
      noValidate
      onSubmit={(event) => void handleSubmit((typed) => mutate(typed))(event)}
      style={{ display: 'grid', gap: 16 }}
    >
      <Typography variant="h2">Sign-off</Typography>
      <Typography>Sign when it is up and you have checked it. You can sign once.</Typography>
      <TextField
        label="Your name"
        autoComplete="name"
        error={formState.errors.by !== undefined}
        helperText={formState.errors.by && 'Type your name.'}
        {...register('by')}
      />
      <TextField
        label="Remarks"
        multiline
        minRows={2}
        error={formState.errors.remarks !== undefined}
        helperText={formState.errors.remarks?.message}
        {...register('remarks')}
      />
      <FormFault>{error?.message}</FormFault>
      <Button type="submit" variant="contained" size="large" disabled={isPending}>
        Sign off
      </Button>
    </form>
  );
}

import { type Handed, type JobLink, NewJobLink } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Box, Button, Paper, TextField, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { ActionLine } from '../parts/ActionLine.tsx';
import { useNotice } from '../parts/notices.tsx';
import { clockTime, dayName } from '../parts/time.ts';
import { HandedLink } from './HandedLink.tsx';
import { linkTo } from './token.ts';

const USUAL_DAYS = 14;

/** Links by which the client or the venue sees this job, and who has signed for it. */
export function JobLinksCard() {
  const { document, file } = useJob();
  const notify = useNotice();
  const jobId = document.head.id;
  const zone = file.workshop.timeZone;
  const [handed, setHanded] = useState<{ name: string; link: Handed }>();
  const key = keys.links(jobId);
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: () => call<JobLink[]>('GET', `/jobs/${jobId}/links`),
  });
  const { mutate } = useMutation({
    mutationFn: (act: () => Promise<unknown>) => act(),
    onError: ({ message }: Error) => notify({ text: message }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: key }),
  });
  const { register, handleSubmit, formState, reset } = useForm<NewJobLink>({
    resolver: zodResolver(NewJobLink),
    defaultValues: { name: '', days: USUAL_DAYS },
  });
  const add = handleSubmit((typed) => {
    mutate(async () =>
      setHanded({ name: typed.name, link: await call<Handed>('POST', `/jobs/${jobId}/links`, typed) }),
    );
    reset();
  });
  const { errors } = formState;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="For the client and the venue"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">For the client and the venue</Typography>
      <Typography>
        A link shows one person this job alone: when you come, what you build, when it is ready. They sign it
        off there.
      </Typography>
      {error && <Alert severity="warning">The links could not be read. {error.message}</Alert>}
      <Box>
        {data?.map(({ id, name, until, signedOff }) => (
          <ActionLine
            key={id}
            does="End"
            label={`End the link for ${name}`}
            onDo={() => mutate(() => call('DELETE', `/jobs/${jobId}/links/${id}`))}
          >
            <strong>{name}</strong>
            {signedOff
              ? `: signed off by ${signedOff.by}, ${dayName(signedOff.at, zone)} ${clockTime(signedOff.at, zone)}${signedOff.remarks && `. ${signedOff.remarks}`}`
              : `: not signed off; works until ${dayName(until, zone)}`}
          </ActionLine>
        ))}
      </Box>
      <form noValidate onSubmit={(event) => void add(event)}>
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'start' }}>
          <TextField
            size="small"
            label="Who it is for"
            error={errors.name !== undefined}
            helperText={errors.name && 'Name whom the link is for.'}
            sx={{ flex: '1 1 180px' }}
            {...register('name')}
          />
          <TextField
            size="small"
            type="number"
            label="Days it works"
            error={errors.days !== undefined}
            helperText={errors.days && '1 to 90 days.'}
            sx={{ width: 120 }}
            {...register('days', { valueAsNumber: true })}
          />
          <Button type="submit" variant="outlined">
            Make a link
          </Button>
        </Box>
      </form>
      {handed && (
        <HandedLink
          title={`Link for ${handed.name}`}
          link={linkTo('/look', handed.link.token)}
          until={handed.link.until}
          onClose={() => setHanded(undefined)}
        />
      )}
    </Paper>
  );
}

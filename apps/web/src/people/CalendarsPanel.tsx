import type { CalendarLink, CrewRow, Handed } from '@early-lantern/contract';
import { Alert, Box, Button, MenuItem, Paper, TextField, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { call } from '../api/client.ts';
import { queryClient } from '../api/queries.ts';
import { ActionLine } from '../parts/ActionLine.tsx';
import { useNotice } from '../parts/notices.tsx';
import { stillOffered } from '../parts/still-offered.ts';
import { HandedLink } from './HandedLink.tsx';

const KEY = ['accounts', 'calendars'] as const;

/** Links that somebody's phone reads by itself: their tasks of the coming jobs stand in their own calendar. */
export function CalendarsPanel({ crew }: { crew: CrewRow[] }) {
  const notify = useNotice();
  const offered = stillOffered(crew.map(({ data }) => data));
  const [personId, setPersonId] = useState(offered[0]?.id ?? '');
  const [handed, setHanded] = useState<{ name: string; link: Handed }>();
  const { data, error } = useQuery({
    queryKey: KEY,
    queryFn: () => call<CalendarLink[]>('GET', '/calendar-links'),
  });
  const { mutate, isPending } = useMutation({
    mutationFn: (act: () => Promise<unknown>) => act(),
    onError: ({ message }: Error) => notify({ text: message }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: KEY }),
  });
  const nameOf = (id: string) => crew.find((row) => row.data.id === id)?.data.name ?? 'somebody who has left';
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Calendars"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">Calendars</Typography>
      <Typography>
        A calendar link shows one person’s tasks for the next two months in the calendar on their phone, and
        stays up to date. Anyone with the link can read it.
      </Typography>
      {error && <Alert severity="warning">The calendars could not be read. {error.message}</Alert>}
      <Box>
        {data?.map(({ id, personId: whose, until }) => (
          <ActionLine
            key={id}
            does="End"
            label={`End the calendar of ${nameOf(whose)}`}
            onDo={() => mutate(() => call('DELETE', `/calendar-links/${id}`))}
          >
            <strong>{nameOf(whose)}</strong>, until {DateTime.fromISO(until).toFormat('d LLLL yyyy')}
          </ActionLine>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <TextField
          select
          size="small"
          label="Whose calendar"
          value={personId}
          onChange={({ target }) => setPersonId(target.value)}
          sx={{ minWidth: 200 }}
        >
          {offered.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant="contained"
          disabled={isPending || personId === ''}
          onClick={() =>
            mutate(async () =>
              setHanded({
                name: nameOf(personId),
                link: await call<Handed>('POST', '/calendar-links', { personId }),
              }),
            )
          }
        >
          Make a calendar link
        </Button>
      </Box>
      {handed && (
        <HandedLink
          title={`Calendar of ${handed.name}`}
          link={`${window.location.origin}/api/v1/calendars/${handed.link.token}`}
          until={handed.link.until}
          onClose={() => setHanded(undefined)}
        />
      )}
    </Paper>
  );
}

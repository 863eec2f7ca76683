import type { Backups } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';
import { Alert, Box, Button, Paper, Typography } from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { HistoryButton } from '../parts/HistoryButton.tsx';
import { useNotice } from '../parts/notices.tsx';
import { minutesBetween, spanText } from '../parts/time.ts';
import { useNow } from '../parts/useNow.ts';

/** A backup older than this is told as a fault: one is made every day, minutes. */
const OLD_MIN = 36 * 60;
/** So many are listed; the folder has all of them. */
const LISTED = 5;

/** Whether everything is backed up, when that was, and where; one more with a press. */
export function BackupPanel() {
  const notify = useNotice();
  const now = useNow();
  const { data, error } = useQuery({
    queryKey: keys.backups,
    queryFn: () => call<Backups>('GET', '/backups'),
    refetchInterval: 60_000,
  });
  const { mutate: backUp, isPending } = useMutation({
    mutationFn: () => call<Backups>('POST', '/backups'),
    onSuccess: (state) => queryClient.setQueryData(keys.backups, state),
    onError: ({ message }) => notify({ text: `No backup was made. ${message}` }),
    onSettled: () => queryClient.invalidateQueries({ queryKey: keys.backups }),
  });
  const [newest] = data?.items ?? [];
  const ageMin = newest ? minutesBetween(newest.at, now) : undefined;
  const trouble =
    data?.failure ?? (ageMin !== undefined && ageMin > OLD_MIN ? 'The last one is old.' : undefined);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Backup"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">Backup</Typography>
      {error && <Alert severity="warning">The backups could not be read. {error.message}</Alert>}
      {trouble && <Alert severity="error">Today’s backup is missing: {trouble}</Alert>}
      {data && (
        <Typography data-testid="backup-age">
          {ageMin === undefined
            ? 'No backup yet. The first is made a minute after the start, then one a day.'
            : `Last backup ${ageMin < 1 ? 'just now' : `${spanText(ageMin)} ago`}. One is made every day.`}
        </Typography>
      )}
      {data && data.items.length > 0 && (
        <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: 14 }}>
          {data.items.slice(0, LISTED).map(({ file, at, bytes, jobs }) => (
            <li key={file}>
              {DateTime.fromISO(at).toFormat('ccc d LLL yyyy HH:mm')}: {plural(jobs, 'job')},{' '}
              {(bytes / 1e6).toFixed(1)} MB
            </li>
          ))}
        </Box>
      )}
      <Box>
        <Button variant="outlined" disabled={isPending} onClick={() => backUp()}>
          {isPending ? 'Backing up…' : 'Back up now'}
        </Button>
        <Button component="a" href="/api/v1/export" sx={{ ml: 1 }}>
          Export everything
        </Button>
      </Box>
      <HistoryButton what="workshop" isWide />
      {data && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary', overflowWrap: 'anywhere' }}>
          Backups lie in {data.folder}. Copy them to another disk too. To bring one back, stop Early Lantern
          and run <code>./lantern restore</code> with its file. To move to another computer, export everything
          here and load the file there into a new workshop with <code>./lantern import</code>. People set new
          passwords there.
        </Typography>
      )}
    </Paper>
  );
}

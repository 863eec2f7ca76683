import type { JobRow, WorkshopRow } from '@early-lantern/contract';
import { isHolding } from '@early-lantern/core';
import { Box, Button, LinearProgress, Link, Paper, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { call } from '../api/client.ts';
import { fileOf, throwUnread, useOpenedJobs, useSites, useWorkshop } from '../api/queries.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { useNotice } from '../parts/notices.tsx';
import { jobStates } from '../parts/state-words.ts';
import { shortDay } from '../parts/time.ts';
import { useNow } from '../parts/useNow.ts';
import { RecordUseDialog } from './RecordUseDialog.tsx';
import { refreshStock } from './refresh-stock.ts';

/** What is only asked about or offered, or called off, has used nothing. */
const HOLDING = jobStates.filter((state) => isHolding({ state })).join(',');
/** Doors that open while this is looked at are noticed within so long, ms. */
const AGAIN_MS = 5 * 60_000;

/** Jobs that are over: what each used is recorded once; until then it holds its balloons. */
export function RecordView({ row }: { row: WorkshopRow }) {
  const notify = useNotice();
  const now = useNow();
  const until = new Date(Math.floor(now / AGAIN_MS) * AGAIN_MS).toISOString();
  const open = useOpenedJobs('no', HOLDING, until);
  const recorded = useOpenedJobs('yes', HOLDING, until);
  const sites = useSites().data;
  const workshop = useWorkshop();
  const [chosen, setChosen] = useState<JobRow>();
  throwUnread(open, recorded);
  if (!open.data || !recorded.data || !sites || !workshop)
    return <LinearProgress aria-label="Loading past jobs" />;
  const openJobs = open.data.pages.flatMap(({ items }) => items);
  const recordedJobs = recorded.data.pages.flatMap(({ items }) => items);
  const takeBack = async (job: JobRow) => {
    await call('DELETE', `/jobs/${job.data.id}/use`).catch((error: Error) =>
      notify({ text: `Not taken back: ${error.message}` }),
    );
    await refreshStock();
  };
  const file = chosen && fileOf(chosen, workshop, sites);
  if (openJobs.length + recordedJobs.length === 0) {
    return (
      <EmptyState title="No past jobs yet">
        When doors have opened, what the job used is recorded here, and leaves the shelf.
      </EmptyState>
    );
  }
  const line = (job: JobRow, action: React.ReactNode) => (
    <Box
      key={job.data.id}
      sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.75, borderTop: 1, borderColor: 'divider' }}
    >
      <Typography sx={{ flexGrow: 1, overflowWrap: 'anywhere' }}>
        <Link component={RouterLink} to={`/jobs/${job.data.id}/counts`} color="inherit">
          {job.data.name}
        </Link>
        , {shortDay(job.data.doors, row.data.timeZone)}
      </Typography>
      {action}
    </Box>
  );
  return (
    <Box sx={{ display: 'grid', gap: 2, maxWidth: 820 }}>
      <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Not recorded yet">
        <Typography variant="h2">Not recorded yet</Typography>
        <Typography sx={{ color: 'text.secondary', mb: 1 }}>
          {openJobs.length > 0
            ? 'These jobs are over but still hold their balloons.'
            : 'All past jobs are recorded.'}
        </Typography>
        {openJobs.map((job) =>
          line(
            job,
            <Button
              size="small"
              variant="outlined"
              aria-label={`Record ${job.data.name}`}
              onClick={() => setChosen(job)}
            >
              Record
            </Button>,
          ),
        )}
        <Earlier of={open} shown={openJobs.length} />
      </Paper>
      {recordedJobs.length > 0 && (
        <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Recorded">
          <Typography variant="h2">Recorded</Typography>
          {recordedJobs.map((job) =>
            line(
              job,
              <Button
                size="small"
                aria-label={`Take back ${job.data.name}`}
                onClick={() => void takeBack(job)}
              >
                Take back
              </Button>,
            ),
          )}
          <Earlier of={recorded} shown={recordedJobs.length} />
        </Paper>
      )}
      {file && <RecordUseDialog file={file} onClose={() => setChosen(undefined)} />}
    </Box>
  );
}

/** The way to those of a list that are not read yet. */
function Earlier({ of: list, shown }: { of: ReturnType<typeof useOpenedJobs>; shown: number }) {
  if (!list.hasNextPage) return null;
  return (
    <Button onClick={() => void list.fetchNextPage()} disabled={list.isFetching} sx={{ mt: 1 }}>
      Earlier jobs ({(list.data?.pages[0]?.total ?? shown) - shown})
    </Button>
  );
}

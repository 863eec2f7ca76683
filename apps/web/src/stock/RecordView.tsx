import type { JobRow, WorkshopRow } from '@early-lantern/contract';
import { isHolding } from '@early-lantern/core';
import { Box, Button, LinearProgress, Link, Paper, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { call } from '../api/client.ts';
import { fileOf, useJobs, useSites, useWorkshop } from '../api/queries.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { useNotice } from '../parts/notices.tsx';
import { shortDay } from '../parts/time.ts';
import { useNow } from '../parts/useNow.ts';
import { RecordUseDialog } from './RecordUseDialog.tsx';
import { refreshStock } from './refresh-stock.ts';

/** Jobs that are over: what each used is recorded once; until then it holds its balloons. */
export function RecordView({ row }: { row: WorkshopRow }) {
  const notify = useNotice();
  const now = useNow();
  const jobs = useJobs();
  const sites = useSites().data;
  const workshop = useWorkshop();
  const [chosen, setChosen] = useState<JobRow>();
  if (jobs.error) throw jobs.error;
  if (!jobs.data || !sites || !workshop) return <LinearProgress aria-label="Looking through the jobs" />;
  const over = jobs.data.filter((one) => isHolding(one.data) && Date.parse(one.data.doors) <= now).reverse();
  const open = over.filter(({ usedAt }) => usedAt === null);
  const recorded = over.filter(({ usedAt }) => usedAt !== null);
  const takeBack = async (job: JobRow) => {
    await call('DELETE', `/jobs/${job.data.id}/use`).catch((error: Error) =>
      notify({ text: `Not taken back: ${error.message}` }),
    );
    await refreshStock();
  };
  const file = chosen && fileOf(chosen, workshop, sites);
  if (over.length === 0) {
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
          {open.length > 0
            ? 'These jobs are over but still hold their balloons.'
            : 'All past jobs are recorded.'}
        </Typography>
        {open.map((job) =>
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
      </Paper>
      {recorded.length > 0 && (
        <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Recorded">
          <Typography variant="h2">Recorded</Typography>
          {recorded.map((job) =>
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
        </Paper>
      )}
      {file && <RecordUseDialog file={file} onClose={() => setChosen(undefined)} />}
    </Box>
  );
}

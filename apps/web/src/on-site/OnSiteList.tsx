import type { JobRow } from '@early-lantern/contract';
import { Box, LinearProgress, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { DateTime } from 'luxon';
import { Link } from 'react-router';
import { call } from '../api/client.ts';
import { useSettings } from '../api/queries.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { clockTime, dayName } from '../parts/time.ts';
import { lastMe, useMe } from '../people/me.ts';
import { SignIn } from '../people/SignIn.tsx';
import { JobProgress } from './JobProgress.tsx';
import { keptJobs } from './kept-on-device.ts';
import { INK, ON_INK } from './SiteHeader.tsx';
import { TakeAll } from './TakeAll.tsx';

/** A job is worked on from the days before its doors to those after it. */
const DAYS = { before: 2, after: 5 };
const PATIENCE_MS = 8_000;

interface Line {
  id: string;
  name: string;
  doors: string;
  isHere: boolean;
}

/** The jobs of these days, with those that are on this phone already. */
export function OnSiteList() {
  const { data: me } = useMe();
  const settings = useSettings().data;
  const isKnown = me !== undefined || lastMe() !== undefined;
  const kept = useQuery({
    queryKey: ['on-device'],
    enabled: isKnown,
    queryFn: () => keptJobs().catch(() => []),
  });
  const coming = useQuery({
    queryKey: ['jobs', 'on-site', 'coming'],
    queryFn: () => {
      const now = DateTime.now();
      const query = new URLSearchParams({
        from: now.minus({ days: DAYS.before }).toISO(),
        until: now.plus({ days: DAYS.after }).toISO(),
        limit: '50',
      });
      return call<{ items: JobRow[] }>('GET', `/jobs?${query}`, undefined, PATIENCE_MS);
    },
    retry: false,
  });
  if (me && !me.account) return <SignIn me={me} />;
  const here = kept.data ?? [];
  const zone = settings?.data.timeZone ?? here[0]?.plan.timeZone ?? 'local';
  const lines: Line[] = [
    ...(coming.data?.items ?? []).map(({ data: { id, name, doors } }) => ({
      id,
      name,
      doors,
      isHere: here.some(({ file }) => file.job.id === id),
    })),
    ...here
      .filter(({ file }) => !coming.data?.items.some(({ data }) => data.id === file.job.id))
      .map(({ file: { job } }) => ({ id: job.id, name: job.name, doors: job.doors, isHere: true })),
  ];
  return (
    <Box sx={{ minHeight: '100vh' }}>
      <Box component="header" sx={{ bgcolor: INK, color: ON_INK, p: 2 }}>
        <Typography
          component={Link}
          to="/"
          sx={{ color: 'inherit', fontSize: '1rem', display: 'inline-block', py: 1.5 }}
        >
          Early Lantern
        </Typography>
        <Typography variant="h1" sx={{ fontSize: '1.875rem' }}>
          On site
        </Typography>
      </Box>
      <Box component="main" sx={{ p: 2, maxWidth: 640, mx: 'auto', display: 'grid', gap: 1.5 }}>
        {coming.isPending && <LinearProgress aria-label="Looking for jobs" />}
        {coming.error && (
          <Typography role="status" sx={{ fontSize: '1.0625rem' }}>
            Offline: these are the jobs on this phone.
          </Typography>
        )}
        {lines.map(({ id, name, doors, isHere }) => (
          <Box
            key={id}
            component={Link}
            to={`/on-site/${id}`}
            sx={{
              display: 'block',
              minHeight: 72,
              p: 2,
              border: 2,
              borderColor: 'text.primary',
              borderRadius: 2,
              color: 'inherit',
              textDecoration: 'none',
            }}
          >
            <Typography
              component="span"
              sx={{ display: 'block', fontSize: '1.25rem', fontWeight: 700, overflowWrap: 'anywhere' }}
            >
              {name}
            </Typography>
            <Typography component="span" sx={{ fontSize: '1.0625rem' }}>
              {dayName(doors, zone)}, doors {clockTime(doors, zone)}
              {isHere && ' · on this phone'}
            </Typography>
            {here
              .filter(({ file }) => file.job.id === id)
              .map((job) => (
                <JobProgress key={id} job={job} />
              ))}
          </Box>
        ))}
        <TakeAll ids={lines.filter(({ isHere }) => !isHere).map(({ id }) => id)} />
        {!coming.isPending && lines.length === 0 && (
          <EmptyState title="No job these days">
            Jobs from two days ago to five days ahead are listed here. Open one while you have a signal: it
            stays on this phone.
          </EmptyState>
        )}
      </Box>
    </Box>
  );
}

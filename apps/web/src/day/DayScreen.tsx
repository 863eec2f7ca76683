import type { JobFile } from '@early-lantern/contract';
import { isHolding, sharingDay } from '@early-lantern/core';
import { Box, LinearProgress, Typography } from '@mui/material';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import {
  throwUnread,
  useJobsAbout,
  useLeftBetween,
  useSettings,
  useSites,
  useWorkshop,
} from '../api/queries.ts';
import { doorsSpan } from '../horizon/doors-span.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { dayName } from '../parts/time.ts';
import { usePlans } from '../workers/planner.ts';
import { useReadyJobs, useSettled } from '../workers/ready-jobs.ts';
import { DayTogether } from './DayTogether.tsx';
import { aboutDay, isNearDay } from './near-day.ts';

/** All installations that one day has work for, with the same people, vans and ladders: planned together. */
export function DayScreen() {
  const { day = '' } = useParams();
  const settings = useSettings();
  const workshop = useWorkshop();
  const sites = useSites();
  const { standing, until } = aboutDay(day);
  const jobs = useJobsAbout(standing, until);
  const left = useLeftBetween(...doorsSpan(jobs.data), true);
  throwUnread(settings, sites, jobs, left);
  const ready = useSettled(useReadyJobs(jobs.data, workshop, sites.data), left.data);
  const zone = workshop?.timeZone ?? 'UTC';
  const near = useMemo(
    (): JobFile[] =>
      (ready ?? [])
        // What has no piece yet has nothing to be planned, and what is not agreed to books nobody.
        .filter(
          ({ row, isSettled }) =>
            isSettled && isHolding(row.data) && isNearDay(row.data, day, zone) && row.pieces.length > 0,
        )
        .sort((a, b) => Date.parse(a.row.data.doors) - Date.parse(b.row.data.doors))
        .map(({ file }) => file),
    [ready, day, zone],
  );
  const planned = usePlans(near);
  const files = useMemo(() => planned && sharingDay(planned, day), [planned, day]);
  const isReady = ready?.every(({ isSettled }) => isSettled);
  if (!isReady || !files) return <LinearProgress aria-label="Looking at the day" />;
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Typography sx={{ fontSize: 14 }}>
        <Link to="/" style={{ color: 'inherit' }}>
          Horizon
        </Link>
      </Typography>
      <Typography variant="h1" sx={{ mb: 1.5 }}>
        {dayName(day, zone)}
      </Typography>
      {files.length === 0 ? (
        <EmptyState title="Nothing to put up or take down that day">
          The days with installations stand on the Horizon.
        </EmptyState>
      ) : (
        <DayTogether files={files} />
      )}
    </Box>
  );
}

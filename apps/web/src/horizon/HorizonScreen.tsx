import type { ImportResult, JobFile, SiteRow, Workshop } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import UploadIcon from '@mui/icons-material/UploadFile';
import { Box, Button, LinearProgress, Stack, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { lazy, Suspense, useCallback, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem, call } from '../api/client.ts';
import {
  queryClient,
  useCrew,
  useJobPages,
  useLeftBetween,
  useSettings,
  useSites,
  useWorkshop,
} from '../api/queries.ts';
import { isNearDay } from '../day/near-day.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { Lantern } from '../parts/Lantern.tsx';
import { useNotice } from '../parts/notices.tsx';
import { type PaletteCommand, useCommands } from '../parts/palette.tsx';
import { SkyBand } from '../parts/SkyBand.tsx';
import { clockTime, dayKey, dayName } from '../parts/time.ts';
import { useKeys } from '../parts/useKeys.ts';
import { useNow } from '../parts/useNow.ts';
import { usePlan } from '../workers/planner.ts';
import { type ReadyJob, useReadyJobs, useSettled } from '../workers/ready-jobs.ts';
import { FirstStart } from '../workshop/FirstStart.tsx';
import { DayNote } from './DayNote.tsx';
import { ImportFaults } from './ImportFaults.tsx';
import { JobCard } from './JobCard.tsx';
import { More } from './More.tsx';
import { Past } from './Past.tsx';

/** The whole name stands on the job's card below. */
const MOST_LETTERS = 30;
const shortened = (name: string) =>
  name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1).trimEnd()}…` : name;

/** With its calendar it weighs more than the page, and few visits need it. */
const NewJobDialog = lazy(() =>
  import('./NewJobDialog.tsx').then((module) => ({ default: module.NewJobDialog })),
);

/** The coming days: every installation with its six lamps and the time to its doors. */
export function HorizonScreen() {
  const settings = useSettings();
  const crew = useCrew();
  const workshop = useWorkshop();
  const sites = useSites();
  const now = useNow();
  const from = useTodayLessLongest(now);
  const pages = useJobPages('from', from);
  const failure = settings.error ?? sites.error ?? pages.error;
  if (failure) throw failure;
  const rows = useMemo(() => pages.data?.pages.flatMap(({ items }) => items), [pages.data]);
  const last = rows?.at(-1)?.data.doors;
  const left = useLeftBetween(
    from,
    (last && DateTime.fromISO(last).plus({ seconds: 1 }).toISO()) ?? undefined,
  );
  const ready = useSettled(useReadyJobs(rows, workshop, sites.data), left.data);
  if (settings.data?.data.isNew && crew.data) return <FirstStart row={settings.data} crew={crew.data} />;
  if (!ready || !workshop || !sites.data) return <LinearProgress aria-label="Looking at the coming days" />;
  const total = pages.data?.pages[0]?.total ?? 0;
  return (
    <Days
      ready={ready}
      workshop={workshop}
      sites={sites.data}
      now={now}
      from={from}
      later={total - ready.length}
      onMore={() => void pages.fetchNextPage()}
      isReading={pages.isFetchingNextPage}
    />
  );
}

/** Longer than this after its doors nothing stands; what is over is read when it is asked for. */
const LONGEST_DAYS = 14;

/** The start of the day so long ago that whatever had its doors before is over; the same all day. */
function useTodayLessLongest(now: number): string {
  const day = DateTime.fromMillis(now).startOf('day').minus({ days: LONGEST_DAYS });
  return day.toUTC().toISO() as string;
}

/** A job's *On time* lamp, small: whether those doors will open on finished work. */
function DoorsLantern({ file }: { file: JobFile | undefined }) {
  const plan = usePlan(file);
  return <Lantern state={plan?.lamps.onTime.state ?? 'unlit'} size={26} />;
}

interface DaysProps {
  ready: ReadyJob[];
  workshop: Workshop;
  sites: SiteRow[];
  now: number;
  /** Jobs with doors before are read when somebody asks for what is over. */
  from: string;
  /** So many come after those that are read. */
  later: number;
  onMore: () => void;
  isReading: boolean;
}

function Days({ ready, workshop, sites, now, from, later, onMore, isReading }: DaysProps) {
  const [isNew, setNew] = useState(false);
  const [faults, setFaults] = useState<ApiProblem>();
  const fileInput = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const notify = useNotice();
  const zone = workshop.timeZone;
  const coming = ready.filter(({ row }) => Date.parse(row.data.strike.until) >= now);
  const past = ready.filter(({ row }) => Date.parse(row.data.strike.until) < now).reverse();
  const groups = [...Map.groupBy(coming, ({ row }) => dayKey(row.data.doors, zone))];
  // While more are to come nobody knows whether the last day has all its jobs.
  const days = later > 0 && groups.length > 1 ? groups.slice(0, -1) : groups;

  useKeys({ n: () => setNew(true) });
  const choose = useCallback(() => fileInput.current?.click(), []);
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [
        { id: 'new-job', group: 'Do', label: 'New job', keys: 'N', run: () => setNew(true) },
        { id: 'import', group: 'Do', label: 'Import a job file', run: choose },
      ],
      [choose],
    ),
  );

  const take = async (chosen: File) => {
    try {
      const document: unknown = JSON.parse(await chosen.text());
      const result = await call<ImportResult>('POST', '/job-files', document);
      await queryClient.invalidateQueries();
      notify({ text: ['Imported.', ...result.notes].join(' ') });
      await navigate(`/jobs/${result.jobId}/pieces`);
    } catch (error) {
      if (error instanceof ApiProblem) setFaults(error);
      else notify({ text: `${chosen.name} was not imported: ${(error as Error).message}` });
    }
  };

  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1.5, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flexGrow: 1 }}>
          Horizon
        </Typography>
        <Button variant="outlined" startIcon={<UploadIcon />} onClick={choose}>
          Import
        </Button>
        <Button variant="contained" startIcon={<AddIcon />} onClick={() => setNew(true)}>
          New job
        </Button>
        <input
          ref={fileInput}
          type="file"
          accept=".json,application/json"
          hidden
          aria-label="Job file to import"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            event.target.value = '';
            if (chosen) void take(chosen);
          }}
        />
      </Stack>
      {coming.length === 0 && later === 0 && (
        <EmptyState
          title="Nothing on the horizon"
          action={
            <Button variant="contained" startIcon={<AddIcon />} onClick={() => setNew(true)}>
              New job
            </Button>
          }
        >
          Start with the place and the hour the doors open. Everything else counts back from there.
        </EmptyState>
      )}
      {days.map(([day, ofDay]) => {
        const first = ofDay[0]?.row.data.doors ?? '';
        const sharing = coming.filter(({ row }) => isNearDay(row.data, day, zone));
        return (
          <Box component="section" key={day} aria-label={dayName(first, zone)} sx={{ mb: 3 }}>
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              {dayName(first, zone)}
              {ofDay.length > 1 && (
                <Box
                  component="span"
                  sx={{
                    fontFamily: 'body1.fontFamily',
                    fontWeight: 400,
                    fontSize: 15,
                    color: 'text.secondary',
                  }}
                >
                  {' '}
                  · {ofDay.length} installations
                </Box>
              )}
            </Typography>
            {sharing.length > 1 && <DayNote day={day} ready={sharing} />}
            <SkyBand
              day={first}
              zone={zone}
              now={now}
              doors={ofDay.map(({ row, file, isSettled }) => ({
                key: row.data.id,
                lantern: <DoorsLantern file={isSettled ? file : undefined} />,
                at: row.data.doors,
                label: `${shortened(row.data.name)}, ${clockTime(row.data.doors, zone)}`,
              }))}
            />
            <Stack spacing={1.25} sx={{ mt: 1 }}>
              {ofDay.map(({ row, file, isSettled }) => (
                <JobCard key={row.data.id} row={row} file={file} isSettled={isSettled} now={now} />
              ))}
            </Stack>
          </Box>
        );
      })}
      {later > 0 && <More key={ready.length} later={later} onMore={onMore} isReading={isReading} />}
      <Past recent={past} before={from} workshop={workshop} sites={sites} now={now} />
      {isNew && (
        <Suspense>
          <NewJobDialog
            workshop={workshop}
            sites={sites.map((row) => row.data)}
            onClose={() => setNew(false)}
          />
        </Suspense>
      )}
      {faults && <ImportFaults problem={faults.problem} onClose={() => setFaults(undefined)} />}
    </Box>
  );
}

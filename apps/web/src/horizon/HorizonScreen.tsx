import type { ImportResult, JobLamps, SiteRow, Workshop } from '@early-lantern/contract';
import { isHolding } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import SearchIcon from '@mui/icons-material/Search';
import UploadIcon from '@mui/icons-material/UploadFile';
import {
  Box,
  Button,
  LinearProgress,
  Stack,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { lazy, Suspense, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ApiProblem, call } from '../api/client.ts';
import {
  queryClient,
  throwUnread,
  useCrew,
  useJobPages,
  useLeftBetween,
  useSettings,
  useSites,
  useWorkshop,
} from '../api/queries.ts';
import { daysNear } from '../day/near-day.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { useNotice } from '../parts/notices.tsx';
import { useCommands } from '../parts/palette.tsx';
import type { PaletteCommand } from '../parts/palette-command.ts';
import { dayKey } from '../parts/time.ts';
import { useWaited } from '../parts/use-waited.ts';
import { useKeys } from '../parts/useKeys.ts';
import { useNow } from '../parts/useNow.ts';
import { useMay } from '../people/me.ts';
import { startWhenQuiet } from '../workers/planner.ts';
import { type ReadyJob, useReadyJobs, useSettled } from '../workers/ready-jobs.ts';
import { Bin } from './Bin.tsx';
import { Day } from './Day.tsx';
import { dayStart } from './day-start.ts';
import { doorsSpan } from './doors-span.ts';
import { useFilter } from './filter.ts';
import { ImportFaults } from './ImportFaults.tsx';
import { More } from './More.tsx';
import { Past } from './Past.tsx';
import { LAMPS_FIRST_MS, useTold } from './use-told.ts';

/** What few visits need is read when it is asked for: the page shows its days sooner. */
const NewJobDialog = lazy(() =>
  import('./NewJobDialog.tsx').then((module) => ({ default: module.NewJobDialog })),
);
const FirstStart = lazy(() =>
  import('../workshop/FirstStart.tsx').then((module) => ({ default: module.FirstStart })),
);
const FilterBar = lazy(() => import('./FilterBar.tsx').then((module) => ({ default: module.FilterBar })));
const JobList = lazy(() => import('./JobList.tsx').then((module) => ({ default: module.JobList })));
const Month = lazy(() => import('./Month.tsx').then((module) => ({ default: module.Month })));

/** The coming days: every installation with its six lamps and the time to its doors. */
export function HorizonScreen() {
  const settings = useSettings();
  const crew = useCrew();
  const workshop = useWorkshop();
  const sites = useSites();
  const now = useNow();
  const today = dayStart(now);
  const by = useFilter();
  const pages = useJobPages('standing', today, by.filter);
  throwUnread(settings, sites, pages);
  const rows = useMemo(() => pages.data?.pages.flatMap(({ items }) => items), [pages.data]);
  const [from, until] = doorsSpan(rows);
  const { told, isTold } = useTold(rows, now);
  // For whoever opens a lamp, or looks for who is at two places: after what everybody waits for.
  const left = useLeftBetween(from, until, useWaited(!isTold, LAMPS_FIRST_MS) || isTold);
  const ready = useSettled(useReadyJobs(rows, workshop, sites.data), left.data);
  if (settings.data?.data.isNew && crew.data)
    return (
      <Suspense>
        <FirstStart row={settings.data} crew={crew.data} />
      </Suspense>
    );
  if (!ready || !workshop || !sites.data) return <LinearProgress aria-label="Looking at the coming days" />;
  const total = pages.data?.pages[0]?.total ?? 0;
  return (
    <Days
      ready={ready}
      workshop={workshop}
      sites={sites.data}
      now={now}
      today={today}
      told={told}
      by={by}
      later={total - ready.length}
      onMore={() => void pages.fetchNextPage()}
      isReading={pages.isFetchingNextPage}
    />
  );
}

const isComing = ({ row }: ReadyJob, now: number): boolean => Date.parse(row.data.strike.until) >= now;

/** So many days nearly fill a screen. */
const IN_SIGHT = 2;

interface DaysProps {
  ready: ReadyJob[];
  workshop: Workshop;
  sites: SiteRow[];
  now: number;
  /** What the lamps say, by job id. */
  told: Readonly<Record<string, JobLamps>>;
  /** When today began. */
  today: string;
  /** Which jobs are shown. */
  by: ReturnType<typeof useFilter>;
  /** So many come after those that are read. */
  later: number;
  onMore: () => void;
  isReading: boolean;
}

function Days({ ready, workshop, sites, now, told, today, by, later, onMore, isReading }: DaysProps) {
  // What a job needs when it is opened is read once the first lamps are there: until then the cores work out those.
  const hasLamps = ready.length === 0 || Object.values(told).some(({ lamps }) => lamps !== null);
  useEffect(() => {
    if (hasLamps) startWhenQuiet();
  }, [hasLamps]);
  const [params, setParams] = useSearchParams();
  const [isFiltering, setFiltering] = useState(by.count > 0);
  const view = params.get('view');
  const isMonth = view === 'month';
  const isList = view === 'list';
  const isDays = !isMonth && !isList;
  const [isNew, setNew] = useState(false);
  const [faults, setFaults] = useState<ApiProblem>();
  const fileInput = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const notify = useNotice();
  const zone = workshop.timeZone;
  const coming = ready.filter((one) => isComing(one, now));
  const past = ready.filter((one) => !isComing(one, now)).reverse();
  const groups = [...Map.groupBy(coming, ({ row }) => dayKey(row.data.doors, zone))];
  // While more are to come nobody knows whether the last day has all its jobs.
  const days = later > 0 && groups.length > 1 ? groups.slice(0, -1) : groups;
  // Those in sight are drawn at once, the others when that has been done.
  const isDrawn = useDeferredValue(true, false);

  // What is not agreed to books nobody.
  const agreed = useMemo(
    () =>
      ready.flatMap((one) =>
        isHolding(one.row.data) ? [{ one, near: daysNear(one.row.data, workshop.timeZone) }] : [],
      ),
    [ready, workshop.timeZone],
  );

  const plans = useMay('plan');
  useKeys(plans ? { n: () => setNew(true) } : {});
  const choose = useCallback(() => fileInput.current?.click(), []);
  useCommands(
    useMemo<PaletteCommand[]>(
      () =>
        plans
          ? [
              { id: 'new-job', group: 'Do', label: 'New job', keys: 'N', run: () => setNew(true) },
              { id: 'import', group: 'Do', label: 'Import a job file', run: choose },
            ]
          : [],
      [choose, plans],
    ),
  );

  const take = async (chosen: File) => {
    try {
      const document: unknown = JSON.parse(await chosen.text());
      const result = await call<ImportResult>('POST', '/job-files', document);
      await queryClient.invalidateQueries();
      const said = result.wasHere
        ? 'It is here already, just as in the file: nothing was added.'
        : 'Imported.';
      notify({ text: [said, ...result.notes].join(' ') });
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
        <ToggleButtonGroup
          size="small"
          exclusive
          aria-label="How the days are shown"
          value={isMonth || isList ? view : 'days'}
          onChange={(_, next: string | null) => next && setParams(next === 'days' ? {} : { view: next })}
        >
          <ToggleButton value="days" sx={{ color: 'text.primary' }}>
            Days
          </ToggleButton>
          <ToggleButton value="month" sx={{ color: 'text.primary' }}>
            Month
          </ToggleButton>
          <ToggleButton value="list" sx={{ color: 'text.primary' }}>
            List
          </ToggleButton>
        </ToggleButtonGroup>
        {isDays && (
          <Button
            variant="outlined"
            startIcon={<SearchIcon />}
            aria-expanded={isFiltering}
            onClick={() => setFiltering(!isFiltering)}
          >
            {by.count > 0 ? `Filter · ${by.count}` : 'Filter'}
          </Button>
        )}
        {plans && (
          <>
            <Button variant="outlined" startIcon={<UploadIcon />} onClick={choose}>
              Import
            </Button>
            <Button variant="contained" startIcon={<AddIcon />} onClick={() => setNew(true)}>
              New job
            </Button>
          </>
        )}
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
      <Suspense fallback={<LinearProgress aria-label="Looking at the jobs" />}>
        {isMonth && <Month zone={zone} now={now} />}
        {!isMonth && (isFiltering || isList) && <FilterBar by={by} workshop={workshop} sites={sites} />}
        {isList && <JobList filter={by.filter} workshop={workshop} sites={sites} />}
      </Suspense>
      {isDays && by.count > 0 && coming.length === 0 && later === 0 && (
        <EmptyState title="No coming job matches" action={<Button onClick={by.clear}>Show all</Button>}>
          Past jobs that match are below, under Past.
        </EmptyState>
      )}
      {isDays && by.count === 0 && coming.length === 0 && later === 0 && (
        <EmptyState
          title="Nothing on the horizon"
          action={
            plans ? (
              <Button variant="contained" startIcon={<AddIcon />} onClick={() => setNew(true)}>
                New job
              </Button>
            ) : undefined
          }
        >
          Start with the place and the hour the doors open. Everything else counts back from there.
        </EmptyState>
      )}
      {(isDays ? days.slice(0, isDrawn ? days.length : IN_SIGHT) : []).map(([day, ofDay]) => (
        <Day
          key={day}
          day={day}
          ofDay={ofDay}
          // Of some jobs alone nobody can say that nobody is double-booked.
          sharing={
            by.count > 0
              ? []
              : agreed.flatMap(({ one, near }) =>
                  near.from <= day && day <= near.until && isComing(one, now) ? [one] : [],
                )
          }
          zone={zone}
          now={now}
          told={told}
        />
      ))}
      {isDays && isDrawn && later > 0 && (
        <More key={ready.length} later={later} onMore={onMore} isReading={isReading} />
      )}
      {isDays && isDrawn && (
        <Past
          recent={past}
          told={told}
          before={today}
          filter={by.filter}
          workshop={workshop}
          sites={sites}
          now={now}
        />
      )}
      {isDays && isDrawn && plans && <Bin zone={zone} />}
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

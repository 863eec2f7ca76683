import type { Fix, JobFile, Site, Workshop } from '@early-lantern/contract';
import { shownTasks } from '@early-lantern/core';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import { Box, IconButton, LinearProgress, Stack, Tooltip } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Outlet, useNavigate, useParams } from 'react-router';
import { keys, queryClient, useLeftByOthers, useSites, useWorkshop } from '../api/queries.ts';
import { LanternString } from '../parts/LanternString.tsx';
import { useNotice } from '../parts/notices.tsx';
import { type PaletteCommand, useCommands } from '../parts/palette.tsx';
import { dayName } from '../parts/time.ts';
import { useKeys } from '../parts/useKeys.ts';
import { WholePlan } from '../parts/workings.ts';
import { usePlanned, wholePlan } from '../workers/planner.ts';
import { ConflictDialog } from './ConflictDialog.tsx';
import { JobContext, type JobContextValue } from './context.ts';
import { jobOf, withFix } from './document.ts';
import { JobTabs, JobTitle } from './JobTitle.tsx';
import { JobStore } from './job-store.ts';
import { SaveNote } from './SaveNote.tsx';
import { SiteChanges } from './SiteChanges.tsx';
import { downloadSaved, jobFileAddress } from './saved-file.ts';
import { tabs } from './tabs.ts';
import { Verdict } from './Verdict.tsx';

/** Opens a job afresh each time it is visited. */
export function JobScreen() {
  const { jobId = '' } = useParams();
  const opened = useQuery({
    queryKey: keys.job(jobId),
    queryFn: () => JobStore.open(jobId),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    structuralSharing: false,
  });
  const workshop = useWorkshop();
  const sites = useSites().data;
  if (opened.error) throw opened.error;
  if (!opened.data || !workshop || !sites) return <LinearProgress aria-label="Opening the job" />;
  return <OpenJob key={jobId} store={opened.data} workshop={workshop} sites={sites.map((row) => row.data)} />;
}

interface OpenJobProps {
  store: JobStore;
  workshop: Workshop;
  sites: Site[];
}

function OpenJob({ store, workshop, sites }: OpenJobProps) {
  const { document, save, canUndo, canRedo } = useSyncExternalStore(store.subscribe, store.getSnapshot);
  const site = sites.find((one) => one.id === document.head.siteId);
  if (!site) throw new Error(`The site "${document.head.siteId}" of this job is not there.`);
  const left = useLeftByOthers(document.head.id).data;
  const shelf = useMemo<Workshop>(() => (left ? { ...workshop, ...left } : workshop), [workshop, left]);
  const file = useMemo<JobFile>(
    () => ({ format: 'early-lantern/job', version: 2, workshop: shelf, site, job: jobOf(document) }),
    [shelf, site, document],
  );
  const planned = usePlanned(file);
  const plan = planned?.plan;
  // Another plan has other workings.
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  const whole = useCallback(() => wholePlan(), [plan]);
  const tasks = plan?.tasks;
  useEffect(() => {
    if (tasks) store.noteShown(shownTasks(tasks));
  }, [store, tasks]);
  const navigate = useNavigate();
  const tell = useNotice();

  useHotkeys('mod+z', store.undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', store.redo, { preventDefault: true });
  const jobPath = `/jobs/${document.head.id}`;
  useKeys(Object.fromEntries(tabs.map((tab) => [tab.key, () => void navigate(`${jobPath}/${tab.path}`)])));
  useLeaving(store);

  // Read when a fix is applied, so that the function itself stays the same while the job changes.
  const latest = useRef(file);
  useEffect(() => {
    latest.current = file;
  }, [file]);
  const applyFix = useCallback(
    (fix: Fix) => {
      if (fix.opens) return void navigate(`/jobs/${latest.current.job.id}/counts?view=${fix.opens}`);
      store.change(() => withFix(latest.current, fix));
      tell({ text: `Applied: ${fix.label}`, undo: store.undo });
    },
    [store, tell, navigate],
  );
  const changePiece = useCallback<JobContextValue['changePiece']>(
    (id, edit, gesture) =>
      store.change(
        (before) => ({
          ...before,
          pieces: before.pieces.map((piece) => (piece.id === id ? edit(piece) : piece)),
        }),
        gesture,
      ),
    [store],
  );
  const value = useMemo<JobContextValue>(
    () => ({ store, document, file, planned, changePiece }),
    [store, document, file, planned, changePiece],
  );
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [
        ...tabs.map((tab) => ({
          id: `tab-${tab.path}`,
          group: 'Go to' as const,
          label: `${tab.label} of this job`,
          keys: tab.key.toUpperCase(),
          run: () => void navigate(`/jobs/${document.head.id}/${tab.path}`),
        })),
        { id: 'undo', group: 'Do', label: 'Undo', keys: 'Ctrl Z', run: store.undo },
        { id: 'redo', group: 'Do', label: 'Redo', keys: 'Ctrl Y', run: store.redo },
        {
          id: 'export',
          group: 'Do',
          label: 'Export this job as a file',
          run: () => void downloadSaved(store, jobFileAddress(document.head.id), tell),
        },
      ],
      [document.head.id, navigate, store, tell],
    ),
  );

  return (
    <WholePlan value={whole}>
      <JobContext value={value}>
        <Box
          className="no-print"
          data-testid="job-head"
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr) auto', lg: 'minmax(0, 1fr) minmax(520px, 1.1fr)' },
            gridTemplateAreas: {
              xs: '"title tools" "tabs tabs" "lamps lamps" "verdict verdict"',
              lg: '"title lamps" "tabs lamps" "verdict verdict"',
            },
            columnGap: { xs: 1, lg: 3 },
            rowGap: { xs: 0.25, sm: 0.75 },
            px: { xs: 1.5, sm: 3 },
            pb: { xs: 0.5, sm: 1 },
            alignItems: 'start',
          }}
        >
          <Box sx={{ gridArea: 'title', minWidth: 0 }}>
            <JobTitle
              name={document.head.name}
              day={dayName(document.head.doors, workshop.timeZone)}
              place={site.name}
            />
          </Box>
          <Box sx={{ gridArea: 'tabs', minWidth: 0 }}>
            <JobTabs />
          </Box>
          <Box sx={{ gridArea: 'lamps', minWidth: 0 }}>
            <LanternString plan={planned?.plan} file={file} onApply={applyFix} />
          </Box>
          {/* As high with a sentence as without: what is drawn below must not move while a line is dragged. */}
          <Box
            sx={{
              gridArea: 'verdict',
              minWidth: 0,
              minHeight: { xs: 40, sm: 46 },
              pr: { lg: '190px' },
              alignSelf: 'center',
            }}
          >
            {planned && <Verdict plan={planned.plan} file={file} onApply={applyFix} />}
          </Box>
          <Stack
            direction="row"
            sx={{
              gridArea: { xs: 'tools', lg: 'verdict' },
              justifySelf: 'end',
              alignSelf: 'center',
              alignItems: 'center',
              columnGap: { xs: 0.5, sm: 2 },
            }}
          >
            <SaveNote save={save} />
            <Stack direction="row">
              <Tooltip title="Undo (Ctrl Z)">
                <span>
                  <IconButton aria-label="Undo" size="small" disabled={!canUndo} onClick={store.undo}>
                    <UndoIcon />
                  </IconButton>
                </span>
              </Tooltip>
              <Tooltip title="Redo (Ctrl Y)">
                <span>
                  <IconButton aria-label="Redo" size="small" disabled={!canRedo} onClick={store.redo}>
                    <RedoIcon />
                  </IconButton>
                </span>
              </Tooltip>
            </Stack>
          </Stack>
        </Box>
        <SiteChanges />
        <Outlet />
        {save.kind === 'conflict' && (
          <ConflictDialog conflict={save.conflict} file={file} onChoose={store.resolve} />
        )}
      </JobContext>
    </WholePlan>
  );
}

/** Saves what waits when the job or the page is left, and lets the Horizon look again. */
function useLeaving(store: JobStore): void {
  useEffect(() => {
    const onHide = () => {
      if (window.document.visibilityState === 'hidden') void store.flush();
    };
    window.document.addEventListener('visibilitychange', onHide);
    return () => {
      window.document.removeEventListener('visibilitychange', onHide);
      void store.flush().finally(() => queryClient.invalidateQueries({ queryKey: keys.jobs }));
    };
  }, [store]);
}

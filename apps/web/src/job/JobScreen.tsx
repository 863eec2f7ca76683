import type { JobFile, Site, Workshop } from '@early-lantern/contract';
import { shownTasks } from '@early-lantern/core';
import { LinearProgress } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { Outlet, useParams } from 'react-router';
import { onChanged } from '../api/live.ts';
import { keys, useAvailability, useSites, useWorkshop } from '../api/queries.ts';
import { useNotice } from '../parts/notices.tsx';
import { stateWords } from '../parts/state-words.ts';
import { dayName } from '../parts/time.ts';
import { WholePlan } from '../parts/workings.ts';
import { useMay } from '../people/me.ts';
import { usePlanned, wholePlan } from '../workers/planner.ts';
import { ConflictDialog } from './ConflictDialog.tsx';
import { JobContext, type JobContextValue } from './context.ts';
import { jobOf } from './document.ts';
import { JobHead } from './JobHead.tsx';
import { JobStore } from './job-store.ts';
import { SiteChanges } from './SiteChanges.tsx';
import { useJobActions } from './use-job-actions.ts';
import { useJobKeys } from './use-job-keys.ts';
import { useLeaving } from './use-leaving.ts';

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
  const left = useAvailability(document.head.id).data;
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
  const { applyFix, changePiece } = useJobActions(store, file);
  const isLookOnly = !useMay('plan');
  const notify = useNotice();
  useEffect(() => {
    const tell = () => notify({ text: 'You can view this job, not change it. Nothing was changed.' });
    store.setLookOnly(isLookOnly ? tell : undefined);
  }, [store, isLookOnly, notify]);
  useJobKeys(store, document.head.id);
  useLeaving(store);
  useEffect(
    () =>
      onChanged(({ what, id }) => {
        const isMine = (what === 'job' || what === 'piece') && id === document.head.id;
        if (isMine || what === 'anything') void store.refresh();
      }),
    [store, document.head.id],
  );
  const value = useMemo<JobContextValue>(
    () => ({ store, document, file, planned, changePiece }),
    [store, document, file, planned, changePiece],
  );

  return (
    <WholePlan value={whole}>
      <JobContext value={value}>
        <JobHead
          name={document.head.name}
          day={dayName(document.head.doors, workshop.timeZone)}
          place={
            document.head.state && document.head.state !== 'firm'
              ? `${site.name} · ${stateWords[document.head.state]}`
              : site.name
          }
          lamps={plan?.lamps}
          onApply={applyFix}
          store={store}
          save={save}
          canUndo={canUndo}
          canRedo={canRedo}
          isLookOnly={isLookOnly}
        />
        <SiteChanges />
        <Outlet />
        {save.kind === 'conflict' && (
          <ConflictDialog conflict={save.conflict} file={file} onChoose={store.resolve} />
        )}
      </JobContext>
    </WholePlan>
  );
}

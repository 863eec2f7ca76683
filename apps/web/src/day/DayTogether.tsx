import type { JobFile } from '@early-lantern/contract';
import { type DayPlan, dayMoves, placesGone } from '@early-lantern/core';
import { Paper, Stack } from '@mui/material';
import { useDeferredValue } from 'react';
import { LaneLegend } from '../parts/LaneLegend.tsx';
import { useNotice } from '../parts/notices.tsx';
import { loadedRounds } from '../workers/day.ts';
import { AgreedNote } from './AgreedNote.tsx';
import { ClashList } from './ClashList.tsx';
import { DayJobs } from './DayJobs.tsx';
import { DayLanes, letterOf } from './DayLanes.tsx';
import { DayRounds } from './DayRounds.tsx';
import { agreedAtOf } from './day-search.ts';
import { SearchBar } from './SearchBar.tsx';
import { agree, applyWay, keepRound, letGoOfDay, setDrivenAlone } from './save-day.ts';
import { useDaySearch } from './use-day-search.ts';
import { useReloaded } from './use-reloaded.ts';
import { WaysOut } from './WaysOut.tsx';

/** The day's jobs as one: what clashes, the best plan found, ways out, and what was agreed. */
export function DayTogether({ files }: { files: readonly JobFile[] }) {
  const search = useDaySearch(files);
  const { clashes, plan, of, culprits, ways, rehearsed } = search;
  const notify = useNotice();
  const agreedAt = agreedAtOf(files);
  const reloaded = useReloaded(files);
  const save = async (what: Promise<() => Promise<void>>, text: string) => {
    try {
      const undo = await what;
      notify({ text, undo: () => void undo() });
    } catch (error) {
      notify({ text: (error as Error).message });
    }
  };
  // The lanes are drawn when there is nothing more urgent: what is typed and pressed goes first.
  const drawn = useDeferredValue(plan);
  const isKept = plan?.jobs.every(({ broken }) => broken.length === 0);
  const moves =
    agreedAt && plan && of === undefined ? dayMoves(files, plan).filter(({ words }) => words) : [];
  const keep = async (chosen: DayPlan) =>
    agree(chosen.jobs, await loadedRounds(files, chosen), new Date().toISOString());
  const use = () => plan && void save(keep(plan), 'Every job now uses this plan.');
  return (
    <Stack spacing={2}>
      {agreedAt ? (
        <AgreedNote
          agreedAt={agreedAt}
          zone={files[0]?.workshop.timeZone ?? 'UTC'}
          moves={moves}
          isKept={isKept}
          gone={placesGone(files)}
          reloaded={reloaded}
          onLetGo={() => void save(letGoOfDay(files), 'The jobs are planned by themselves again.')}
        />
      ) : (
        clashes && <ClashList clashes={clashes} files={files} />
      )}
      <Paper
        variant="outlined"
        component="section"
        aria-label="The day together"
        sx={{ p: { xs: 1.5, sm: 2 } }}
      >
        <SearchBar
          title={agreedAt ? 'The plan agreed on' : 'Planned together'}
          tried={search.tried ?? 0}
          of={of}
          hasPlan={plan !== undefined}
          onStop={search.stop}
          onLonger={agreedAt ? undefined : search.lookLonger}
          use={
            !agreedAt || moves.length > 0 || reloaded.length > 0
              ? {
                  label: !agreedAt
                    ? 'Use this plan'
                    : moves.length > 0
                      ? 'Use the repaired plan'
                      : 'Use it with the new load',
                  isOffered: isKept ?? false,
                  onUse: use,
                }
              : undefined
          }
        />
        {plan && (
          <DayJobs
            plan={plan}
            files={files}
            outcomes={rehearsed?.plan === plan ? rehearsed.outcomes : undefined}
          />
        )}
        {plan && (
          <DayRounds
            plan={plan}
            files={files}
            onKeep={(trip, before, round) =>
              void save(
                keepRound(files, trip, before, round),
                round ? 'The round is kept; the day is planned with it.' : 'The search decides again.',
              )
            }
            onDriveAlone={(trip, jobs, isAlone) =>
              void save(
                setDrivenAlone(
                  files.filter(({ job }) => jobs.includes(job.id)),
                  trip,
                  isAlone,
                ),
                isAlone ? 'Each job has its own drive now.' : 'They may share one round again.',
              )
            }
          />
        )}
      </Paper>
      {plan && culprits && culprits.length > 0 && (
        <WaysOut
          culprits={culprits}
          files={files}
          ways={ways}
          now={plan}
          onApply={(way) => void save(applyWay(files, way), `Applied: ${way.label}`)}
        />
      )}
      {drawn?.jobs.some(({ tasks }) => tasks.length > 0) && (
        <Paper variant="outlined" sx={{ p: { xs: 1, sm: 2 }, overflowX: 'auto' }}>
          <DayLanes plan={drawn} files={files} />
          <LaneLegend>
            {drawn.jobs.map(({ jobId, name }, i) => (
              <span key={jobId}>
                <strong>{letterOf(i)}</strong> {name}
              </span>
            ))}
          </LaneLegend>
        </Paper>
      )}
    </Stack>
  );
}

import type { CrewRow, JobFile, OnTime, Round, Task } from '@early-lantern/contract';
import { agreedTasks, type WayOut } from '@early-lantern/core';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { type JobDocument, sameData, withFix } from '../job/document.ts';
import { JobStore } from '../job/job-store.ts';
import type { SaveState } from '../job/save-state.ts';

/**
 * Changes several jobs, one after the other; each is saved with its revision.
 * @returns takes all of it back
 * @throws Error naming the job that could not be saved; those before it are taken back
 */
async function changeJobs(
  edits: readonly { jobId: string; name: string; edit: (document: JobDocument) => JobDocument }[],
): Promise<() => Promise<void>> {
  const done: JobStore[] = [];
  const undo = async () => {
    for (const store of done) {
      store.undo();
      await store.flush();
    }
    await queryClient.invalidateQueries({ queryKey: keys.jobs });
  };
  for (const { jobId, name, edit } of edits) {
    // What is decided for a day is decided of the jobs as they were: with another's change it is decided anew.
    const store = await JobStore.open(jobId, { isStrict: true });
    try {
      store.change(edit);
    } catch (error) {
      await undo();
      throw error;
    }
    await store.flush();
    const { save } = store.getSnapshot();
    if (save.kind !== 'saved') {
      await store.giveUp();
      await undo();
      throw new Error(whyNot(name, save));
    }
    done.push(store);
  }
  await queryClient.invalidateQueries({ queryKey: keys.jobs });
  return undo;
}

function whyNot(name: string, { kind }: Pick<SaveState, 'kind'>): string {
  if (kind === 'conflict')
    return `${name} was changed elsewhere meanwhile. Nothing was changed here; plan the day anew.`;
  if (kind === 'offline' || kind === 'broken')
    return `${name} could not be saved: the server does not answer. Look at the job before you try again.`;
  return `${name} could not be saved. Nothing was changed.`;
}

/** Whether a job is still what a file says, whatever the order of its keys. */
function isAsRead({ job: { pieces, ...head } }: JobFile, now: JobDocument): boolean {
  return sameData({ head, pieces }, now);
}

/** Applies a way out to the jobs it changes; what was agreed before no longer holds. */
export async function applyWay(
  files: readonly JobFile[],
  { changes, hire }: Pick<WayOut, 'changes' | 'hire'>,
): Promise<() => Promise<void>> {
  const hired = hire && (await call<CrewRow>('POST', '/crew', hire));
  const sendAway = async () => {
    if (hired) await call('DELETE', `/crew/${hired.data.id}?revision=${hired.revision}`);
    await queryClient.invalidateQueries({ queryKey: keys.crew });
  };
  try {
    const undo = await changeJobs(
      files.flatMap((file) => {
        const own = changes.find(({ jobId }) => jobId === file.job.id);
        return own
          ? [
              {
                jobId: file.job.id,
                name: file.job.name,
                edit: (now) => {
                  // It was tried on the job as it was read: what somebody has saved since is not overwritten.
                  if (!isAsRead(file, now)) throw new Error(whyNot(file.job.name, { kind: 'conflict' }));
                  return withoutAgreed(withFix(file, { label: '', gain: '', changes: own.changes }));
                },
              },
            ]
          : [];
      }),
    );
    await queryClient.invalidateQueries({ queryKey: keys.crew });
    return async () => {
      await undo();
      await sendAway();
    };
  } catch (error) {
    await sendAway();
    throw error;
  }
}

/** Keeps the day's plan with each of its jobs, and the rounds it is driven in. */
export const agree = (
  jobs: readonly {
    jobId: string;
    name: string;
    tasks: readonly Task[];
    onTime: Pick<OnTime, 'minutesInHand'>;
  }[],
  rounds: readonly Round[],
  at: string,
): Promise<() => Promise<void>> =>
  changeJobs(
    jobs.map(({ jobId, name, tasks, onTime: { minutesInHand } }) => ({
      jobId,
      name,
      edit: ({ head: { clock: { rounds: _, ...clock } = {}, ...head }, pieces }) => ({
        head: {
          ...head,
          clock: {
            ...clock,
            ...withRoundsOf(jobId, rounds),
            agreed: {
              at,
              tasks: agreedTasks(tasks),
              ...(minutesInHand === null ? {} : { inHandMin: minutesInHand }),
            },
          },
        },
        pieces,
      }),
    })),
  );

function withRoundsOf(jobId: string, rounds: readonly Round[]): { rounds?: Round[] } {
  const own = rounds.filter(({ stops }) => stops.some(({ job }) => job === jobId));
  return own.length > 0 ? { rounds: own } : {};
}

/** Trips of some jobs that are driven for each job alone, or may be joined again; the day is planned anew. */
export const setDrivenAlone = (
  files: readonly JobFile[],
  trip: Round['trip'],
  isAlone: boolean,
): Promise<() => Promise<void>> =>
  changeJobs(
    files.map(({ job }) => ({
      jobId: job.id,
      name: job.name,
      edit: (now) => {
        const { head, pieces } = withoutAgreed(now);
        const { drivesAlone = [], ...clock } = head.clock ?? {};
        const others = drivesAlone.filter((one) => one !== trip);
        const alone = isAlone ? [...others, trip] : others;
        const chosen = alone.length > 0 ? { ...clock, drivesAlone: alone } : clock;
        const { clock: __, ...rest } = head;
        return { head: Object.keys(chosen).length > 0 ? { ...rest, clock: chosen } : rest, pieces };
      },
    })),
  );

/**
 * Keeps a round as it was put in order by hand with each of its jobs, instead of those they had on that trip; or lets the
 * search decide again. The day is planned anew.
 * @param before the jobs of the round as it was, if there was one
 */
export const keepRound = (
  files: readonly JobFile[],
  trip: Round['trip'],
  before: readonly string[],
  round: Round | undefined,
): Promise<() => Promise<void>> => {
  const now = round?.stops.map(({ job }) => job) ?? [];
  return changeJobs(
    files
      .filter(({ job }) => before.includes(job.id) || now.includes(job.id) || job.clock?.agreed)
      .map(({ job }) => ({
        jobId: job.id,
        name: job.name,
        edit: (document) => {
          const { head, pieces } = withoutAgreed(document);
          const { clock: { rounds = [], drivesAlone = [], ...clock } = {}, ...rest } = head;
          const isTouched = before.includes(job.id) || now.includes(job.id);
          const others = rounds.filter((one) => one.trip !== trip || !isTouched);
          const kept = round && now.includes(job.id) ? [...others, round] : others;
          const alone = now.includes(job.id) ? drivesAlone.filter((one) => one !== trip) : drivesAlone;
          const chosen = {
            ...clock,
            ...(kept.length > 0 ? { rounds: kept } : {}),
            ...(alone.length > 0 ? { drivesAlone: alone } : {}),
          };
          return { head: Object.keys(chosen).length > 0 ? { ...rest, clock: chosen } : rest, pieces };
        },
      })),
  );
};

/** A round as it was put in order by hand, without the hours and things that were agreed on with a day. */
function withoutHours({ leave: _, home: __, vehicles: ___, stops, ...round }: Round): Round {
  return { ...round, stops: stops.map(({ arrive: _, leave: __, goods: ___, ...stop }) => stop) };
}

/** Lets the day's plan go: every job is planned by itself again. */
export const letGoOfDay = (files: readonly JobFile[]): Promise<() => Promise<void>> =>
  changeJobs(files.map(({ job }) => ({ jobId: job.id, name: job.name, edit: withoutAgreed })));

function withoutAgreed({ head, pieces }: JobDocument): JobDocument {
  const { clock: { agreed: _, rounds = [], ...others } = {}, ...rest } = head;
  const kept = rounds.filter(({ isKept }) => isKept).map(withoutHours);
  const choices = kept.length > 0 ? { ...others, rounds: kept } : others;
  return { head: Object.keys(choices).length > 0 ? { ...rest, clock: choices } : rest, pieces };
}

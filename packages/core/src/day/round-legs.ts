import type { JobFile, Round, Task } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { roundsOf } from './rounds.ts';

/** Of a day's plan, what its rounds are read from. */
interface RoundsOfDay {
  rounds: readonly Round[];
  jobs: readonly { jobId: string; tasks: readonly Task[] }[];
}

/** A round as it is driven: where it is when, with which vehicles and people. */
export interface DrivenRound {
  trip: Round['trip'];
  leave: string;
  /** The places in their order, with the hours of arriving and of driving on. */
  places: { job: string; place: string; arrive: string; leave: string }[];
  home: string;
  /** Ids. */
  vehicles: string[];
  people: string[];
}

const DRIVES = {
  'set-up': { out: 'drive-out', home: 'drive-home' },
  strike: { out: 'drive-strike', home: 'drive-back' },
};

/** The rounds of a day's plan; those without a plan are left out. */
export function drivenRounds({ rounds, jobs }: RoundsOfDay): DrivenRound[] {
  return rounds.flatMap(({ trip, stops }): DrivenRound[] => {
    const task = (job: string, id: string): Task | undefined =>
      jobs.find(({ jobId }) => jobId === job)?.tasks.find((one) => one.id === id);
    const drives = stops.map(({ job }) => task(job, DRIVES[trip].out));
    const home = task(stops.at(-1)?.job ?? '', DRIVES[trip].home);
    const [first] = drives;
    if (!first || !home || drives.some((drive) => !drive)) return [];
    return [
      {
        trip,
        leave: first.start,
        places: stops.map(({ job, place }, i) => ({
          job,
          place,
          arrive: drives[i]?.end ?? '',
          leave: drives[i + 1]?.start ?? home.start,
        })),
        home: home.end,
        vehicles: first.gear.filter((id) => !isWagon(id)),
        people: first.crew,
      },
    ];
  });
}

/** Places that rounds of some jobs go by for jobs that are not among them any more: deleted, or moved to another day. */
export const placesGone = (files: readonly JobFile[]): string[] => {
  const there = new Set(files.map(({ job }) => job.id));
  return [
    ...new Set(
      roundsOf(files).flatMap(({ stops }) =>
        stops.flatMap(({ job, place }) => (there.has(job) ? [] : [place])),
      ),
    ),
  ];
};

/** Jobs whose drives are kept apart by choice, by trip. */
export const drivenAlone = (files: readonly JobFile[], trip: Round['trip']): JobFile[] =>
  files.filter(({ job }) => job.clock?.drivesAlone?.includes(trip));

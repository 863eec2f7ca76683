import type { JobFile, Round, Task } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { dropped, legsOf } from '../clock/legs.ts';
import { roundsOf } from './rounds.ts';

/** Of a day's plan, what its rounds are read from. */
interface RoundsOfDay {
  rounds: readonly Round[];
  jobs: readonly { jobId: string; tasks: readonly Task[] }[];
}

/** A place of a round as it is driven to. */
export interface DrivenPlace {
  job: string;
  place: string;
  arrive: string;
  leave: string;
  does?: 'drop' | 'fetch';
  /** Who stays there, or is fetched, by id. */
  who: string[];
  /** Before it the vehicle is at the workshop from then till then. */
  home?: { arrive: string; leave: string };
}

/** A round as it is driven: where it is when, with which vehicles and people. */
export interface DrivenRound {
  trip: Round['trip'];
  isKept: boolean;
  leave: string;
  /** The places in their order, with the hours of arriving and of driving on. */
  places: DrivenPlace[];
  home: string;
  /** Ids. */
  vehicles: string[];
  people: string[];
}

/** The rounds of a day's plan; those without a plan are left out. */
export function drivenRounds({ rounds, jobs }: RoundsOfDay): DrivenRound[] {
  return rounds.flatMap((round): DrivenRound[] => {
    const { trip, stops, people, isKept = false } = round;
    const legs = legsOf(round);
    const tasks = legs.map((leg) =>
      jobs.find(({ jobId }) => jobId === leg.job)?.tasks.find(({ id }) => id === leg.task),
    );
    const to = (at: number) => legs.findIndex((leg) => leg.stop === at && !leg.isHome);
    const [first] = tasks;
    const end = tasks[to(stops.length - 1) + 1];
    if (!first || !end || tasks.some((task) => !task)) return [];
    return [
      {
        trip,
        isKept,
        leave: first.start,
        places: stops.map(({ job, place, does, byHome }, at): DrivenPlace => {
          const drive = tasks[to(at)];
          const before = byHome && tasks[to(at) - 1];
          return {
            job,
            place,
            arrive: drive?.end ?? '',
            leave: tasks[to(at) + 1]?.start ?? '',
            ...(does ? { does } : {}),
            who: whoStays(round, at),
            ...(before && drive ? { home: { arrive: before.end, leave: drive.start } } : {}),
          };
        }),
        home: end.end,
        vehicles: first.gear.filter((id) => !isWagon(id)),
        people,
      },
    ];
  });
}

/** Who is dropped off at a place of a round, or fetched there. */
export function whoStays(round: Round, at: number): string[] {
  const stop = round.stops[at];
  const drop =
    stop?.does === 'fetch'
      ? round.stops.findIndex(({ job, does }) => job === stop.job && does === 'drop')
      : at;
  return dropped(round, drop);
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

import type { AgreedTask } from '@early-lantern/contract';
import type { Hold } from '../schedule/problem.ts';
import { type DayJob, inDay } from './day-job.ts';
import { isWagon } from './gear-names.ts';
import { outingsOf, type TripJobs } from './trips.ts';
import type { Trip, Work } from './work.ts';

/** Where it is decided how many wagons go along. */
const TAKEN: Record<Trip, { at: string }> = {
  'set-up': { at: 'load-vehicle' },
  strike: { at: 'drive-strike' },
};

/** The task at which it was decided how many wagons this one has; undefined where none go along, or for that task. */
export function wagonsTakenAt({ id, trip, withWagons }: Work): string | undefined {
  const { at } = TAKEN[trip ?? 'set-up'];
  return withWagons && id !== at ? at : undefined;
}

/** The job that decides how many wagons go along: of those that take any, whose things are loaded first. */
function wagonLeader({ trip, jobs }: TripJobs): DayJob | undefined {
  const takes = jobs.filter(({ work }) =>
    work.some(({ id, withWagons }) => id === TAKEN[trip].at && withWagons),
  );
  return trip === 'set-up' ? takes.at(-1) : takes[0];
}

/** Tasks that say which wagons are along. */
const WITH_WAGONS: Record<Trip, readonly string[]> = {
  'set-up': [
    'load-vehicle',
    'drive-out',
    'unload-first',
    'unload',
    'second-unload',
    'load-out',
    'drive-home',
  ],
  strike: ['drive-strike', 'carry-out', 'drive-back', 'return-gear'],
};

/**
 * Wagons go with the run and come home with it: where two jobs are out at the same hour, each has those it took; those of
 * a round have the same. How many that are is decided when it sets out.
 */
export function wagonHolds(one: TripJobs): { hold: Hold; tasks: string[] }[] {
  const { trip, jobs } = one;
  const { at } = TAKEN[trip];
  const leader = wagonLeader(one);
  const ways = leader?.work.find(({ id }) => id === at)?.withWagons;
  const until = outingsOf(one)
    .filter(({ only }) => !only)
    .at(-1)?.until;
  if (!leader || !ways || !until) return [];
  return [
    {
      hold: {
        id: inDay(jobs[0].file.job.id, `${trip}-wagons`),
        from: inDay(leader.file.job.id, at),
        until,
        workers: [],
        gear: {},
        gearByWay: ways.map(({ wagons }) => ({ wagon: wagons })),
        inside: [],
      },
      tasks: jobs.flatMap(({ file }) => WITH_WAGONS[trip].map((task) => inDay(file.job.id, task))),
    },
  ];
}

/** Of jobs of a round, the task at which each would decide about its wagons, with that at which it is decided for all. */
export const wagonLeaders = (trips: readonly TripJobs[]): Map<string, string> =>
  new Map(
    trips.flatMap((one) => {
      const { at } = TAKEN[one.trip];
      const leader = wagonLeader(one);
      return one.jobs.flatMap(({ file, work }) =>
        leader && work.some(({ id, withWagons }) => id === at && withWagons)
          ? [[inDay(file.job.id, at), inDay(leader.file.job.id, at)] as const]
          : [],
      );
    }),
  );

/** The jobs with only such numbers of wagons as all of a round can take along. */
export function withSharedWagons(jobs: readonly DayJob[], trips: readonly TripJobs[]): DayJob[] {
  return trips
    .filter((one) => one.jobs.length > 1)
    .reduce<DayJob[]>(
      (all, { trip, jobs: together }) => {
        const ids = together.map(({ file }) => file.job.id);
        const isOurs = ({ trip: its, withWagons }: Work) => (its ?? 'set-up') === trip && withWagons;
        const ways = all
          .filter(({ file }) => ids.includes(file.job.id))
          .flatMap(({ work }) => work.filter(isOurs).map(({ withWagons = [] }) => withWagons));
        const numbers = (ways[0] ?? [])
          .map(({ wagons }) => wagons)
          .filter((number) => ways.every((own) => own.some(({ wagons }) => wagons === number)));
        const trimmed = (work: Work): Work => {
          const own = isOurs(work) ? work.withWagons : undefined;
          if (!own) return work;
          const left = own.filter(({ wagons }) => numbers.includes(wagons));
          return { ...work, withWagons: left.length > 0 ? left : own.slice(-1) };
        };
        return all.map((job) =>
          ids.includes(job.file.job.id) ? { ...job, work: job.work.map(trimmed) } : job,
        );
      },
      [...jobs],
    );
}

/** The work with as many wagons as were agreed for the day. */
export function withAgreedWagons(work: readonly Work[], agreed: readonly AgreedTask[]): Work[] {
  return work.map((one) => {
    const at = wagonsTakenAt(one) ?? one.id;
    const gear = agreed.find(({ task }) => task === at)?.gear;
    const taken = gear?.filter(isWagon).length;
    const way = one.withWagons?.find(({ wagons }) => wagons === taken);
    return way ? { ...one, withWagons: [way] } : one;
  });
}

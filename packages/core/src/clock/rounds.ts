import type { CrewMember, JobFile, Round } from '@early-lantern/contract';
import { groupBy } from '../quantity/group.ts';
import type { Lag } from '../schedule/problem.ts';
import { type DayJob, inDay } from './day-job.ts';
import { strikeCrewOf } from './strike-crew.ts';
import type { Trip } from './work.ts';

/** A job's part of a round: at which of its places it is. */
export interface PartOfRound {
  round: Round;
  at: number;
}

/** The round that a job is part of on a trip; undefined where it is driven to alone. */
export function partOfRound({ job }: Pick<JobFile, 'job'>, trip: Trip): PartOfRound | undefined {
  const round = job.clock?.rounds?.find((one) => one.trip === trip && isAtItsTime(one, job));
  const at = round?.stops.findIndex((stop) => stop.job === job.id) ?? -1;
  return round && at >= 0 ? { round, at } : undefined;
}

/** A job that was moved to another day since is no longer on the round that was agreed for the day before. */
function isAtItsTime({ trip, leave, home }: Round, { access, doors, strike }: JobFile['job']): boolean {
  if (leave === undefined || home === undefined) return true;
  const [from, until] = trip === 'set-up' ? [access.from, doors] : [strike.from, strike.until];
  return Date.parse(leave) < Date.parse(until) && Date.parse(from) < Date.parse(home);
}

/** Whether the next drive from the place of a job goes to the workshop, not on to another. */
export function endsThere(file: Pick<JobFile, 'job'>, trip: Trip): boolean {
  const part = partOfRound(file, trip);
  return !part || part.at === part.round.stops.length - 1;
}

/** Everybody in the vehicles of a trip: who works there, and whoever rides along to another place of the round. */
export function ridersOf(file: JobFile, trip: Trip): CrewMember[] {
  const along = partOfRound(file, trip)?.round.people ?? [];
  const own =
    trip === 'strike' ? strikeCrewOf(file).map(({ id }) => id) : (file.job.crew as readonly string[]);
  return file.workshop.crew.filter(({ id }) => own.includes(id) || along.includes(id));
}

/** What begins a trip at each job's place, and the last things done there and on the way home. */
const ENDS: Record<Trip, { drive: string; last: string; home: string }> = {
  'set-up': { drive: 'drive-out', last: 'load-out', home: 'drive-home' },
  strike: { drive: 'drive-strike', last: 'carry-out', home: 'drive-back' },
};

/** Of a round, one job's things are loaded so soon after the other's: none stands in the vehicle overnight. From memory. */
const LOADED_WITHIN_MIN = 180;
/** Nobody waits longer than this at one place of a round to drive on to the next, minutes. From memory. */
const WAITS_MIN = 60;

/** Jobs that are driven to on one trip, in its order: one alone, or those of a round. */
export interface TripJobs {
  trip: Trip;
  jobs: readonly [DayJob, ...DayJob[]];
}

/** The trips of a day: those jobs of a round that are there go together. */
export function tripsOf(jobs: readonly DayJob[]): TripJobs[] {
  return (Object.keys(ENDS) as Trip[]).flatMap((trip) => {
    const going = jobs.filter(({ work }) => work.some(({ id }) => id === ENDS[trip].drive));
    const keyOf = ({ file }: DayJob) => {
      const part = partOfRound(file, trip);
      return part ? part.round.stops.map(({ job }) => job).join(' ') : file.job.id;
    };
    return [...groupBy(going, keyOf).values()].map((together): TripJobs => {
      const inTurn = [...together].sort(
        (a, b) => (partOfRound(a.file, trip)?.at ?? 0) - (partOfRound(b.file, trip)?.at ?? 0),
      );
      return { trip, jobs: inTurn as [DayJob, ...DayJob[]] };
    });
  });
}

const firstOf = ({ jobs }: TripJobs): DayJob => jobs[0];
const lastOf = ({ jobs }: TripJobs): DayJob => jobs[jobs.length - 1] as DayJob;

/** The task that ends a trip: the drive home, or what comes last at the place where that is driven by another job. */
const endOf = (trip: Trip, { work }: DayJob): string =>
  work.some(({ id }) => id === ENDS[trip].home) ? ENDS[trip].home : ENDS[trip].last;

/** From which task to which people are away on a trip, and from which to which its vehicles are. */
export function spansOf(one: TripJobs): Record<'people' | 'vehicles', { from: string; until: string }> {
  const { trip } = one;
  const id = (job: DayJob, task: string) => inDay(job.file.job.id, task);
  const end = id(lastOf(one), endOf(trip, lastOf(one)));
  const out = id(firstOf(one), ENDS[trip].drive);
  return {
    people: { from: out, until: end },
    vehicles:
      trip === 'set-up'
        ? { from: id(lastOf(one), 'load-vehicle'), until: end }
        : { from: out, until: id(firstOf(one), 'return-gear') },
  };
}

/** The holds of a trip are named after the first of its jobs; by the name that each job alone would give them. */
export function sharedHolds(trips: readonly TripJobs[], names: readonly string[]): Map<string, string> {
  return new Map(
    trips.flatMap((one) =>
      one.jobs.flatMap(({ file }) =>
        names
          .filter((name) => name.startsWith(one.trip))
          .map((name) => [inDay(file.job.id, name), inDay(firstOf(one).file.job.id, name)] as const),
      ),
    ),
  );
}

/**
 * What the tasks of a round wait for across its jobs, by task: the drive on for the end of the work before; what is taken
 * off last is loaded first, and home everything is unloaded in the reverse of how it was put in.
 */
export function roundWaits(trips: readonly TripJobs[]): Map<string, Lag[]> {
  const waits = new Map<string, Lag[]>();
  const wait = (job: DayJob, task: string, other: DayJob, before: string, max?: number) => {
    const id = inDay(job.file.job.id, task);
    const lag = { id: inDay(other.file.job.id, before), ...(max === undefined ? {} : { max }) };
    waits.set(id, [...(waits.get(id) ?? []), lag]);
  };
  for (const one of trips) {
    const { trip, jobs } = one;
    const { drive, last, home } = ENDS[trip];
    for (const [i, job] of jobs.entries()) {
      const next = jobs[i + 1];
      if (!next) continue;
      wait(next, drive, job, last, WAITS_MIN);
      if (trip === 'set-up') wait(job, 'load-vehicle', next, 'load-vehicle', LOADED_WITHIN_MIN);
      else wait(job, 'return-gear', next, 'return-gear');
    }
    const end = lastOf(one);
    if (trip === 'strike' && end.work.some(({ id }) => id === home))
      for (const job of jobs) if (job !== end) wait(job, 'return-gear', end, home);
  }
  return waits;
}

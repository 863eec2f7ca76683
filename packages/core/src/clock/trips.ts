import type { JobFile, Round } from '@early-lantern/contract';
import { groupBy } from '../quantity/group.ts';
import type { Lag } from '../schedule/problem.ts';
import { type DayJob, inDay } from './day-job.ts';
import { driveMinutes } from './drive-minutes.ts';
import { DRIVES, type Leg, legsOf } from './legs.ts';
import { crewOn, partOfRound } from './rounds.ts';
import type { Trip } from './work.ts';

/** Of a round, one job's things are loaded so soon after the other's: none stands in the vehicle overnight. From memory. */
const LOADED_WITHIN_MIN = 180;
/** Whoever comes to fetch a crew is there so long before its work is done at the earliest, minutes. From memory. */
const FETCHED_EARLY_MIN = 15;
/** Nobody waits longer than this at one place of a round to drive on to the next, minutes. From memory. */
export const WAITS_MIN = 60;

/** A job with its tasks, of which only the names are asked. */
interface WithTasks {
  file: JobFile;
  work: readonly { id: string }[];
}

/** Jobs that are driven to on one trip, in its order: one alone, or those of a round. */
export interface TripJobs<J extends WithTasks = DayJob> {
  trip: Trip;
  jobs: readonly [J, ...J[]];
  round: Round;
  /** The drives of the round whose jobs are here, in turn. */
  legs: readonly Leg[];
}

/** The drive to one job and home, as a round of one place. */
function aloneRound({ file }: WithTasks, trip: Trip): Round {
  const [out, home] = trip === 'set-up' ? (['out', 'home'] as const) : (['strike', 'back'] as const);
  return {
    trip,
    stops: [{ job: file.job.id, place: file.site.name, driveMin: driveMinutes(file, out) }],
    homeMin: driveMinutes(file, home),
    people: crewOn(file, trip).map(({ id }) => id),
  };
}

/** The trips of a day: those jobs of a round that are there go together. */
export function tripsOf<J extends WithTasks>(jobs: readonly J[]): TripJobs<J>[] {
  return (['set-up', 'strike'] as const).flatMap((trip) => {
    const going = jobs.filter(({ work }) => work.some(({ id }) => id === DRIVES[trip].out));
    const roundFor = (job: J) => partOfRound(job.file, trip)?.round ?? aloneRound(job, trip);
    const keyOf = (job: J) =>
      roundFor(job)
        .stops.map((stop) => stop.job)
        .join(' ');
    return [...groupBy(going, keyOf).values()].map((together): TripJobs<J> => {
      const round = roundFor(together[0] as J);
      const place = (job: J) => round.stops.findIndex((stop) => stop.job === job.file.job.id);
      const inTurn = [...together].sort((a, b) => place(a) - place(b));
      const isHere = ({ job, task }: Leg) =>
        together.some(({ file, work }) => file.job.id === job && work.some(({ id }) => id === task));
      return {
        trip,
        round,
        jobs: inTurn as [J, ...J[]],
        legs: legsOf(round).filter(isHere),
      };
    });
  });
}

const taskOf = ({ job, task }: Leg): string => inDay(job, task);

/** Of some tasks the first that a job has. */
const firstHad = ({ work }: WithTasks, tasks: readonly string[]): string =>
  tasks.find((task) => work.some(({ id }) => id === task)) ?? '';

/** What is done at a place before the vehicle drives on: all the work, or where people are dropped off, only unloading. */
export function doneAt(
  { trip, round, jobs }: TripJobs<WithTasks>,
  stop: number,
  isStaying = false,
): string | undefined {
  const { job: id, does } = round.stops[stop] ?? {};
  const job = jobs.find(({ file }) => file.job.id === id);
  if (!job) return undefined;
  const { dropped, last } = DRIVES[trip];
  return inDay(job.file.job.id, does === 'drop' && !isStaying ? firstHad(job, dropped) : last);
}

/** A stretch for which somebody or something is away, from the start of a task to the end of another. */
interface Away {
  from: string;
  until: string;
}

/** Whoever is away on a trip, by stretch: those who drive home in between are away twice. */
export function peopleAway(one: TripJobs<WithTasks>): (Away & { workers: string[] })[] {
  const all = legsOf(one.round);
  const isHere = (leg: Leg) => one.legs.some((own) => taskOf(own) === taskOf(leg));
  const found = one.round.people.flatMap((person) => {
    const ridden = all.filter(({ riders }) => riders.includes(person)).sort(inTurn(all));
    let from: string | undefined;
    return ridden.flatMap((leg, i): (Away & { person: string })[] => {
      if (!isHere(leg)) return [];
      from ??= taskOf(leg);
      const next = ridden[i + 1];
      if (!leg.isHome && next && isHere(next)) return [];
      const drivesOn = next !== undefined && all.indexOf(next) === all.indexOf(leg) + 1;
      const until = leg.isHome ? taskOf(leg) : doneAt(one, leg.stop, !drivesOn);
      const away = until ? [{ person, from, until }] : [];
      from = undefined;
      return away;
    });
  });
  return [...groupBy(found, ({ from, until }) => `${from} ${until}`).values()].map((group) => ({
    from: group[0]?.from ?? '',
    until: group[0]?.until ?? '',
    workers: group.map(({ person }) => person),
  }));
}

/** Those who stay at a place with a vehicle drive home from there before they are anywhere else. */
const inTurn = (all: readonly Leg[]) => (a: Leg, b: Leg) =>
  a.stop - b.stop || Number(a.isHome) - Number(b.isHome) || all.indexOf(a) - all.indexOf(b);

/** Jobs whose things come aboard at the workshop for an outing, in the order of their places. */
const loadedFor = <J extends WithTasks>({ jobs }: TripJobs<J>, legs: readonly Leg[], out: string): J[] =>
  legs.flatMap(({ task, job }) => (task === out ? jobs.filter(({ file }) => file.job.id === job) : []));

/** One time that vehicles are away: from the first load to the drive home, or till they are unloaded. */
export interface Outing extends Away {
  legs: readonly Leg[];
  /** Jobs whose things are put in for it, and those that are unloaded after it, in the order of their places. */
  loads: readonly WithTasks[];
  unloads: readonly WithTasks[];
  /** Vehicles that ride on it, by id, where only some of them do. */
  only?: readonly string[];
  /** Vehicles that stay at a place. */
  without: readonly string[];
}

/** The outings of a trip. */
export function outingsOf(one: TripJobs<WithTasks>): Outing[] {
  const { trip, round } = one;
  const { out } = DRIVES[trip];
  const kept = round.stops.flatMap(({ keeps = [] }) => keeps);
  return [...groupBy(one.legs, ({ outing }) => outing).values()].flatMap((legs): Outing[] => {
    const [first, last] = [legs[0], legs.at(-1)];
    if (!first || !last) return [];
    const isApart = round.stops[first.stop]?.keeps !== undefined && first.isHome;
    const loads = trip === 'set-up' ? loadedFor(one, legs, out) : [];
    // At a place where people stay nothing comes aboard; those who are fetched, or were waited for, bring theirs.
    const brings = legs.filter(({ isHome, stop }) =>
      isApart ? true : !isHome && round.stops[stop]?.does !== 'drop',
    );
    const unloads =
      trip === 'strike'
        ? brings.flatMap(({ job }) => one.jobs.filter(({ file }) => file.job.id === job))
        : [];
    const until = last.isHome ? taskOf(last) : doneAt(one, last.stop);
    if (!until) return [];
    const inner = loads.at(-1);
    const outer = unloads[0];
    return [
      {
        legs,
        loads,
        unloads,
        // The vehicle that stays was loaded and driven out with the others.
        from: isApart
          ? startOf(one, first)
          : inner
            ? inDay(inner.file.job.id, 'load-vehicle')
            : taskOf(first),
        until: outer ? inDay(outer.file.job.id, 'return-gear') : until,
        ...(isApart ? { only: round.stops[first.stop]?.keeps ?? [] } : {}),
        without: isApart ? [] : kept,
      },
    ];
  });
}

/** When a vehicle that stays at a place was taken: as its things were loaded, or on the way out. */
const startOf = ({ trip }: TripJobs<WithTasks>, { job }: Leg): string =>
  inDay(job, trip === 'set-up' ? 'load-vehicle' : DRIVES[trip].out);

/**
 * What the tasks of a round wait for across its jobs, by task: the drive on for the end of the work before; what is taken
 * off last is loaded first, and home everything is unloaded in the reverse of how it was put in.
 */
export function roundWaits(trips: readonly TripJobs[]): Map<string, Lag[]> {
  const waits = new Map<string, Lag[]>();
  const wait = (task: string, before: string | undefined, lag: Omit<Lag, 'id'> = {}) => {
    if (!before || before === task) return;
    const had = waits.get(task) ?? [];
    if (!had.some(({ id }) => id === before)) waits.set(task, [...had, { id: before, ...lag }]);
  };
  const load = ({ file }: WithTasks) => inDay(file.job.id, 'load-vehicle');
  const counted = ({ file }: WithTasks) => inDay(file.job.id, 'return-gear');
  for (const one of trips) {
    const outings = outingsOf(one).filter(({ only }) => !only);
    for (const [o, { legs, loads, unloads, until }] of outings.entries()) {
      const [first, last] = [legs[0] as Leg, legs.at(-1) as Leg];
      const before = outings[o - 1];
      if (before) {
        const home = taskOf(before.legs.at(-1) as Leg);
        wait(taskOf(first), home);
        for (const job of loads) wait(load(job), home);
      }
      for (const [i, leg] of legs.entries()) {
        if (leg.task === DRIVES[one.trip].fetch)
          wait(taskOf(leg), inDay(leg.job, DRIVES[one.trip].done), { min: -leg.minutes - FETCHED_EARLY_MIN });
        const from = legs[i - 1];
        // The next drive of the same job waits by itself.
        if (from && from.job !== leg.job && from.stop === leg.stop - 1)
          wait(taskOf(leg), doneAt(one, from.stop), { max: WAITS_MIN });
      }
      for (const [i, job] of loads.entries()) {
        const next = loads[i + 1];
        if (next) wait(load(job), load(next), { max: LOADED_WITHIN_MIN });
      }
      if (loads[0] && loads[0].file.job.id !== first.job) wait(taskOf(first), load(loads[0]));
      for (const [i, job] of unloads.entries()) {
        const next = unloads[i + 1];
        if (next) wait(counted(job), counted(next));
        if (last.isHome && job.file.job.id !== last.job && until !== taskOf(last))
          wait(counted(job), taskOf(last));
      }
    }
  }
  return waits;
}

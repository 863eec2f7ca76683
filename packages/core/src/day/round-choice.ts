import type { JobFile, Round, RoundStop } from '@early-lantern/contract';
import type { WorkedJob } from '../clock/day-job.ts';
import { dropped, legsOf, mostOnBoard, placesLoaded } from '../clock/legs.ts';
import { carsOn, crewOn } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';
import { sumOf } from '../quantity/group.ts';
import { driveBetween } from '../travel/between.ts';
import { withoutRound } from './rounds.ts';

/** People left at a place to work there while the others drive on. */
export interface DropOff {
  job: string;
  stays: readonly string[];
  /** They are fetched after this job's place; left out, the driver goes home first and comes again. */
  fetchedAfter?: string;
}

/** A round as it is chosen: which jobs in which order, and who is dropped off. */
export interface Choice {
  trip: Trip;
  jobs: readonly string[];
  dropOffs?: readonly DropOff[];
  isKept?: boolean | undefined;
  /** Whoever drives besides the people of its jobs. */
  driver?: string | undefined;
}

/** The round that drives to some jobs in their order. */
export function roundTo(
  files: readonly JobFile[],
  trip: Trip,
  { dropOffs = [], isKept, driver }: Omit<Choice, 'trip' | 'jobs'> = {},
): Round {
  const alone = files.map((file) => withoutRound(file, trip));
  const own = alone.flatMap((file) => crewOn(file, trip).map(({ id }) => id));
  const people = [...new Set(driver === undefined ? own : [...own, driver])];
  const cars = new Map(alone.flatMap((file) => carsOn(file, trip).map((car) => [car.id, car] as const)));
  const visits = visitsOf(files, dropOffs);
  let aboard = people;
  const stops = visits.map(({ file, dropOff, isFetched }, i): RoundStop => {
    const before = visits[i - 1]?.file;
    const isByHome = isFetched && dropOff?.fetchedAfter === undefined;
    const [away] = isByHome ? driversOf(file, aboard) : [];
    const byHome = away && before ? { driveMin: before.site.driveMin, riders: aboard } : undefined;
    const riders = byHome && away ? [away] : aboard;
    if (dropOff && isFetched) aboard = [...riders, ...dropOff.stays];
    else if (dropOff) aboard = aboard.filter((id) => !dropOff.stays.includes(id));
    return {
      job: file.job.id,
      place: file.site.name,
      driveMin: before && !byHome ? driveBetween(before, file).minutes : file.site.driveMin,
      ...(dropOff ? { does: isFetched ? ('fetch' as const) : ('drop' as const) } : {}),
      ...(riders.length < people.length ? { riders } : {}),
      ...(byHome ? { byHome } : {}),
    };
  });
  return {
    trip,
    stops,
    homeMin: visits.at(-1)?.file.site.driveMin ?? 0,
    people,
    ...(aboard.length < people.length ? { homeRiders: aboard } : {}),
    ...(cars.size > 0 ? { cars: [...cars.values()] } : {}),
    ...(isKept ? { isKept } : {}),
  };
}

/** A place that a round comes to, for the first time or to fetch somebody. */
interface Visit {
  file: JobFile;
  dropOff?: DropOff;
  isFetched: boolean;
}

function visitsOf(files: readonly JobFile[], dropOffs: readonly DropOff[]): Visit[] {
  const of = ({ job }: JobFile) => dropOffs.find((one) => one.job === job.id);
  const fetched = (after: string | undefined): Visit[] =>
    dropOffs.flatMap((dropOff) => {
      const file = files.find(({ job }) => job.id === dropOff.job);
      return file && dropOff.fetchedAfter === after ? [{ file, dropOff, isFetched: true }] : [];
    });
  return [
    ...files.flatMap((file): Visit[] => {
      const dropOff = of(file);
      return [{ file, ...(dropOff ? { dropOff } : {}), isFetched: false }, ...fetched(file.job.id)];
    }),
    ...fetched(undefined),
  ];
}

export const driversOf = ({ workshop }: JobFile, among: readonly string[]): string[] =>
  workshop.crew.flatMap(({ id, skills }) => (among.includes(id) && skills.includes('driver') ? [id] : []));

export function isSeated(round: Round, files: readonly JobFile[]): boolean {
  const cars = [...(files[0]?.workshop.vehicles ?? []), ...(round.cars ?? [])];
  return mostOnBoard(legsOf(round)) <= sumOf(cars.map(({ seats }) => seats));
}

/** Whether a round can be driven as it is: somebody drives every leg, everybody has a seat, somebody works at every place. */
export function isDrivable(round: Round, files: readonly JobFile[]): boolean {
  const [first] = files;
  if (!first || !isSeated(round, files)) return false;
  const legs = legsOf(round);
  const at = (job: string) => files.find((file) => file.job.id === job);
  return (
    legs.every(({ riders }) => driversOf(first, riders).length > 0) &&
    round.stops.every(({ job, does, riders = round.people }, i) => {
      const file = at(job);
      if (!file || does === 'fetch') return true;
      const there = does === 'drop' ? dropped(round, i) : riders;
      return crewOn(file, round.trip).some(({ id }) => there.includes(id));
    })
  );
}

/** A round from before as a choice, with those people who are still on its jobs. */
export function choiceOf(round: Round, files: readonly JobFile[]): Choice {
  const { trip, stops, isKept, people } = round;
  const jobs = placesLoaded(round).map(({ job }) => job);
  const crews = new Map(files.map((file) => [file.job.id, crewOn(file, trip).map(({ id }) => id)]));
  const dropOffs = stops.flatMap((stop, at): DropOff[] => {
    if (stop.does !== 'drop') return [];
    const stays = dropped(round, at).filter((id) => crews.get(stop.job)?.includes(id));
    const back = stops.findIndex(({ job, does }) => job === stop.job && does === 'fetch');
    const fetched = stops[back];
    const after = stops
      .slice(0, Math.max(0, back))
      .filter(({ does }) => does !== 'fetch')
      .at(-1);
    return [{ job: stop.job, stays, ...(fetched?.byHome || !after ? {} : { fetchedAfter: after.job }) }];
  });
  const all = new Set([...crews].flatMap(([job, crew]) => (jobs.includes(job) ? crew : [])));
  const choice: Choice = { trip, jobs, dropOffs, isKept, driver: people.find((id) => !all.has(id)) };
  const drive = jobs.flatMap((job) => files.find((file) => file.job.id === job) ?? []);
  const isSound = dropOffs.every(({ stays }) => stays.length > 0);
  if (isSound && isDrivable(roundTo(drive, trip, choice), drive)) return choice;
  return { trip, jobs, isKept };
}

/** The jobs with some of them joined to one round; one alone is driven to as it is, unless people are dropped off. */
export function joined(worked: readonly WorkedJob[], choice: Choice): WorkedJob[] {
  const { trip, jobs, dropOffs = [] } = choice;
  const inTurn = jobs.map((id) => worked.find(({ file }) => file.job.id === id)?.file as JobFile);
  const round = jobs.length > 1 || dropOffs.length > 0 ? [roundTo(inTurn, trip, choice)] : [];
  return worked.map((one) => {
    if (!jobs.includes(one.file.job.id)) return one;
    const { job, ...rest } = withoutRound(one.file, trip);
    const rounds = [...(job.clock?.rounds ?? []), ...round];
    return rounds.length > 0
      ? { ...one, file: { ...rest, job: { ...job, clock: { ...job.clock, rounds } } } }
      : { ...one, file: { ...rest, job } };
  });
}

/**
 * The round that somebody has put in order by hand, kept when the day is planned anew; undefined where nobody could drive
 * it, there are too few seats, or nobody would work at a place.
 */
export function roundByHand(files: readonly JobFile[], choice: Choice): Round | undefined {
  const inTurn = choice.jobs.flatMap((id) => files.find(({ job }) => job.id === id) ?? []);
  const round = roundTo(inTurn, choice.trip, { ...choice, isKept: true });
  return isDrivable(round, inTurn) ? round : undefined;
}

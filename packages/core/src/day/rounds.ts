import type { JobFile, Round } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import type { WorkedJob } from '../clock/day-job.ts';
import { partOfRound, ridersOf } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';
import { sumOf } from '../quantity/group.ts';
import { driveBetween } from '../travel/between.ts';

/** Two drives made one: the jobs in the order in which they would be driven to. */
export interface Join {
  trip: Trip;
  jobs: string[];
  /** Minutes on the road that it saves one vehicle. */
  savedMin: number;
}

/** As many places as a round has at most. */
const MOST_STOPS = 6;

/** The drives of a trip as they are: rounds in their order, all others alone. */
function drivesOf(files: readonly JobFile[], trip: Trip): JobFile[][] {
  const rounds = roundsOf(files).filter((round) => round.trip === trip);
  const inRound = new Set(rounds.flatMap(({ stops }) => stops.map(({ job }) => job)));
  const byId = new Map(files.map((file) => [file.job.id, file]));
  return [
    ...rounds.map(({ stops }) => stops.flatMap(({ job }) => byId.get(job) ?? [])),
    ...files.filter(({ job }) => !inRound.has(job.id)).map((file) => [file]),
  ];
}

/** The rounds of some jobs, each once. */
export function roundsOf(files: readonly Pick<JobFile, 'job'>[]): Round[] {
  const all = files.flatMap((file) =>
    (['set-up', 'strike'] as const).flatMap((trip) => partOfRound(file, trip)?.round ?? []),
  );
  const keyOf = ({ trip, stops }: Round) => `${trip} ${stops.map(({ job }) => job).join(' ')}`;
  return [...new Map(all.map((round) => [keyOf(round), round])).values()];
}

/** Whether a job's drive may be joined with others. */
function mayJoin({ job, site }: JobFile, trip: Trip): boolean {
  if (site.isWorkshop || job.pieces.length === 0 || job.clock?.drivesAlone?.includes(trip)) return false;
  // Whoever comes in a car of their own, or back for a second load, has a way of their own.
  if (job.cars?.length) return false;
  return trip === 'set-up' ? !job.secondLoad?.length : !job.isKept;
}

/** The day of a trip by the clock of the place. */
const dayOf = ({ job, workshop }: JobFile, trip: Trip): string =>
  DateTime.fromISO(trip === 'set-up' ? job.doors : job.strike.from, {
    zone: workshop.timeZone,
  }).toISODate() ?? '';

/**
 * Drives of one day that could be made one, those first that save most minutes on the road: home from the one and out to
 * the other, less the way between. After the savings method of Clarke and Wright (1964), from memory.
 */
export function joinsOf(files: readonly JobFile[]): Join[] {
  return (['set-up', 'strike'] as const)
    .flatMap((trip) => {
      const drives = drivesOf(files, trip).filter((drive) => drive.every((file) => mayJoin(file, trip)));
      return drives.flatMap((first) =>
        drives.flatMap((second): Join[] => {
          const [last, next] = [first.at(-1), second[0]];
          if (first === second || !last || !next || first.length + second.length > MOST_STOPS) return [];
          if (dayOf(last, trip) !== dayOf(next, trip)) return [];
          if (!haveSeats([...first, ...second], trip)) return [];
          const savedMin = last.site.driveMin + next.site.driveMin - driveBetween(last, next).minutes;
          return [{ trip, jobs: [...first, ...second].map(({ job }) => job.id), savedMin }];
        }),
      );
    })
    .filter(({ savedMin }) => savedMin > 0)
    .sort((a, b) => b.savedMin - a.savedMin);
}

/** Whether all who would ride have a seat in the workshop's vehicles. */
function haveSeats(files: readonly JobFile[], trip: Trip): boolean {
  const people = new Set(files.flatMap((file) => ridersOf(file, trip).map(({ id }) => id)));
  return people.size <= sumOf((files[0]?.workshop.vehicles ?? []).map(({ seats }) => seats));
}

/** The round that drives to some jobs in their order. */
function roundOf(files: readonly JobFile[], trip: Trip): Round {
  const people = new Set(
    // Whoever rode along in a round before rides in the new one only where one of its jobs asks for them.
    files.flatMap((file) => ridersOf(withoutRound(file, trip), trip).map(({ id }) => id)),
  );
  return {
    trip,
    stops: files.map((file, i) => {
      const before = files[i - 1];
      return {
        job: file.job.id,
        place: file.site.name,
        driveMin: before ? driveBetween(before, file).minutes : file.site.driveMin,
      };
    }),
    homeMin: files.at(-1)?.site.driveMin ?? 0,
    people: [...people],
  };
}

/** A job that is driven to alone on a trip. */
function withoutRound(file: JobFile, trip: Trip): JobFile {
  const { rounds = [], ...clock } = file.job.clock ?? {};
  const left = rounds.filter((one) => one.trip !== trip);
  return { ...file, job: { ...file.job, clock: left.length > 0 ? { ...clock, rounds: left } : clock } };
}

/** The jobs with some of them joined to one round. */
export function joined(
  worked: readonly WorkedJob[],
  { trip, jobs }: Pick<Join, 'trip' | 'jobs'>,
): WorkedJob[] {
  const inTurn = jobs.map((id) => worked.find(({ file }) => file.job.id === id)?.file as JobFile);
  const round = roundOf(inTurn, trip);
  return worked.map((one) => {
    if (!jobs.includes(one.file.job.id)) return one;
    const { job, ...rest } = withoutRound(one.file, trip);
    const clock = { ...job.clock, rounds: [...(job.clock?.rounds ?? []), round] };
    return { ...one, file: { ...rest, job: { ...job, clock } } };
  });
}

/** The jobs with a round of theirs driven one by one again. */
export const parted = (worked: readonly WorkedJob[], { trip, stops }: Round): WorkedJob[] =>
  worked.map((one) =>
    stops.some(({ job }) => job === one.file.job.id) ? { ...one, file: withoutRound(one.file, trip) } : one,
  );

import type { JobFile } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { agreedRound, crewOn } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';
import { driveBetween } from '../travel/between.ts';
import { type Choice, driversOf, isDrivable, isSeated, roundTo } from './round-choice.ts';
import { drivesOf } from './rounds.ts';

/** Two drives made one: the jobs in the order in which they would be driven to. */
export interface Join {
  trip: Trip;
  jobs: string[];
  /** Minutes on the road that it saves one vehicle. */
  savedMin: number;
}

const TRIPS = ['set-up', 'strike'] as const;

/** As many places as a round has at most. */
const MOST_STOPS = 6;

/** Whether a job's drive may be changed: joined with others, or its crew dropped off. */
function mayChange(file: JobFile, trip: Trip): boolean {
  const { job, site } = file;
  if (site.isWorkshop || job.pieces.length === 0 || job.clock?.drivesAlone?.includes(trip)) return false;
  // What was chosen by hand stays.
  if (job.dropOffs?.some((one) => one.trip === trip) || agreedRound(file, trip)?.isKept) return false;
  // A vehicle that comes back for a second load has no room for another job's.
  return trip === 'set-up' ? !job.secondLoad?.length : !job.isKept;
}

/** The day of a trip by the clock of the place. */
const dayOf = ({ job, workshop }: JobFile, trip: Trip): string =>
  DateTime.fromISO(trip === 'set-up' ? job.doors : job.strike.from, {
    zone: workshop.timeZone,
  }).toISODate() ?? '';

/** The drives of a trip that may be changed. */
const changeable = (files: readonly JobFile[], trip: Trip): JobFile[][] =>
  drivesOf(files, trip).filter((drive) => drive.every((file) => mayChange(file, trip)));

/**
 * Drives of one day that could be made one, those first that save most minutes on the road: home from the one and out to
 * the other, less the way between. After the savings method of Clarke and Wright (1964), from memory.
 */
export function joinsOf(files: readonly JobFile[]): Join[] {
  return (['set-up', 'strike'] as const)
    .flatMap((trip) => {
      const drives = changeable(files, trip);
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

/** Whether all who would ride have a seat in the workshop's vehicles and in the cars that come along. */
const haveSeats = (files: readonly JobFile[], trip: Trip): boolean => isSeated(roundTo(files, trip), files);

/** Ways to drop people off on the drives of a day: each a choice of its round. */
export function dropOffsOf(files: readonly JobFile[]): Choice[] {
  const everybody = [...new Set(files.flatMap(({ job }) => job.crew))];
  return TRIPS.flatMap((trip) =>
    changeable(files, trip).flatMap((drive) =>
      drive.length === 1 ? droppedAlone(drive[0] as JobFile, trip, everybody) : droppedOn(drive, trip),
    ),
  );
}

/** Two drives made one so that one crew is dropped off on the way to the other's place, whether or not it saves any driving. */
export const pairedDropOffs = (files: readonly JobFile[]): Choice[] =>
  TRIPS.flatMap((trip) => {
    const alone = changeable(files, trip).flatMap((drive) => (drive.length === 1 ? drive : []));
    return alone.flatMap((first) =>
      alone
        .filter((second) => second !== first && dayOf(second, trip) === dayOf(first, trip))
        .flatMap((second) => droppedOn([first, second], trip)),
    );
  });

/** On a drive to several places some are left at one of them, and fetched after the next or after the last. */
function droppedOn(drive: readonly JobFile[], trip: Trip): Choice[] {
  const jobs = drive.map(({ job }) => job.id);
  const crews = drive.map((file) => crewOn(file, trip).map(({ id }) => id));
  return drive
    .slice(0, -1)
    .flatMap((file, i): Choice[] =>
      staying(file, crews[i] as string[], crews.slice(i + 1).flat()).flatMap((stays) =>
        [...new Set([jobs.at(-1) as string, jobs[i + 1] as string])].map((fetchedAfter) => ({
          trip,
          jobs,
          dropOffs: [{ job: file.job.id, stays, fetchedAfter }],
        })),
      ),
    )
    .filter((choice) => isDrivable(roundTo(drive, trip, choice), drive));
}

/** Who could stay at a place: all, those not needed later, all but one who drives. */
function staying(file: JobFile, crew: readonly string[], later: readonly string[]): string[][] {
  const some = [
    [...crew],
    crew.filter((id) => !later.includes(id)),
    ...driversOf(file, crew).map((driver) => crew.filter((id) => id !== driver)),
  ].filter(({ length }) => length > 0);
  return [...new Map(some.map((one) => [one.join(' '), one])).values()];
}

/** A job driven to alone whose crew somebody brings and fetches: one of its own, or somebody else of the day. */
function droppedAlone(file: JobFile, trip: Trip, everybody: readonly string[]): Choice[] {
  const crew = crewOn(file, trip).map(({ id }) => id);
  const { id } = file.job;
  return driversOf(file, everybody)
    .map((driver): Choice => {
      const stays = crew.filter((one) => one !== driver);
      return { trip, jobs: [id], driver, dropOffs: [{ job: id, stays }] };
    })
    .filter((choice) => isDrivable(roundTo([file], trip, choice), [file]));
}

/** Who could be left at each place of a round but the last, for a choice by hand. */
export function stayingAt(files: readonly JobFile[], trip: Trip): string[][][] {
  const crews = files.map((file) => crewOn(file, trip).map(({ id }) => id));
  return files.map((file, i) =>
    i === files.length - 1 ? [] : staying(file, crews[i] ?? [], crews.slice(i + 1).flat()),
  );
}

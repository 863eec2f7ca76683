import type { CrewMember, JobFile, Round } from '@early-lantern/contract';
import { driveMinutes } from './drive-minutes.ts';
import { DRIVES, dropped, type Leg, legsOf, mostOnBoard } from './legs.ts';
import { strikeCrewOf } from './strike-crew.ts';
import type { Trip } from './work.ts';

/** A job's part of a round: at which of its places it is. */
export interface PartOfRound {
  round: Round;
  at: number;
}

/** The round that a job shares on a trip, or in which its crew is dropped off; undefined where it is driven to alone. */
export function partOfRound(file: JobFile, trip: Trip): PartOfRound | undefined {
  const round = agreedRound(file, trip) ?? dropOffRound(file, trip);
  const at = round?.stops.findIndex((stop) => stop.job === file.job.id) ?? -1;
  return round && at >= 0 ? { round, at } : undefined;
}

/** The round that was agreed on with the day of a job; what was chosen for the job by hand is none. */
export function agreedRound({ job }: Pick<JobFile, 'job'>, trip: Trip): Round | undefined {
  const round = job.clock?.rounds?.find((one) => one.trip === trip && isAtItsTime(one, job));
  return round?.stops.some((stop) => stop.job === job.id) ? round : undefined;
}

/** A job that was moved to another day since is no longer on the round that was agreed for the day before. */
function isAtItsTime({ trip, leave, home }: Round, { access, doors, strike }: JobFile['job']): boolean {
  if (leave === undefined || home === undefined) return true;
  const [from, until] = trip === 'set-up' ? [access.from, doors] : [strike.from, strike.until];
  return Date.parse(leave) < Date.parse(until) && Date.parse(from) < Date.parse(home);
}

const WAYS = { 'set-up': ['out', 'home'], strike: ['strike', 'back'] } as const;

/** A job's people on a trip: who puts it up, or who takes it down. */
export const crewOn = (file: JobFile, trip: Trip): CrewMember[] =>
  trip === 'strike' ? strikeCrewOf(file) : file.workshop.crew.filter(({ id }) => file.job.crew.includes(id));

/**
 * A job alone whose crew is dropped off by choice: out, the driver home alone, out again to fetch them; or home for good
 * where vehicles stay. Undefined where nobody of the crew would be left there.
 */
function dropOffRound(file: JobFile, trip: Trip): Round | undefined {
  const { job, site, workshop } = file;
  const chosen = job.dropOffs?.find((one) => one.trip === trip);
  if (!chosen) return undefined;
  const crew = crewOn(file, trip).map(({ id }) => id);
  if (site.isWorkshop || !workshop.crew.some(({ id }) => id === chosen.driver)) return undefined;
  if (!crew.some((id) => id !== chosen.driver)) return undefined;
  const [out, home] = WAYS[trip].map((way) => driveMinutes(file, way)) as [number, number];
  const driver = [chosen.driver];
  const keeps = keptVehicles(file, trip);
  const place = { job: job.id, place: site.name, driveMin: out };
  return {
    trip,
    stops: [
      { ...place, does: 'drop', ...(keeps.length > 0 ? { keeps } : {}) },
      ...(keeps.length > 0
        ? []
        : [{ ...place, does: 'fetch' as const, riders: driver, byHome: { driveMin: home, riders: driver } }]),
    ],
    homeMin: home,
    people: [...new Set([...crew, ...driver])],
    ...(keeps.length > 0 ? { homeRiders: driver } : {}),
  };
}

/** Of the vehicles chosen for a job those that stay with its crew when the driver leaves; one at least drives off. */
function keptVehicles({ job }: JobFile, trip: Trip): string[] {
  const keeps = job.dropOffs?.find((one) => one.trip === trip)?.keeps ?? [];
  const stay = (job.vehicles ?? []).filter((id) => keeps.includes(id));
  return stay.length < (job.vehicles ?? []).length ? stay : [];
}

/** The drives of a job's round that are tasks of this job, by task; undefined where it is driven to alone. */
function ownLegs(file: JobFile, trip: Trip): Map<string, Leg> | undefined {
  const part = partOfRound(file, trip);
  return (
    part &&
    new Map(legsOf(part.round).flatMap((leg) => (leg.job === file.job.id ? [[leg.task, leg] as const] : [])))
  );
}

/** A drive of a job's round; undefined where it is driven to alone, or does not drive that. */
export const legOf = (file: JobFile, trip: Trip, task: string): Leg | undefined =>
  ownLegs(file, trip)?.get(task);

/** Whether the crew drives to the workshop from the place of a job, not on to another. */
export const endsThere = (file: JobFile, trip: Trip): boolean =>
  ownLegs(file, trip)?.has(DRIVES[trip].home) ?? true;

/** Everybody who rides on a trip: who works there, and whoever rides along to other places of the round. */
export function ridersOf(file: JobFile, trip: Trip): CrewMember[] {
  const along = partOfRound(file, trip)?.round.people ?? [];
  const own = crewOn(file, trip).map(({ id }) => id);
  return file.workshop.crew.filter(({ id }) => own.includes(id) || along.includes(id));
}

/** As many as ride at once on a trip. */
export function mostRiders(file: JobFile, trip: Trip): number {
  const part = partOfRound(file, trip);
  return part ? mostOnBoard(legsOf(part.round)) : crewOn(file, trip).length;
}

/** Who rides on one drive of a trip. */
export function ridersOn(file: JobFile, trip: Trip, task: string): CrewMember[] {
  const leg = legOf(file, trip, task);
  return leg ? file.workshop.crew.filter(({ id }) => leg.riders.includes(id)) : ridersOf(file, trip);
}

/** Of a job's people those who are there: to unload, at work, to load out. The same where nobody is dropped off. */
export function peopleThere(
  file: JobFile,
  trip: Trip,
): Record<'arriving' | 'working' | 'leaving', CrewMember[]> {
  const crew = crewOn(file, trip);
  const part = partOfRound(file, trip);
  if (!part) return { arriving: crew, working: crew, leaving: crew };
  const { round, at } = part;
  const of = (ids: readonly string[] | undefined) => crew.filter(({ id }) => ids?.includes(id));
  const [names, legs] = [DRIVES[trip], ownLegs(file, trip)];
  const arriving = of(legs?.get(names.out)?.riders);
  if (round.stops[at]?.does !== 'drop') return { arriving, working: arriving, leaving: arriving };
  const stays = dropped(round, at);
  return {
    arriving,
    working: of(stays),
    leaving: of([...stays, ...(legs?.get(names.fetch)?.riders ?? [])]),
  };
}

/** Cars that drive along on a trip, besides the workshop's vehicles: of a round those of all its jobs. */
export const carsOn = (file: JobFile, trip: Trip): NonNullable<JobFile['job']['cars']> =>
  partOfRound(file, trip)?.round.cars ?? file.job.cars ?? [];

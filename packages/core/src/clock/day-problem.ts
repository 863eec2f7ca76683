import type { JobFile } from '@early-lantern/contract';
import { materialRows } from '../materials/materials.ts';
import type { Activity, Hold, Interval, Lag, Mode, Problem, Worker } from '../schedule/problem.ts';
import { earliestOnSite, loadedBy } from './arrival.ts';
import { type MinuteAxis, minuteAxis } from './calendar.ts';
import { type DayJob, inDay, type WorkedJob } from './day-job.ts';
import { hiredLadder, wagonIds } from './gear-names.ts';
import { heaviestFirst } from './heaviest.ts';
import { hires, laddersOf } from './job-ladders.ts';
import { setUpWork } from './method.ts';
import { withOwnMethods, withoutSteps } from './own-methods.ts';
import { withOwnOrders } from './own-orders.ts';
import { withPieceSteps } from './piece-steps.ts';
import { placeGear, placesOf } from './places.ts';
import { peopleThere, ridersOf } from './rounds.ts';
import { splitWork } from './split.ts';
import { strikeWork } from './strike-work.ts';
import { teamFor } from './team.ts';
import { tripHolds, vehicleHolds } from './trip-holds.ts';
import { roundWaits, tripsOf } from './trips.ts';
import { chosenVehicles, ownVehicle } from './vehicle-kinds.ts';
import { wagonHolds, wagonLeaders, wagonsTakenAt, withAgreedWagons, withSharedWagons } from './wagons.ts';
import type { Work } from './work.ts';

/** One or several jobs as one problem: people and gear are the same, whoever's job it is. */
export interface DayProblem {
  jobs: DayJob[];
  axis: MinuteAxis;
  problem: Problem;
  /** Each kind of gear with what there is of it, by id. */
  items: Record<string, readonly string[]>;
  /** Holds whose vehicles and wagons a task has with it, by task. */
  takenAlong: ReadonlyMap<string, readonly string[]>;
}

/** Rest after so many minutes of work. Common practice, no source: local labour law decides. */
export const usualRest = { afterMin: 360, restMin: 30 };

/** Minutes wanted between sign-off and doors. */
export const inHandWanted = ({ job, workshop }: Pick<JobFile, 'job' | 'workshop'>): number =>
  job.inHandMin ?? workshop.inHandTargetMin;

/**
 * The tasks of all jobs with their windows, people and gear.
 *
 * People and vans that are on a site serve only that site until they are back. Gear that stays there is gone until
 * the strike has brought it home.
 */
export function dayProblem(worked: readonly WorkedJob[]): DayProblem {
  const first = [...worked].sort((a, b) => Date.parse(a.file.job.doors) - Date.parse(b.file.job.doors))[0];
  if (!first) throw new RangeError('no job to plan');
  const { workshop } = first.file;
  const last = worked
    .map(({ file }) => file.job.strike.until)
    .sort((a, b) => Date.parse(a) - Date.parse(b))
    .at(-1) as string;
  const axis = minuteAxis(first.file.job.doors, workshop.timeZone, last, firstKept(worked));
  const each = worked.map((one) => dayJob(one, axis));
  const jobs = withSharedWagons(each, tripsOf(each));
  const trips = tripsOf(jobs);
  const waits = roundWaits(trips);
  const leads = wagonLeaders(trips);
  const items = itemsOf(jobs);
  const places = placesOf(jobs, axis);
  const vehicles = trips.flatMap(vehicleHolds);
  const wagons = trips.flatMap(wagonHolds);
  return {
    jobs,
    axis,
    items,
    takenAlong: takenAlong(vehicles, wagons),
    problem: {
      activities: jobs.flatMap((job) =>
        job.work.map((work) => withRound(asActivity(work, job, axis), waits, leads)),
      ),
      workers: workersOf(jobs, axis),
      gear: {
        ...Object.fromEntries(Object.entries(items).map(([kind, owned]) => [kind, owned.length])),
        ...places.limits,
      },
      holds: [
        ...trips.flatMap(tripHolds),
        ...[...vehicles, ...wagons].map(({ hold }) => hold),
        ...jobs.flatMap((job) => gearHolds(job, items)),
        ...places.holds,
      ],
      absences: places.absences,
      rest: workshop.rest ?? usualRest,
    },
  };
}

/** The first start that was agreed on or pinned; undefined where none was. */
const firstKept = (worked: readonly WorkedJob[]): string | undefined =>
  worked
    .flatMap(({ file: { job } }) => [...(job.clock?.agreed?.tasks ?? []), ...(job.clock?.pins ?? [])])
    .flatMap(({ start }) => start ?? [])
    .sort((a, b) => Date.parse(a) - Date.parse(b))[0];

function dayJob({ file, pieces }: WorkedJob, axis: MinuteAxis): DayJob {
  const { job, workshop } = file;
  const doors = axis.minute(job.doors);
  const window = ({ from, until }: { from: string; until: string }) => ({
    from: axis.minute(from),
    until: axis.minute(until),
  });
  const access = window(job.access);
  const up = setUpWork(file, pieces);
  const usual = [...up, ...strikeWork(file, pieces, up)];
  const there = peopleThere(file, 'set-up').working.length;
  const least = Math.min(there, peopleThere(file, 'strike').working.length);
  const asHere = withPieceSteps(usual, workshop.methods?.pieces ?? [], file, there);
  const own = withoutSteps(withOwnMethods(asHere, workshop.methods, least), job.clock?.leftOut ?? []);
  const work = withOwnOrders(
    splitWork(withAgreedWagons(own, job.clock?.agreed?.tasks ?? []), job.clock?.splits ?? []),
    job.clock?.orders ?? [],
  );
  return {
    file,
    pieces,
    work,
    turns: heaviestFirst(work, pieces),
    doors,
    access,
    strike: window(job.strike),
    wanted: doors - inHandWanted(file),
    wantedOut: access.until - inHandWanted(file),
  };
}

/** What a person works for single jobs besides their usual hours. */
const extraHours = (person: string, jobs: readonly DayJob[], axis: MinuteAxis): Interval[] =>
  jobs.flatMap(({ file }) =>
    (file.job.hours ?? [])
      .filter((one) => one.person === person)
      .map(({ from, until }): Interval => [axis.minute(from), axis.minute(until)]),
  );

/** Stretches in order, those that touch made one. */
function merged(stretches: readonly Interval[]): Interval[] {
  const found: [number, number][] = [];
  for (const [from, to] of [...stretches].sort((a, b) => a[0] - b[0])) {
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

function workersOf(jobs: readonly DayJob[], axis: MinuteAxis): Worker[] {
  const crew = (jobs[0] as DayJob).file.workshop.crew;
  const named = new Set(
    jobs.flatMap(({ file }) => [
      ...file.job.crew,
      ...(file.job.strikeCrew ?? []),
      ...[...ridersOf(file, 'set-up'), ...ridersOf(file, 'strike')].map(({ id }) => id),
    ]),
  );
  return crew
    .filter(({ id }) => named.has(id))
    .map((member) => ({
      id: member.id,
      skills: member.skills,
      ...(member.pace === undefined ? {} : { pace: member.pace }),
      shifts: merged([...axis.shifts(member), ...extraHours(member.id, jobs, axis)]),
      busy: axis.busy(member),
    }));
}

/** Inflators, vehicles, wagons, each ladder, and gear that comes back, as far as the shelf is known. */
function itemsOf(jobs: readonly DayJob[]): DayProblem['items'] {
  const { workshop } = (jobs[0] as DayJob).file;
  const items: Record<string, readonly string[]> = {
    inflator: workshop.inflators.map(({ id }) => id),
    vehicle: workshop.vehicles.map(({ id }) => id),
    wagon: wagonIds(workshop.wagons),
  };
  for (const { file } of jobs) for (const id of chosenVehicles(file)) items[ownVehicle(id)] = [id];
  for (const job of jobs)
    for (const ladder of laddersOf(job.work)) {
      const hirers = jobs.filter((other) => hires(other, ladder));
      items[`ladder:${ladder}`] = [ladder];
      items[onSite(job, `ladder:${ladder}`)] = [
        hires(job, ladder) ? hiredLadder(ladder, hirers.indexOf(job) + 1) : ladder,
      ];
    }
  // Of what lies on the shelf no more need be told apart than all jobs together take.
  const wanted = new Map<string, number>();
  for (const { pieces } of jobs)
    for (const { item, count } of pieces.flatMap(({ recipe }) =>
      materialRows(recipe.materials, workshop.units),
    ))
      wanted.set(item, (wanted.get(item) ?? 0) + Math.ceil(count));
  for (const { item, onHand } of workshop.materials ?? []) {
    const length = Math.min(Math.floor(onHand), wanted.get(item) ?? 0);
    items[`shelf:${item}`] = Array.from({ length }, (_, i) => `${item}-${i + 1}`);
  }
  return items;
}

const onSite = ({ file }: DayJob, kind: string) => `${file.job.id}/${kind}`;

function asActivity(work: Work, job: DayJob, axis: MinuteAxis): Activity {
  const { file, access, strike } = job;
  const { id: jobId, clock } = file.job;
  const opens =
    work.trip === 'strike' ? strike.from : Math.max(access.from, axis.minute(earliestOnSite(file.job)));
  const pin = clock?.pins?.find(({ task }) => task === work.id);
  const agreed = clock?.agreed?.tasks.find(({ task }) => task === work.id);
  const start = pin?.start ?? agreed?.start;
  const pinned = start === undefined ? undefined : axis.minute(start);
  const people = pin?.crew ?? (agreed?.crew.length ? agreed.crew : undefined);
  const team = people ?? teamFor(work, file);
  const kept = clock?.keptOff?.filter(({ task }) => task === work.id).map(({ person }) => person) ?? [];
  const who = team.filter((id) => !kept.includes(id));
  const takenAt = wagonsTakenAt(work);
  const earliest =
    pinned ??
    (work.arrivesAfter !== undefined ? opens - work.arrivesAfter : work.place === 'site' ? opens : undefined);
  return {
    id: inDay(jobId, work.id),
    modes: modesOf(work, who.length, people?.length, pinned !== undefined),
    ...(takenAt ? { wayOf: inDay(jobId, takenAt) } : {}),
    // Drives and waits take what they take.
    ...(work.place !== 'road' && work.hands > 0 ? { isPaced: true } : {}),
    skills: work.skills,
    who,
    gear: {
      ...Object.fromEntries(work.gear.filter((kind) => kind !== 'vehicle').map((kind) => [kind, 1])),
      ...Object.fromEntries((work.ladders ?? []).map((ladder) => [onSite(job, `ladder:${ladder}`), 1])),
      ...placeGear(work, job),
    },
    after: work.after.map((id) => ({ id: inDay(jobId, id), ...work.lags?.[id] })),
    ...(earliest === undefined ? {} : { earliest }),
    ...(pinned === undefined ? {} : { startBy: pinned }),
    ...(work.trip === 'strike' ? {} : { latest: latestOf(work, job, axis) }),
    // Who takes part in a strike has said so: its hours are theirs, whatever the shift.
    ...(work.trip === 'strike' ? { atAnyHour: true } : {}),
  };
}

/** By when a task before the event must be over: before the strike; loaded the evening before, where that is wanted. */
function latestOf({ place, trip }: Work, { file, strike }: DayJob, axis: MinuteAxis): number {
  const { job, workshop } = file;
  if (!job.loadsEvening || place !== 'workshop' || trip) return strike.from;
  return axis.minute(loadedBy(job, workshop.hours?.to, workshop.timeZone));
}

/**
 * The ways of a task: with so many wagons, or so many hands as there may be. What is kept to a time or people is done in
 * one.
 */
function modesOf(
  { hands, minutes, ways = [], withWagons }: Work,
  most: number,
  people: number | undefined,
  isPinned: boolean,
): [Mode, ...Mode[]] {
  const usual: Mode = { hands, minutes };
  if (withWagons) {
    const [first = usual, ...fewer] = withWagons.map((way) => ({ hands, minutes: way.minutes }));
    return [first, ...fewer];
  }
  if (people !== undefined) return [modeFor(people, usual, ways)];
  return [usual, ...(isPinned ? [] : ways.filter((way) => way.hands <= most))];
}

/** The way that takes so many hands; the usual one where none does. */
const modeFor = (hands: number, usual: Mode, ways: readonly Mode[] = []): Mode =>
  [usual, ...ways].find((mode) => mode.hands === hands) ?? usual;

/** What comes back from the shelf and is away until the strike has brought it home. */
function gearHolds({ file, work, pieces }: DayJob, items: DayProblem['items']): Hold[] {
  const id = (task: string) => inDay(file.job.id, task);
  const shelf = new Map<string, number>();
  for (const { item, count, isGear } of pieces.flatMap(({ recipe }) =>
    materialRows(recipe.materials, file.workshop.units),
  )) {
    const owned = items[`shelf:${item}`]?.length ?? 0;
    // What is short is told by *Enough*: here it is what there is of it that is gone.
    if (isGear && owned > 0)
      shelf.set(`shelf:${item}`, Math.min(owned, (shelf.get(`shelf:${item}`) ?? 0) + Math.ceil(count)));
  }
  // What the client keeps does not come back.
  const returns = work.some((one) => one.id === 'return-gear');
  const goes = work.some((one) => one.id === 'drive-out');
  if (shelf.size === 0 || !returns) return [];
  return [
    {
      id: id('gear'),
      from: id(goes ? 'load-vehicle' : 'clean-floor'),
      until: id('return-gear'),
      workers: [],
      gear: Object.fromEntries(shelf),
      inside: [],
    },
  ];
}

/** A task that waits for another job's of its round, or goes by the wagons that were taken along for that. */
function withRound(
  activity: Activity,
  waits: ReadonlyMap<string, Lag[]>,
  leads: ReadonlyMap<string, string>,
): Activity {
  const more = waits.get(activity.id);
  const lead = leads.get(activity.wayOf ?? activity.id);
  return {
    ...activity,
    ...(more ? { after: [...activity.after, ...more] } : {}),
    ...(lead && activity.id !== lead ? { wayOf: lead } : {}),
  };
}

/** Which holds' things each task has with it. */
function takenAlong(...all: readonly (readonly { hold: Hold; tasks: readonly string[] }[])[]) {
  const found = new Map<string, string[]>();
  for (const { hold, tasks } of all.flat())
    for (const task of tasks) found.set(task, [...(found.get(task) ?? []), hold.id]);
  return found;
}

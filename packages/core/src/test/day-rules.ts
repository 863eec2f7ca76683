import type { JobFile, Plan, Round, Task } from '@early-lantern/contract';
import { DateTime } from 'luxon';

/** A job with its plan, as it is read back from its own file. */
export interface DayPlanned {
  file: JobFile;
  plan: Pick<Plan, 'tasks' | 'holds' | 'onTime' | 'lamps'>;
}

const ms = (iso: string) => Date.parse(iso);
const MINUTE_MS = 60_000;
const isOverlap = (a: Task, b: Task) => ms(a.start) < ms(b.end) && ms(b.start) < ms(a.end);

/** The rules of a day, one by one, written from the rules and not from the scheduler; jobs of one workshop together. */
export function dayBreaches(planned: readonly DayPlanned[]): string[] {
  return [
    ...planned.flatMap(({ file, plan }) => [
      ...orderBreaches(plan.tasks),
      ...windowBreaches(file, plan),
      ...peopleBreaches(file, plan.tasks),
      ...ladderBreaches(plan),
      ...seatBreaches(file, plan),
    ]),
    ...sharedBreaches(planned),
    ...roundsIn(planned).flatMap((round) => roundBreaches(round, planned)),
    ...restBreaches(planned),
  ];
}

/** Nothing before what it waits for. */
const orderBreaches = (tasks: readonly Task[]): string[] =>
  tasks.flatMap((task) =>
    task.after.flatMap((id) => {
      const other = tasks.find((one) => one.id === id);
      const waits = (task.waits?.[id] ?? 0) * MINUTE_MS;
      return other && ms(other.end) + waits <= ms(task.start) ? [] : [`${task.id} does not wait for ${id}`];
    }),
  );

/** Nobody on site before it opens; whatever is not kept puts the lamp out. */
function windowBreaches({ job }: JobFile, { tasks, lamps }: DayPlanned['plan']): string[] {
  const early = tasks.flatMap((task) => {
    const opens = task.trip === 'strike' ? job.strike.from : job.access.from;
    return task.place === 'site' && ms(task.start) < ms(opens) ? [`${task.id} before the house opens`] : [];
  });
  const end = (id: string) => tasks.find((task) => task.id === id)?.end ?? '';
  const over = [
    ms(end('sign-off')) > ms(job.doors),
    ms(end('load-out')) > ms(job.access.until),
    tasks.some(
      ({ trip, place, end: done }) =>
        trip === 'strike' && place === 'site' && ms(done) > ms(job.strike.until),
    ),
  ];
  return [
    ...early,
    ...(over.includes(true) && lamps.onTime.state !== 'out' ? ['a window is left with the lamp lit'] : []),
  ];
}

/** Those of the job, at their hours, with the skills that driving and ladders ask for. */
function peopleBreaches({ workshop, job }: JobFile, tasks: readonly Task[]): string[] {
  return tasks.flatMap((task) => {
    const team = task.trip === 'strike' ? (job.strikeCrew ?? job.crew) : job.crew;
    const own = task.crew.flatMap((id) => {
      const member = workshop.crew.find((one) => one.id === id);
      const rides =
        task.place === 'road' &&
        (job.clock?.rounds?.some(({ trip, people }) => trip === task.trip && people.includes(id)) ||
          job.dropOffs?.some(({ trip, driver }) => trip === task.trip && driver === id));
      if (!member || !(team.includes(id) || rides)) return [`${id} is not on the job`];
      const busy = (member.busy ?? []).some(
        ({ from, until }) => ms(from) < ms(task.end) && ms(task.start) < ms(until),
      );
      // The hours of a strike are agreed with whoever takes part: no shift holds for them.
      const off = task.trip !== 'strike' && !isOnShift(task, member.shift, workshop.timeZone);
      return [
        ...(busy ? [`${id} is busy at ${task.id}`] : []),
        ...(off ? [`${id} off shift at ${task.id}`] : []),
      ];
    });
    const may = (skill: 'driver' | 'ladder') =>
      task.crew.some((id) => workshop.crew.find((one) => one.id === id)?.skills.includes(skill));
    const drives = task.place === 'road' && task.crew.length > 0 && !may('driver');
    return [...own, ...(drives ? [`nobody at ${task.id} may drive`] : [])];
  });
}

function isOnShift({ start, end }: Task, { from, to }: { from: string; to: string }, zone: string): boolean {
  const at = (iso: string) => DateTime.fromISO(iso, { zone }).toFormat('HH:mm');
  return at(start) >= from && at(end) <= to && ms(end) - ms(start) < 24 * 60 * MINUTE_MS;
}

/** Whatever point asks for a ladder, what hangs there has it, or is told that nothing reaches. */
function ladderBreaches({ holds, tasks }: DayPlanned['plan']): string[] {
  if (tasks.length === 0) return [];
  return holds.pieces.flatMap(({ id, points }) =>
    [...new Set(points.flatMap(({ ladder }) => ladder?.id ?? []))].flatMap((ladder) =>
      tasks.some(({ pieceId, gear }) => pieceId === id && gear.some((one) => one.includes(ladder)))
        ? []
        : [`${id} asks for ${ladder}, and no task has it`],
    ),
  );
}

/** Nobody rides without a seat with the lamp lit. */
function seatBreaches({ workshop, job }: JobFile, { tasks, lamps }: DayPlanned['plan']): string[] {
  const drive = tasks.find(({ id }) => id === 'drive-out');
  if (!drive || lamps.onTime.state === 'out') return [];
  const seats =
    workshop.vehicles.reduce((sum, one) => sum + (drive.gear.includes(one.id) ? one.seats : 0), 0) +
    (job.cars ?? []).reduce((sum, one) => sum + one.seats, 0);
  return drive.crew.length > seats ? [`${drive.crew.length} ride on ${seats} seats`] : [];
}

/** People and things in one place at a time, whoever's job it is; who is away with a run is away. */
function sharedBreaches(planned: readonly DayPlanned[]): string[] {
  const all = planned.flatMap(({ file, plan }) => plan.tasks.map((task) => ({ job: file.job.id, task })));
  const found: string[] = [];
  for (const [i, a] of all.entries())
    for (const b of all.slice(i + 1)) {
      if (!isOverlap(a.task, b.task)) continue;
      const used = [...b.task.crew, ...b.task.gear];
      const both = [...a.task.crew, ...a.task.gear].filter((id) => used.includes(id));
      if (both.length > 0) found.push(`${both} at ${a.job} ${a.task.id} and ${b.job} ${b.task.id}`);
    }
  return [...found, ...placeBreaches(planned)];
}

/** Drives to a job's place, and away from it to the workshop. */
const TO_PLACE = new Set(['drive-out', 'drive-fetch', 'drive-strike', 'strike-drive-fetch']);

/** People and vehicles are where their task is: brought there by a drive, and not before another has brought them away. */
function placeBreaches(planned: readonly DayPlanned[]): string[] {
  const all = planned
    .flatMap(({ file, plan }) =>
      plan.tasks.map((task) => ({ task, at: file.site.isWorkshop ? 'workshop' : file.job.id })),
    )
    .sort((a, b) => ms(a.task.start) - ms(b.task.start));
  const vehicles = planned[0]?.file.workshop.vehicles.map(({ id }) => id) ?? [];
  const people = new Set(all.flatMap(({ task }) => task.crew));
  return [...people, ...vehicles].flatMap((who) => {
    let here = 'workshop';
    return all
      .filter(({ task }) => task.crew.includes(who) || task.gear.includes(who))
      .flatMap(({ task, at }): string[] => {
        const wanted = task.place === 'workshop' ? 'workshop' : at;
        if (task.place !== 'road' || task.id === 'second-run') {
          return here === wanted ? [] : [`${who} is at ${here}, not at ${at} for ${task.id}`];
        }
        const from = here;
        here = TO_PLACE.has(task.id) ? at : 'workshop';
        // Home from the place itself; out from anywhere, on from one place to the next.
        return TO_PLACE.has(task.id) || from === at
          ? []
          : [`${who} drives home from ${at}, but is at ${from}`];
      });
  });
}

/** Each round once, as the jobs have it. */
function roundsIn(planned: readonly DayPlanned[]): Round[] {
  const all = planned.flatMap(({ file }) => file.job.clock?.rounds ?? []);
  return all.filter(
    (one, i) => all.findIndex((other) => JSON.stringify(other) === JSON.stringify(one)) === i,
  );
}

/** A drive of a round as its list of places says. */
interface Drive {
  task: Task | undefined;
  minutes: number;
  riders: readonly string[];
  /** The place it goes to; -1 home. */
  to: number;
  from: number;
}

const NAMES = {
  'set-up': { out: 'drive-out', off: 'drive-off', fetch: 'drive-fetch', home: 'drive-home', left: 'unload' },
  strike: {
    out: 'drive-strike',
    off: 'strike-drive-off',
    fetch: 'strike-drive-fetch',
    home: 'drive-back',
    left: 'strike-sign-in',
  },
} as const;

/**
 * The rules of a round, those of pick-up and delivery: every place in turn, nobody driven on before the work there is done or,
 * where people are dropped off, before the vehicle is unloaded; they stay till they are fetched; everybody rides as was said,
 * in the same vehicles till these are home; everything is loaded before it sets out and in the reverse of the places; nobody and
 * no vehicle used elsewhere meanwhile, as long on the road as was said.
 */
function roundBreaches(round: Round, planned: readonly DayPlanned[]): string[] {
  const { trip, stops, homeMin, people } = round;
  const names = NAMES[trip];
  const jobs = stops.flatMap(({ job }) => planned.find(({ file }) => file.job.id === job) ?? []);
  if (jobs.length < stops.length) return [];
  if (jobs.some(({ plan }) => plan.tasks.length === 0)) return [];
  const find = (at: number, id: string) => jobs[at]?.plan.tasks.find((task) => task.id === id);
  const last = stops.length - 1;
  const homeFrom = (at: number) => find(at, stops[at]?.does === 'drop' ? names.off : names.home);
  const drives: Drive[] = stops.flatMap(({ does, driveMin, riders = people, byHome }, at) => [
    ...(byHome
      ? [{ task: homeFrom(at - 1), minutes: byHome.driveMin, riders: byHome.riders, to: -1, from: at - 1 }]
      : []),
    {
      task: find(at, does === 'fetch' ? names.fetch : names.out),
      minutes: driveMin,
      riders,
      to: at,
      from: byHome ? -1 : at - 1,
    },
  ]);
  drives.push({
    task: homeFrom(last),
    minutes: homeMin,
    riders: round.homeRiders ?? people,
    to: -1,
    from: last,
  });
  if (drives.some(({ task }) => !task)) return [`a round ${trip} without one of its drives`];
  const vehicles = (task: Task | undefined) =>
    (task?.gear ?? [])
      .filter((id) => jobs[0]?.file.workshop.vehicles.some((one) => one.id === id))
      .sort()
      .join();
  const found: string[] = [];
  let outing = drives[0];
  for (const [i, { task, minutes, riders, from, to }] of drives.entries()) {
    if (!task) continue;
    if (from === -1) outing = drives[i];
    const before = drives[i - 1];
    const long = (ms(task.end) - ms(task.start)) / MINUTE_MS;
    if (long !== Math.max(1, minutes)) found.push(`drive ${i} takes ${long} of ${minutes} min`);
    if ([...task.crew].sort().join() !== [...riders].sort().join())
      found.push(`${task.crew.join()} ride on drive ${i}, not ${riders.join()}`);
    if (vehicles(task) !== vehicles(outing?.task) || vehicles(task) === '')
      found.push(`other vehicles on drive ${i}`);
    if (before?.task && ms(before.task.end) > ms(task.start)) found.push(`drive ${i} before the one before`);
    if (from < 0) continue;
    // What has to be done before the vehicle leaves, and that it does not stand about.
    const { does, job } = stops[from] as Round['stops'][number];
    const own = (jobs[from]?.plan.tasks ?? []).filter((one) => one.trip === trip && one.place === 'site');
    const left = does === 'drop' ? (find(from, names.left) ?? find(from, names.out)) : undefined;
    const done = left ? ms(left.end) : Math.max(...own.map(({ end }) => ms(end)));
    if (ms(task.start) < done) found.push(`${job} is left before the work there is done`);
    if (to >= 0 && ms(task.start) - done > 60 * MINUTE_MS) found.push(`a wait of over an hour at ${job}`);
    // Who is aboard changes where people are dropped off and fetched, and nowhere else.
    const came = new Set(before?.riders);
    const isSame = riders.length === came.size && riders.every((id) => came.has(id));
    const isFewer = riders.length < came.size && riders.every((id) => came.has(id));
    const isMore = riders.length > came.size && [...came].every((id) => riders.includes(id));
    if (!(does === 'drop' ? isFewer : does === 'fetch' ? isMore : isSame))
      found.push(`${riders.join()} leave ${job} where ${[...came].join()} came`);
  }
  // Loaded in the reverse of the places, before each outing sets out.
  if (trip === 'set-up') {
    const loads: { place: number; load: Task | undefined; before: number }[] = [];
    let setsOut = 0;
    for (const { task, to, from } of drives) {
      if (from === -1 && task) setsOut = ms(task.start);
      if (to >= 0 && stops[to]?.does !== 'fetch')
        loads.push({ place: to, load: find(to, 'load-vehicle'), before: setsOut });
    }
    for (const [i, { load, before, place }] of loads.entries()) {
      const inner = loads[i + 1];
      if (!load || ms(load.end) > before) found.push(`${stops[place]?.job} is not loaded in time`);
      if (load && inner?.load && inner.before === before && ms(inner.load.end) > ms(load.start))
        found.push(`${stops[place]?.job} is loaded before what comes off after it`);
    }
  }
  // Whoever is dropped off has a ladder of their own there.
  for (const [at, { does, job }] of stops.entries()) {
    if (does !== 'drop') continue;
    const ladders = (task: Task) =>
      task.gear.filter((id) => jobs[0]?.file.workshop.ladders?.some((one) => one.id === id));
    const own = new Set(jobs[at]?.plan.tasks.filter((task) => task.trip === trip).flatMap(ladders));
    const back = stops.findIndex((one, k) => k > at && one.job === job);
    const until = back < 0 ? Infinity : ms(find(back, names.fetch)?.end ?? '');
    for (const { file, plan } of planned)
      for (const task of plan.tasks)
        if (
          file.job.id !== job &&
          ms(task.start) < until &&
          ms(task.end) > ms(find(at, names.out)?.end ?? '') &&
          ladders(task).some((id) => own.has(id))
        )
          found.push(`${task.id} of ${file.job.id} has a ladder that is at ${job}`);
  }
  return found;
}

/** After so long at work a rest in time, all jobs counted; one task that is longer by itself cannot be helped. */
function restBreaches(planned: readonly DayPlanned[]): string[] {
  const { afterMin, restMin } = planned[0]?.file.workshop.rest ?? { afterMin: 360, restMin: 30 };
  const people = new Set(planned.flatMap(({ plan }) => plan.tasks.flatMap(({ crew }) => crew)));
  return [...people].flatMap((person) => {
    const own = planned
      .flatMap(({ plan }) => plan.tasks.filter(({ crew }) => crew.includes(person)))
      .sort((a, b) => ms(a.start) - ms(b.start));
    let since = 0;
    let goes = 0;
    return own.flatMap((task, i) => {
      const before = own[i - 1];
      if (!before || ms(task.start) - ms(before.end) >= restMin * MINUTE_MS) {
        since = ms(task.start);
        goes = 0;
      }
      goes += 1;
      return goes > 1 && ms(task.end) - since > afterMin * MINUTE_MS
        ? [`${person} has no rest by ${task.id}`]
        : [];
    });
  });
}

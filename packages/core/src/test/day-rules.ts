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
        job.clock?.rounds?.some(({ trip, people }) => trip === task.trip && people.includes(id));
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
      tasks.some(({ pieceId, gear }) => pieceId === id && gear.some((one) => one.startsWith(ladder)))
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
  for (const { file, plan } of planned)
    for (const [first, last] of [
      ['drive-out', 'drive-home'],
      ['drive-strike', 'drive-back'],
    ] as const) {
      const [out, home] = [first, last].map((id) => plan.tasks.find((task) => task.id === id));
      if (!out || !home) continue;
      for (const { job, task } of all)
        if (
          job !== file.job.id &&
          ms(task.start) < ms(home.end) &&
          ms(out.start) < ms(task.end) &&
          task.crew.some((id) => out.crew.includes(id))
        )
          found.push(`${task.id} of ${job} takes somebody who is out with ${file.job.id}`);
    }
  return found;
}

/** Each round once, as the jobs have it. */
function roundsIn(planned: readonly DayPlanned[]): Round[] {
  const all = planned.flatMap(({ file }) => file.job.clock?.rounds ?? []);
  return all.filter(
    (one, i) => all.findIndex((other) => JSON.stringify(other) === JSON.stringify(one)) === i,
  );
}

/**
 * The rules of a round, those of pick-up and delivery: every place once and in turn, nobody driven on before the work there is
 * done, everybody and the same vehicles on every drive, everything loaded before it sets out and in the reverse of the places,
 * nobody and no vehicle used elsewhere meanwhile, as long on the road as was said.
 */
function roundBreaches({ trip, stops, homeMin, people }: Round, planned: readonly DayPlanned[]): string[] {
  const [out, back] = trip === 'set-up' ? ['drive-out', 'drive-home'] : ['drive-strike', 'drive-back'];
  const jobs = stops.flatMap(({ job }) => planned.find(({ file }) => file.job.id === job) ?? []);
  if (jobs.length < stops.length) return [];
  if (jobs.some(({ plan }) => plan.tasks.length === 0)) return [];
  const find = (at: number, id: string) => jobs[at]?.plan.tasks.find((task) => task.id === id);
  const drives = stops.map((_, at) => find(at, out));
  const last = stops.length - 1;
  const home = find(last, back);
  if (!home || drives.some((drive) => !drive)) return [`a round ${trip} without one of its drives`];
  const legs = [...drives, home] as Task[];
  const long = [...stops.map(({ driveMin }) => driveMin), homeMin];
  const onBoard = (task: Task) => [...task.crew].sort().join();
  const vehicles = (task: Task) =>
    task.gear.filter((id) => jobs[0]?.file.workshop.vehicles.some((one) => one.id === id)).sort();
  const [first] = legs as [Task];
  const away = (task: Task) => ms(task.start) < ms(home.end) && ms(first.start) < ms(task.end);
  const at = (task: Task, job: number) =>
    ms(task.start) >= ms(legs[job]?.end ?? '') && ms(task.end) <= ms(legs[job + 1]?.start ?? '');
  const loads = stops.map((_, job) => find(job, 'load-vehicle'));
  return [
    ...legs.flatMap((leg, i) => {
      const minutes = (ms(leg.end) - ms(leg.start)) / MINUTE_MS;
      return [
        ...(minutes === Math.max(1, long[i] as number)
          ? []
          : [`leg ${i} takes ${minutes} of ${long[i]} min`]),
        ...(onBoard(leg) === [...people].sort().join() ? [] : [`${onBoard(leg)} ride on leg ${i}`]),
        ...(vehicles(leg).join() === vehicles(first).join() && vehicles(leg).length > 0
          ? []
          : [`other vehicles on leg ${i}`]),
      ];
    }),
    // Nobody waits for more than an hour to drive on.
    ...legs.slice(1).flatMap((leg, i) => {
      const done = Math.max(
        ...(jobs[i]?.plan.tasks ?? [])
          .filter((task) => task.trip === trip && task.place === 'site')
          .map(({ end }) => ms(end)),
      );
      return i < last && ms(leg.start) - done > 60 * MINUTE_MS
        ? [`a wait of over an hour before leg ${i + 1}`]
        : [];
    }),
    ...stops.flatMap((_, i) =>
      i < last && find(i, back) ? [`${stops[i]?.job} drives home in the middle of a round`] : [],
    ),
    ...planned.flatMap(({ file, plan }) =>
      plan.tasks.flatMap((task) => {
        const place = stops.findIndex(({ job }) => job === file.job.id);
        const isLeg = legs.includes(task);
        const isHere = place >= 0 && task.place === 'site' && task.trip === trip && at(task, place);
        const takes = [...task.crew, ...task.gear].some(
          (id) => people.includes(id) || vehicles(first).includes(id),
        );
        return takes && away(task) && !isLeg && !isHere
          ? [`${task.id} of ${file.job.id} takes what is on the round`]
          : [];
      }),
    ),
    ...(trip === 'set-up'
      ? loads.flatMap((load, i) => {
          const inner = loads[i + 1];
          return [
            ...(load && ms(load.end) <= ms(first.start) ? [] : [`${stops[i]?.job} is not loaded in time`]),
            ...(load && inner && ms(inner.end) > ms(load.start)
              ? [`${stops[i]?.job} is loaded before what comes off after it`]
              : []),
          ];
        })
      : []),
  ];
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

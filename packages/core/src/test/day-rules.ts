import type { JobFile, Plan, Task } from '@early-lantern/contract';
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
      if (!member || !team.includes(id)) return [`${id} is not on the job`];
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

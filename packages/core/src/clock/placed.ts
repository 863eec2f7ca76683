import { assignGear } from '../schedule/assign.ts';
import type { Compiled } from '../schedule/compiled.ts';
import { type DayJob, inDay } from './day-job.ts';
import type { DayProblem } from './day-problem.ts';
import type { DaySchedule } from './day-search.ts';
import { ownVehicle } from './vehicle-kinds.ts';
import type { Work } from './work.ts';

/** A task with its place on the clock, in minutes of the axis. */
export interface Placed {
  id: string;
  jobId: string;
  work: Work;
  start: number;
  end: number;
  crew: string[];
  gear: string[];
  /** Which of its ways it is done in. */
  way: number;
  earliest: number | undefined;
  latest: number | undefined;
  isPinned: boolean;
}

/** Every task of every job with its time, people and gear. */
export function placedTasks(day: DayProblem, compiled: Compiled, schedule: DaySchedule): Placed[] {
  const kinds = Object.keys(day.problem.gear);
  const given = assignGear(
    compiled,
    schedule,
    // A place is no thing to be handed out.
    kinds.map((kind) => day.items[kind] ?? []),
    kinds.map((kind) => (kind.startsWith(ownVehicle('')) ? kinds.indexOf('vehicle') : -1)),
  );
  const holds = day.problem.holds ?? [];
  const takenAlong = (job: DayJob, task: string) =>
    (day.takenAlong.get(inDay(job.file.job.id, task)) ?? []).flatMap(
      (hold) => given.get(`h${holds.findIndex(({ id }) => id === hold)}`) ?? [],
    );
  return day.jobs.flatMap((job) =>
    job.work.map((work): Placed => {
      const jobId = job.file.job.id;
      const i = compiled.ids.indexOf(inDay(jobId, work.id));
      const bits = schedule.crew[i] as number;
      const { clock } = job.file.job;
      const start = schedule.start[i] as number;
      const free = [...(given.get(`a${i}`) ?? []), ...takenAlong(job, work.id)];
      const agreed = clock?.agreed?.tasks.find(({ task }) => task === work.id);
      const isKept = agreed !== undefined && day.axis.minute(agreed.start) === start;
      return {
        id: work.id,
        jobId,
        work,
        start,
        end: schedule.end[i] as number,
        crew: compiled.workers.filter((_, p) => bits & (1 << p)),
        gear: isKept && isAlike(day, agreed.gear ?? [], free) ? (agreed.gear ?? []) : free,
        way: schedule.modes[compiled.leader[i] as number] as number,
        earliest: finite(compiled.earliest[i]),
        latest: finite(compiled.latest[i]),
        isPinned:
          (clock?.pins?.some(({ task, start }) => task === work.id && start !== undefined) ?? false) ||
          (clock?.agreed?.tasks.some(({ task }) => task === work.id) ?? false),
      };
    }),
  );
}

/** Whether the things agreed on for a task are there and of the same kinds as what it is given now: then those are kept. */
function isAlike({ items }: DayProblem, agreed: readonly string[], given: readonly string[]): boolean {
  const kindOf = (id: string) => Object.keys(items).find((kind) => items[kind]?.includes(id)) ?? '';
  const kinds = (ids: readonly string[]) => ids.map(kindOf).sort().join();
  return agreed.every((id) => kindOf(id) !== '') && kinds(agreed) === kinds(given);
}

const finite = (at: number | undefined) => (at !== undefined && Number.isFinite(at) ? at : undefined);

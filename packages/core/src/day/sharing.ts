import type { JobFile, Task } from '@early-lantern/contract';
import { DateTime } from 'luxon';

interface Planned {
  file: JobFile;
  plan: { tasks: readonly Task[] };
}

/**
 * The jobs that have to be planned together for a day (`2027-06-19`): those that have work on it, and those that have
 * work on any day on which the jobs with doors that day have work. An early job's bench of the evening before wants the
 * people who take another down.
 */
export function sharingDay(planned: readonly Planned[], day: string): JobFile[] {
  const all = planned.map((one) => ({ ...one, days: daysOf(one) }));
  const opening = all.filter(({ file }) => dayIn(file.job.doors, file.workshop.timeZone) === day);
  const days = new Set([day, ...opening.flatMap((one) => [...one.days])]);
  return all.filter((one) => [...one.days].some((own) => days.has(own))).map(({ file }) => file);
}

/** Days on which a job has work; without a plan all from access to the end of its strike. */
function daysOf({ file: { job, workshop }, plan }: Planned): Set<string> {
  const zone = workshop.timeZone;
  const spans = plan.tasks.length
    ? plan.tasks.map(({ start, end }) => [start, end] as const)
    : [[job.access.from, job.strike.until] as const];
  return new Set(spans.flatMap(([from, until]) => daysBetween(dayIn(from, zone), dayIn(until, zone))));
}

const dayIn = (moment: string, zone: string): string =>
  DateTime.fromISO(moment, { zone }).toISODate() as string;

function daysBetween(first: string, last: string): string[] {
  const days: string[] = [];
  for (let day = DateTime.fromISO(first); (day.toISODate() as string) <= last; day = day.plus({ days: 1 }))
    days.push(day.toISODate() as string);
  return days;
}

import { readFile } from 'node:fs/promises';
import type { JobFile } from '@early-lantern/contract';
import { DateTime } from 'luxon';

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d/;

/** A job of the demo moved to today, every hour by the clock of its workshop as it was. */
export async function demoToday(name: string, id: string): Promise<JobFile> {
  const file = JSON.parse(await readFile(`demo/jobs/${name}.json`, 'utf8')) as JobFile;
  const zone = file.workshop.timeZone;
  const day = (moment: DateTime) => moment.setZone(zone).startOf('day');
  const days = day(DateTime.now()).diff(day(DateTime.fromISO(file.job.doors)), 'days').days;
  const moved = (value: unknown): unknown => {
    if (typeof value === 'string' && INSTANT.test(value))
      return DateTime.fromISO(value, { zone })
        .plus({ days: Math.round(days) })
        .toISO({ suppressMilliseconds: true });
    if (Array.isArray(value)) return value.map(moved);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, moved(inner)]));
  };
  return { ...file, job: { ...(moved(file.job) as JobFile['job']), id, name: `${file.job.name}: ${id}` } };
}

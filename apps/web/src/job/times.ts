import { JobHead, read } from '@early-lantern/contract';
import { DateTime } from 'luxon';

type Times = Pick<JobHead, 'doors' | 'access' | 'strike'>;

/**
 * The times of a job with its doors moved. Access and strike stay where they still fit round the new hour; else, as
 * when the day changes, they move along, so that the job never stands refused half-way.
 */
export function withDoors(times: Times, doors: string): Times {
  const at = Date.parse(doors);
  const fits = Date.parse(times.access.from) < at && at < Date.parse(times.strike.from);
  if (fits) return { doors, access: times.access, strike: times.strike };
  const delta = at - Date.parse(times.doors);
  const { zone } = DateTime.fromISO(doors, { setZone: true });
  const moved = (iso: string) =>
    DateTime.fromMillis(Date.parse(iso) + delta, { zone }).toISO({ suppressMilliseconds: true }) as string;
  return {
    doors,
    access: { from: moved(times.access.from), until: moved(times.access.until) },
    strike: { from: moved(times.strike.from), until: moved(times.strike.until) },
  };
}

/** Why a job cannot have these times, in words; undefined where it can. */
export function timeFault(head: JobHead): string | undefined {
  const result = read(JobHead, head);
  const fault = result.ok
    ? undefined
    : result.faults.find(({ path }) => /^(doors|access|strike)\b/.test(path));
  return fault && fault.reason.charAt(0).toUpperCase() + fault.reason.slice(1);
}

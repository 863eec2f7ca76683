import type { Job } from '@early-lantern/contract';
import { DateTime } from 'luxon';

/** Whether the crew comes as the house opens, or at a time that was typed; else as late as the work allows. */
export const arrivesEarly = ({ arrival }: Pick<Job, 'arrival'>): boolean => arrival !== 'late';

/** When the crew may be on site first: as the house opens, or at the time that was typed, whichever is later. ISO 8601. */
export function earliestOnSite({ arrival, access }: Pick<Job, 'arrival' | 'access'>): string {
  if (arrival === undefined || arrival === 'late') return access.from;
  return Date.parse(arrival) > Date.parse(access.from) ? arrival : access.from;
}

/** Where no hours are set for the workshop, loading the evening before is over by then. From memory, an editable default. */
const EVENING = { hour: 21, minute: 0 };

/** By when everything is loaded that is loaded the evening before: as the workshop shuts on the day before access. */
export function loadedBy({ access }: Pick<Job, 'access'>, shuts: string | undefined, zone: string): string {
  const [hour = EVENING.hour, minute = EVENING.minute] = shuts?.split(':').map(Number) ?? [];
  const evening = DateTime.fromISO(access.from, { zone })
    .startOf('day')
    .minus({ days: 1 })
    .set({ hour, minute });
  return evening.toISO({ suppressMilliseconds: true }) as string;
}

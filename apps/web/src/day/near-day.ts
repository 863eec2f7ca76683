import type { JobHead } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { dayKey } from '../parts/time.ts';

/** Work before access or after the strike's end is done within so many days. */
const NEAR_DAYS = 2;

/** Whether a job may have work on a day (`2027-06-19`), or on a day that the work of that day's jobs reaches into. */
export function isNearDay(
  { access, strike }: Pick<JobHead, 'access' | 'strike'>,
  day: string,
  zone: string,
): boolean {
  const from = DateTime.fromISO(day).minus({ days: NEAR_DAYS }).toISODate() as string;
  const until = DateTime.fromISO(day).plus({ days: NEAR_DAYS }).toISODate() as string;
  return dayKey(access.from, zone) <= until && dayKey(strike.until, zone) >= from;
}

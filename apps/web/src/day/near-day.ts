import type { JobHead } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { dayKey } from '../parts/time.ts';

/** Work before access or after the strike's end is done within so many days. */
const NEAR_DAYS = 2;

/**
 * The days on which a job may have work, and those that the work of such a day reaches into: first and last, `2027-06-19`, by the
 * clock of a zone.
 */
export function daysNear(
  { access, strike }: Pick<JobHead, 'access' | 'strike'>,
  zone: string,
): { from: string; until: string } {
  const near = (iso: string, days: number) =>
    DateTime.fromISO(dayKey(iso, zone), { zone: 'utc' }).plus({ days }).toISODate() as string;
  return { from: near(access.from, -NEAR_DAYS), until: near(strike.until, NEAR_DAYS) };
}

/** Whether a day (`2027-06-19`) is one of them. */
export function isNearDay(job: Pick<JobHead, 'access' | 'strike'>, day: string, zone: string): boolean {
  const { from, until } = daysNear(job, zone);
  return from <= day && day <= until;
}

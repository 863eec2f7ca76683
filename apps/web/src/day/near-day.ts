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

/** Nobody comes in longer before doors. */
const LONGEST_BEFORE_DAYS = 30;

/**
 * Among which jobs those are that may have work near a day (`2027-06-19`): not over at a moment, and with doors before another one,
 * RFC 3339.
 */
export function aboutDay(day: string): { standing: string; until: string } {
  const noon = DateTime.fromISO(`${day}T12:00:00Z`, { zone: 'utc' });
  const at = (days: number) => noon.plus({ days }).toISO() as string;
  // A day more, whatever the clock of the place.
  return { standing: at(-NEAR_DAYS - 1), until: at(LONGEST_BEFORE_DAYS + NEAR_DAYS + 1) };
}

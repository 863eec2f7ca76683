import type { JobRow } from '@early-lantern/contract';
import { DateTime } from 'luxon';

/** From the first doors to just after the last, RFC 3339, of jobs in the order of their doors. */
export function doorsSpan(
  rows: readonly JobRow[] | undefined,
): [from: string | undefined, until: string | undefined] {
  const from = rows?.[0]?.data.doors;
  const last = rows?.at(-1)?.data.doors;
  return [from, last && (DateTime.fromISO(last).plus({ seconds: 1 }).toUTC().toISO() as string)];
}

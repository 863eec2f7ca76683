import type { JobRow } from '@early-lantern/contract';
import { DateTime } from 'luxon';

type Span = [from: string | undefined, until: string | undefined];

/** Of a job its doors and its strike. */
interface TimedRow {
  data: Pick<JobRow['data'], 'doors' | 'strike'>;
}

/** From the first doors to just after the last, RFC 3339, of jobs in the order of their doors. */
export function doorsSpan(rows: readonly TimedRow[] | undefined): Span {
  const from = rows?.[0]?.data.doors;
  const last = rows?.at(-1)?.data.doors;
  return [from, last && (DateTime.fromISO(last).plus({ seconds: 1 }).toUTC().toISO() as string)];
}

/** So many jobs nearly fill a screen: their lamps are asked for before the others', so that they need not wait for those. */
const SOON = 3;

/** The same of the first jobs that are not over at a moment, ms. */
export const soonSpan = (rows: readonly TimedRow[] | undefined, now: number): Span =>
  doorsSpan(rows?.filter(({ data }) => Date.parse(data.strike.until) >= now).slice(0, SOON));

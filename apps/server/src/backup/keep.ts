import { DateTime } from 'luxon';

/** Of so many days, weeks and months with backups the newest of each is kept. */
const KEPT = [
  ['day', 7],
  ['week', 5],
  ['month', 12],
] as const;

/**
 * Those that need not be kept any more: all but the newest of each of the last days, weeks and months that have one.
 * @param backups each with its moment, ISO 8601
 */
export function outdated<B extends { at: string }>(backups: readonly B[]): B[] {
  const newestFirst = [...backups].sort((one, other) => Date.parse(other.at) - Date.parse(one.at));
  const kept = new Set<B>();
  for (const [span, most] of KEPT) {
    const seen = new Set<number>();
    for (const backup of newestFirst) {
      const start = DateTime.fromISO(backup.at, { zone: 'utc' }).startOf(span).toMillis();
      if (seen.has(start)) continue;
      if (seen.size === most) break;
      seen.add(start);
      kept.add(backup);
    }
  }
  return newestFirst.filter((backup) => !kept.has(backup));
}

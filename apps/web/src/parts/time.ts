import { DateTime } from 'luxon';

/** A moment by the clock of a zone. It is read by the browser itself: by the library it takes ten times as long, of hundreds in a list. */
const inZone = (iso: string, zone: string): DateTime => DateTime.fromMillis(Date.parse(iso), { zone });

/** `17:30` by the zone given. */
export const clockTime = (iso: string, zone: string): string => inZone(iso, zone).toFormat('HH:mm');

/** `Saturday 19 June`, with the year when it is not this one. */
export function dayName(iso: string, zone: string): string {
  const day = inZone(iso, zone);
  const isThisYear = day.year === DateTime.now().setZone(zone).year;
  return day.toFormat(isThisYear ? 'cccc d LLLL' : 'cccc d LLLL yyyy', { locale: 'en' });
}

/** `Sat 19 Jun`, where there is little room. */
export const shortDay = (iso: string, zone: string): string =>
  inZone(iso, zone).toFormat('ccc d LLL', { locale: 'en' });

/** `2027-06-19` by the zone given. */
export const dayKey = (iso: string, zone: string): string => inZone(iso, zone).toISODate() ?? iso;

/** A span as people say it: `45 min`, `4 h 45`, `3 days`. Negative spans lose their sign. */
export function spanText(minutes: number): string {
  const size = Math.abs(Math.round(minutes));
  if (size < 60) return `${size} min`;
  if (size < 48 * 60) return `${Math.floor(size / 60)} h ${String(size % 60).padStart(2, '0')}`;
  return `${Math.round(size / 1440)} days`;
}

export const minutesBetween = (from: string | number, to: string | number): number =>
  (new Date(to).getTime() - new Date(from).getTime()) / 60_000;

/** How long before doors, or after: `2 h 10 before`, `25 min after`. */
export function beforeDoors(iso: string, doors: string): string {
  const minutes = minutesBetween(iso, doors);
  if (minutes === 0) return 'doors';
  return `${spanText(minutes)} ${minutes > 0 ? 'before' : 'after'}`;
}

/** "Tue 15 Jun", of a day `YYYY-MM-DD`. */
export const dateWords = (day: string): string =>
  DateTime.fromISO(day).toFormat('ccc d LLL', { locale: 'en' });

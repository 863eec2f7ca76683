import { DateTime } from 'luxon';

/** When a day began on this device, RFC 3339: the same all day, so that what was read by it is not read again. @param now milliseconds */
export const dayStart = (now: number): string =>
  DateTime.fromMillis(now).startOf('day').toUTC().toISO() as string;

import type { WeatherHour } from '@early-lantern/contract';

const HOUR_MS = 3_600_000;
/** Less than that in an hour is a drop or two. Common practice, no source. */
const RAINS_MM = 0.2;

/**
 * Until when it rains that rains in an hour of a forecast: to the end of the last wet hour in a row.
 * @param hours one after the other
 * @returns milliseconds; null where that hour is dry
 */
export function rainUntil(hours: readonly WeatherHour[], hour: number): number | null {
  const isWet = (i: number) => (hours[i]?.rainMm ?? 0) >= RAINS_MM;
  if (!isWet(hour)) return null;
  let last = hour;
  while (isWet(last + 1)) last++;
  return Date.parse((hours[last] as WeatherHour).at) + HOUR_MS;
}

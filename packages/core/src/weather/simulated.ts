import type { WeatherHour } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { GUST_FACTOR } from '../air/wind.ts';
import { seededRandom } from '../quantity/random.ts';

/** Where and when a forecast is wanted, and when it is made: the further ahead, the less sure. */
interface Asked {
  place: string;
  timeZone: string;
  fromMs: number;
  untilMs: number;
  madeMs: number;
  /** Turned up for practice: by so much every system of weather is deeper; 0 is as it comes, 1 windy and wet, 4 a storm. */
  rougherBy?: number;
}

const HOUR_MS = 3_600_000;
/** Systems of weather pass in about this many hours. */
const SYSTEM_H = 60;
/** A year's mean and half its swing, °C: a river town at middle latitudes, made up. */
const MEAN_C = 12;
const SWING_C = 12;

/**
 * A made-up forecast for a made-up town: season, time of day, and systems of weather that pass, the same for a place
 * and hour whoever asks; and on top what a forecast made so long before would be out by. Not for use on a real day.
 * @returns whole hours from `fromMs` to `untilMs`, at most 400
 */
export function simulatedForecast({
  place,
  timeZone,
  fromMs,
  untilMs,
  madeMs,
  rougherBy = 0,
}: Asked): WeatherHour[] {
  const hours: WeatherHour[] = [];
  const first = Math.floor(fromMs / HOUR_MS);
  const last = Math.min(first + 399, Math.ceil(untilMs / HOUR_MS));
  const town = hash(place);
  for (let hour = first; hour <= last; hour++) {
    const at = hour * HOUR_MS;
    const leadH = Math.max(0, (at - madeMs) / HOUR_MS);
    // A forecast errs by more the further ahead, up to what one would guess from the season alone.
    const tempSpreadC = Math.min(4.5, 0.6 + 0.02 * leadH);
    const gustSpreadMs = Math.min(4, 0.5 + 0.018 * leadH);
    const made = Math.floor(madeMs / (6 * HOUR_MS));
    const wrong = (salt: number) => smooth(town ^ (made * 7919 + salt), hour / 12);
    const truth = truthAt(town, at, timeZone, rougherBy);
    const windMs = Math.max(0.2, truth.windMs + (wrong(5) * gustSpreadMs) / GUST_FACTOR.open);
    hours.push({
      at: DateTime.fromMillis(at, { zone: 'utc' }).toISO({ suppressMilliseconds: true }) as string,
      tempC: tenth(truth.tempC + wrong(1) * tempSpreadC),
      humidityPct: Math.round(clamp(truth.humidityPct + 8 * wrong(2), 15, 100)),
      cloudPct: Math.round(clamp(truth.cloudPct + 15 * wrong(3), 0, 100)),
      windMs: tenth(windMs),
      gustMs: tenth(windMs * GUST_FACTOR.open),
      rainMm: tenth(Math.max(0, truth.rainMm)),
      tempSpreadC: tenth(tempSpreadC),
      gustSpreadMs: tenth(gustSpreadMs),
    });
  }
  return hours;
}

/** What the weather really does in this town. */
function truthAt(town: number, at: number, timeZone: string, rougherBy: number) {
  const local = DateTime.fromMillis(at, { zone: timeZone });
  const season = Math.cos((2 * Math.PI * (local.ordinal - 200)) / 365.25);
  const day = Math.cos((2 * Math.PI * (local.hour - 15)) / 24);
  const hour = at / HOUR_MS;
  // Below zero a ridge, dry and calm; above it a trough.
  const system = smooth(town, hour / SYSTEM_H) + rougherBy;
  const cloudPct = clamp(45 + 45 * system + 15 * smooth(town + 11, hour / 5), 0, 100);
  const clear = 1 - cloudPct / 100;
  const windMs = Math.max(0.3, 3.2 + 2.4 * system + 1.3 * day + 1.1 * smooth(town + 23, hour / 4));
  return {
    tempC: MEAN_C + SWING_C * season + (3 + 4 * clear) * day - 3 * system + 4 * smooth(town + 31, hour / 90),
    humidityPct: clamp(62 + 22 * system - 18 * day, 20, 100),
    cloudPct,
    windMs,
    rainMm: system > 0.55 && cloudPct > 75 ? 3 * (system - 0.5) * (1 + smooth(town + 41, hour / 2)) : 0,
  };
}

const tenth = (value: number) => Number(value.toFixed(1));
const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** A text as a 31-bit number. */
function hash(text: string): number {
  let value = 17;
  for (const char of text) value = (Math.imul(value, 31) + (char.codePointAt(0) ?? 0)) & 0x7fffffff;
  return value;
}

/** Smooth noise from −1 to 1: random values at whole numbers, joined by cosines. */
function smooth(seed: number, x: number): number {
  const whole = Math.floor(x);
  const value = (n: number) => seededRandom((seed + Math.imul(n, 2_654_435_761)) & 0x7fffffff)() * 2 - 1;
  const t = (1 - Math.cos(Math.PI * (x - whole))) / 2;
  return value(whole) * (1 - t) + value(whole + 1) * t;
}

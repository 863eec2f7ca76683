import type { Colour, JobFile, Spot, WeatherHour } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { labOf } from '../balloon/colour-difference.ts';
import { isOutdoors } from '../structure/gust-at.ts';
import { HOLD_C } from './hold-time.ts';

const HOUR_MS = 3_600_000;
/** The bench, where nothing else was said, °C. From memory, an editable default. */
const BENCH_C = 20;
/** A vehicle under way or standing is so much warmer than the air outside, K. From memory, an editable default. */
const VEHICLE_K = 5;
/** More cloud than this and there is no direct sun, per cent. From memory, an editable default. */
const OVERCAST_PCT = 70;
/** Where the survey leaves the sun open: daytime outdoors. From memory, an editable default. */
const USUAL_SUN = [{ from: '08:00', to: '18:00' }];

/** Skin in direct sun is so much warmer than the air, K: light, middling, dark. From memory, editable defaults. */
const SUN_K = { light: 8, middling: 14, dark: 20 } as const;

/** How light a colour is, by its L* of CIE Lab. */
function depthOf(colour: Colour): keyof typeof SUN_K {
  const { l } = labOf(colour);
  if (l >= 70) return 'light';
  return l >= 40 ? 'middling' : 'dark';
}

/** Where a lot is when: moments in ms since the epoch. */
export interface Journey {
  blownMs: number;
  leavesMs: number;
  arrivesMs: number;
  endsMs: number;
}

/** One stretch of a lot's life, an hour at most. */
export interface Interval {
  hours: number;
  airC: number;
  skinC: number;
  inSun: boolean;
  onSite: boolean;
}

/** The place's air, asked about again and again: every lot of a job goes through the same hours. */
export interface Surroundings {
  airAt: (spot: Spot, ms: number) => { airC: number; cloudPct: number };
  isSunAt: (spot: Spot, ms: number) => boolean;
  outsideC: (ms: number) => number;
  benchC: number;
}

/** What surrounds the lots of a job; answers are kept. */
export function surroundingsOf(file: JobFile): Surroundings {
  const weather = weatherAt(file.job.weather?.hours ?? []);
  const outdoors = new Map(file.site.spots.map((spot) => [spot.id, isOutdoors(spot, file)]));
  const times = new Map<number, string>();
  const timeOf = (ms: number): string => {
    const known = times.get(ms);
    if (known) return known;
    const time = DateTime.fromMillis(ms, { zone: file.workshop.timeZone }).toFormat('HH:mm');
    times.set(ms, time);
    return time;
  };
  return {
    benchC: file.workshop.benchC ?? BENCH_C,
    outsideC: (ms) => weather(ms)?.tempC ?? HOLD_C,
    airAt: (spot, ms) => {
      if (!outdoors.get(spot.id)) return { airC: spot.tempC ?? HOLD_C, cloudPct: 100 };
      const hour = weather(ms);
      return { airC: hour?.tempC ?? HOLD_C, cloudPct: hour?.cloudPct ?? 0 };
    },
    isSunAt: (spot, ms) => {
      if (!outdoors.get(spot.id) || file.job.shaded?.includes(spot.id)) return false;
      const time = timeOf(ms);
      return (spot.sun ?? USUAL_SUN).some(({ from, to }) => time >= from && time < to);
    },
  };
}

/** A lot's life from inflation to the end of the event, hour of the clock by hour. */
export function stretchesOf(journey: Journey, spot: Spot, colour: Colour, around: Surroundings): Interval[] {
  const { blownMs, leavesMs, arrivesMs, endsMs } = journey;
  const sunK = SUN_K[depthOf(colour)];
  const stretches: Interval[] = [];
  let at = blownMs;
  while (at < endsMs) {
    // No stretch lies in two places, nor in two hours.
    const next = [leavesMs, arrivesMs, endsMs].filter((moment) => moment > at);
    const hour = Math.floor(at / HOUR_MS) * HOUR_MS;
    const upTo = Math.min(hour + HOUR_MS, ...next);
    const onSite = at >= arrivesMs;
    const { airC, cloudPct } = onSite
      ? around.airAt(spot, hour)
      : { airC: at < leavesMs ? around.benchC : around.outsideC(hour) + VEHICLE_K, cloudPct: 100 };
    const inSun = onSite && cloudPct <= OVERCAST_PCT && around.isSunAt(spot, hour);
    stretches.push({ hours: (upTo - at) / HOUR_MS, airC, skinC: airC + (inSun ? sunK : 0), inSun, onSite });
    at = upTo;
  }
  return stretches;
}

/** The hour of a forecast that a moment falls into; the nearest one outside of it. */
function weatherAt(hours: readonly WeatherHour[]): (ms: number) => WeatherHour | undefined {
  const starts = hours.map(({ at }) => Date.parse(at));
  return (ms) => {
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if ((starts[middle] as number) <= ms) low = middle;
      else high = middle - 1;
    }
    return hours[low];
  };
}

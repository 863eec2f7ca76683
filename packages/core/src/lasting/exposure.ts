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
export interface Stretch {
  hours: number;
  airC: number;
  skinC: number;
  inSun: boolean;
  onSite: boolean;
}

/** A lot's life from inflation to the end of the event, hour by hour. */
export function stretchesOf(journey: Journey, spot: Spot, colour: Colour, file: JobFile): Stretch[] {
  const { blownMs, endsMs } = journey;
  const airAt = airOf(spot, journey, file);
  const sunK = SUN_K[depthOf(colour)];
  const stretches: Stretch[] = [];
  let at = blownMs;
  while (at < endsMs) {
    // No stretch lies in two places.
    const next = [journey.leavesMs, journey.arrivesMs, endsMs].filter((moment) => moment > at);
    const upTo = Math.min(at + HOUR_MS, ...next);
    const onSite = at >= journey.arrivesMs;
    const middle = (at + upTo) / 2;
    const { airC, cloudPct } = airAt(middle);
    const inSun = onSite && isOutdoors(spot, file) && cloudPct <= OVERCAST_PCT && isSunAt(spot, middle, file);
    stretches.push({
      hours: (upTo - at) / HOUR_MS,
      airC,
      skinC: airC + (inSun ? sunK : 0),
      inSun,
      onSite,
    });
    at = upTo;
  }
  return stretches;
}

function airOf(spot: Spot, { leavesMs, arrivesMs }: Journey, file: JobFile) {
  const benchC = file.workshop.benchC ?? BENCH_C;
  const outdoors = isOutdoors(spot, file);
  const weather = weatherAt(file.job.weather?.hours ?? []);
  return (ms: number): { airC: number; cloudPct: number } => {
    if (ms < leavesMs) return { airC: benchC, cloudPct: 100 };
    const outside = weather(ms);
    if (ms < arrivesMs) return { airC: (outside?.tempC ?? HOLD_C) + VEHICLE_K, cloudPct: 100 };
    if (!outdoors) return { airC: spot.tempC ?? HOLD_C, cloudPct: 100 };
    return { airC: outside?.tempC ?? HOLD_C, cloudPct: outside?.cloudPct ?? 0 };
  };
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

function isSunAt(spot: Spot, ms: number, { workshop }: JobFile): boolean {
  const time = DateTime.fromMillis(ms, { zone: workshop.timeZone }).toFormat('HH:mm');
  return (spot.sun ?? USUAL_SUN).some(({ from, to }) => time >= from && time < to);
}

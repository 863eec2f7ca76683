import type { HoldRules, JobFile, Spot } from '@early-lantern/contract';
import { DOOR_GUST_MS, GUST_FACTOR } from '../air/wind.ts';
import { usualRules } from './standing.ts';

const HOUR_MS = 3_600_000;

/** What this business asks of whatever it puts up. */
export const rulesOf = ({ workshop }: JobFile): HoldRules => ({ ...usualRules, ...workshop.holdRules });

export const isOutdoors = (spot: Spot, { site }: JobFile) => !(spot.indoors ?? site.indoors);

/** What a gust is taken from: outdoors only a typed one or a real forecast is more than a guess. */
type GustBasis = 'indoors' | 'typed' | 'forecast' | 'simulated' | 'assumed';

export interface GustTaken {
  gustMs: number;
  source: string;
  basis: GustBasis;
}

/** The gust that a spot is checked at, m/s, and where it comes from. */
export function gustAt(spot: Spot, file: JobFile): GustTaken {
  if (!isOutdoors(spot, file)) return indoors;
  const { gustMs, weather } = file.job;
  const { words, share } =
    spot.openness === 'sheltered'
      ? { words: ', less in shelter', share: GUST_FACTOR.sheltered / GUST_FACTOR.open }
      : { words: '', share: 1 };
  if (gustMs !== undefined)
    return {
      gustMs: gustMs * share,
      source: `the strongest gust expected, as typed on the job${words}`,
      basis: 'typed',
    };
  const forecast = gustOf(file);
  if (forecast !== undefined) {
    const isSimulated = weather?.source === 'simulated';
    return {
      gustMs: forecast * share,
      source: isSimulated
        ? `the strongest gust of simulated weather, and its spread${words}: import a real forecast`
        : `the strongest gust of the forecast, and its spread${words}`,
      basis: isSimulated ? 'simulated' : 'forecast',
    };
  }
  return {
    gustMs: rulesOf(file).assumedGustMs * share,
    source: `an assumption, no forecast looked at yet${words}`,
    basis: 'assumed',
  };
}

/** Indoors only a draught is to be expected. */
export const indoors: GustTaken = {
  gustMs: DOOR_GUST_MS,
  source: 'indoors: the draught of a door flung open',
  basis: 'indoors',
};

/** The strongest gust of the forecast from set-up to strike with one standard deviation of what it may be out, m/s. */
function gustOf({ job }: JobFile): number | undefined {
  const [from, until] = [Date.parse(job.access.from), Date.parse(job.strike.until)];
  const gusts = (job.weather?.hours ?? [])
    .filter(({ at }) => Date.parse(at) + HOUR_MS > from && Date.parse(at) < until)
    .map(({ gustMs, gustSpreadMs = 0 }) => gustMs + gustSpreadMs);
  return gusts.length ? Math.max(...gusts) : undefined;
}

/** Before the take-down gust: lower at 80 %, watch at 60 % of it. From memory, editable defaults. */
const LOWER_AT = 0.8;
const WATCH_AT = 0.6;

/** The gusts, m/s, at which a piece is at its limit, comes down, is lowered and watched; null where no wind matters. */
export function gustLevels(limitMs: number, takeDownMs: number) {
  const kept = (value: number) => (Number.isFinite(value) ? Number(value.toFixed(2)) : null);
  return {
    limitGustMs: kept(limitMs),
    takeDownGustMs: kept(takeDownMs),
    lowerGustMs: kept(takeDownMs * LOWER_AT),
    watchGustMs: kept(takeDownMs * WATCH_AT),
  };
}

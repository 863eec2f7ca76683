import type { HoldRules, JobFile, Spot } from '@early-lantern/contract';
import { DOOR_GUST_MS, GUST_FACTOR, UNKNOWN_GUST_MS } from '../air/wind.ts';
import { usualRules } from './standing.ts';

/** What this business asks of whatever it puts up. */
export const rulesOf = ({ workshop }: JobFile): HoldRules => ({ ...usualRules, ...workshop.holdRules });

export const isOutdoors = (spot: Spot, { site }: JobFile) => !(spot.indoors ?? site.indoors);

/** The gust that a spot is checked at, m/s, and where it comes from. */
export function gustAt(spot: Spot, file: JobFile): { gustMs: number; source: string } {
  if (!isOutdoors(spot, file))
    return { gustMs: DOOR_GUST_MS, source: 'indoors: the draught of a door flung open' };
  const { gustMs } = file.job;
  const { words, share } =
    spot.openness === 'sheltered'
      ? { words: ', less in shelter', share: GUST_FACTOR.sheltered / GUST_FACTOR.open }
      : { words: '', share: 1 };
  if (gustMs !== undefined)
    return { gustMs: gustMs * share, source: `the strongest gust expected, as typed on the job${words}` };
  return {
    gustMs: UNKNOWN_GUST_MS * share,
    source: `no forecast looked at: the top of Beaufort 4 is assumed${words}`,
  };
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

import type { JobFile, Spot } from '@early-lantern/contract';
import { isOutdoors } from './gust-at.ts';
import { frictionOn, GRAVITY } from './standing.ts';

/** What a stake in grass and a fixed point indoors hold, N. From memory, editable defaults. */
const STAKE_N = 150;
const FIXED_POINT_N = 120;
const HEAVY_KG = 30;

export const STAKE = 'a stake';
export const HEAVY_WEIGHT = 'a weight of 30 kg';

/** What a line is tied down to, and the pull along it that this holds, N: a weight slides before it lifts. */
export function anchorAt(spot: Spot, file: JobFile): { label: string; holdsN: number } {
  if (!isOutdoors(spot, file)) return { label: 'a fixed point of the house', holdsN: FIXED_POINT_N };
  if (spot.floor === 'grass' && !(file.site.forbids ?? []).includes('stakes'))
    return { label: STAKE, holdsN: STAKE_N };
  return { label: HEAVY_WEIGHT, holdsN: HEAVY_KG * GRAVITY * frictionOn(spot.floor) };
}

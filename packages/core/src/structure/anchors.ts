import type { JobFile, Spot } from '@early-lantern/contract';
import { formatMass } from '../quantity/customary.ts';
import { GRAVITY } from '../quantity/force.ts';
import { isOutdoors } from './gust-at.ts';
import { frictionOn } from './standing.ts';

/** What a stake in grass and a fixed point indoors hold, N. From memory, editable defaults. */
const STAKE_N = 150;
const FIXED_POINT_N = 120;
export const HEAVY_KG = 30;

export const STAKE = 'a stake';
const HEAVY = 'a weight of';

/** Whether an anchor is a weight to bring along. */
export const isHeavyWeight = (anchor: string): boolean => anchor.startsWith(HEAVY);

/** What a line is tied down to, and the pull along it that this holds, N: a weight slides before it lifts. */
export function anchorAt(spot: Spot, file: JobFile): { label: string; holdsN: number } {
  if (!isOutdoors(spot, file)) return { label: 'a fixed point of the house', holdsN: FIXED_POINT_N };
  if (spot.floor === 'grass' && !(file.site.forbids ?? []).includes('stakes'))
    return { label: STAKE, holdsN: STAKE_N };
  return {
    label: `${HEAVY} ${formatMass(HEAVY_KG, file.workshop.units)}`,
    holdsN: HEAVY_KG * GRAVITY * frictionOn(spot.floor),
  };
}

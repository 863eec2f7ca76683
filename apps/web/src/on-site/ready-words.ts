import type { Projection } from '@early-lantern/core';
import { clockTime, spanText } from '../parts/time.ts';

/** When it is signed off if all go on like this, and how that lies to doors: "Ready 10:42, 18 min to spare". */
export function readyWords({ readyMs, spareMin }: Projection, zone: string): string {
  if (readyMs === null || spareMin === null) return '';
  const at = clockTime(new Date(readyMs).toISOString(), zone);
  return spareMin >= 0
    ? `Ready ${at}, ${spanText(spareMin)} to spare`
    : `Ready ${at}, ${spanText(spareMin)} too late`;
}

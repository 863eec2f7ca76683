import type { JobFile } from '@early-lantern/contract';
import { distanceKm } from './simulated.ts';

/** Of every drive so many minutes go into setting off and finding the place. From memory, an editable default. */
const ENDS_MIN = 3;

/** How long it takes from one site to another, minutes, and whether that is only the way over the workshop. */
export interface Between {
  minutes: number;
  isOverWorkshop: boolean;
}

/**
 * From one job's place to another's: as fast as the drives between them and the workshop are as surveyed, never shorter
 * than these differ nor longer than the way over the workshop; which it is where nobody has marked the places.
 */
export function driveBetween(from: JobFile, to: JobFile): Between {
  const [there, back] = [from.site.driveMin, to.site.driveMin];
  if (from.site.id === to.site.id) return { minutes: 1, isOverWorkshop: false };
  const [shop, a, b] = [from.workshop.at, from.site.at, to.site.at];
  const longest = Math.max(1, there + back);
  if (!shop || !a || !b) return { minutes: longest, isOverWorkshop: true };
  const drivenMin = Math.max(1, there - ENDS_MIN) + Math.max(1, back - ENDS_MIN);
  const kmPerMin = (distanceKm(shop, a) + distanceKm(shop, b)) / drivenMin;
  const minutes = kmPerMin > 0 ? ENDS_MIN + distanceKm(a, b) / kmPerMin : longest;
  const shortest = Math.max(1, Math.abs(there - back));
  return { minutes: Math.round(Math.min(longest, Math.max(shortest, minutes))), isOverWorkshop: false };
}

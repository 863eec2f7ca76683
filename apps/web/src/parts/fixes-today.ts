import type { Fix, Lamp } from '@early-lantern/contract';
import { DateTime } from 'luxon';

/** The fixes of a lamp for which it is not too late. */
export function fixesToday({ fixes }: Lamp): Fix[] {
  const today = DateTime.now().toISODate();
  return fixes.filter(({ byDay }) => !byDay || byDay >= today);
}

/** What the button of a fix does. */
export const fixVerb = ({ opens }: Fix): string => (opens ? 'Open To buy' : 'Apply');

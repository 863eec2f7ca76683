import type { GearAway, SiteEntry } from '@early-lantern/contract';
import { holdingEntries } from './holding.ts';

/**
 * What has not come home whole: of each line of packing lists, which are called the same in every job, what was told of it last,
 * at whichever job; what is back by then is not among them.
 */
export function gearAway(logs: readonly { job: string; log: readonly SiteEntry[] }[]): GearAway[] {
  const told = logs
    .flatMap(({ job, log }) =>
      holdingEntries(log).flatMap(({ at, event }) =>
        event.kind === 'gear' ? [{ row: event.row, fate: event.fate, job, at }] : [],
      ),
    )
    .sort((one, other) => Date.parse(one.at) - Date.parse(other.at));
  const last = new Map(told.map((one) => [one.row, one]));
  return [...last.values()].flatMap(({ fate, ...one }) => (fate === 'back' ? [] : [{ ...one, fate }]));
}

import type { SiteEntry } from '@early-lantern/contract';

/**
 * What holds of a log: each entry once, without those that another one replaces, by their time.
 *
 * The same whatever the order in which entries became known and however often each did, since it is made from the set of them
 * alone. Once replaced an entry never holds again, also where what replaced it is itself replaced: of two devices that do so without
 * knowing of each other the later one to be heard changes nothing that was settled before. What was signed for stands, whatever says that
 * it replaces it.
 */
export function holdingEntries(log: readonly SiteEntry[]): SiteEntry[] {
  const known = new Map(log.map((entry) => [entry.id, entry]));
  const replaced = new Set(log.flatMap(({ replaces = [] }) => replaces));
  return [...known.values()]
    .filter(({ id, event }) => event.kind === 'signed' || !replaced.has(id))
    .sort(byTime);
}

/** Entries of the same moment stand in the order of their ids: in some order, and everywhere in the same. */
const byTime = (one: SiteEntry, other: SiteEntry): number =>
  Date.parse(one.at) - Date.parse(other.at) || (one.id < other.id ? -1 : 1);

import type { GearAway, GearFate, PackingRow, SiteEntry, SiteEvent } from '@early-lantern/contract';
import { holdingEntries } from './holding.ts';

/** What was told on site of a job's gear. */
export interface GearLog {
  /** The job, by name. */
  job: string;
  log: readonly SiteEntry[];
}

/**
 * What is written when a line of what was to come back is counted.
 * @param open lines that nobody has counted yet
 */
export function gearEvent({ id, gear }: PackingRow, fate: GearFate, open: readonly PackingRow[]): SiteEvent {
  return {
    kind: 'gear',
    row: id,
    fate,
    ...(gear ? { item: gear.item, qty: gear.count } : {}),
    ...(open.every((one) => one.id === id) ? { isAll: true } : {}),
  };
}

/** Lines of a piece begin with its place among the pieces of its job: the same line of another job is another thing. */
export const isLineOfPiece = (row: string): boolean => /^\d+ /.test(row);

/**
 * What has not come home whole: of each line of packing lists, which are called the same in every job save those of its pieces, what was
 * told of it last, at whichever job; what is back by then is not among them.
 */
export function gearAway(logs: readonly GearLog[]): GearAway[] {
  const told = logs
    .flatMap(({ job, log }, i) =>
      holdingEntries(log).flatMap(({ at, event }) => {
        if (event.kind !== 'gear') return [];
        const { row, fate, item, qty } = event;
        const what = { ...(item === undefined ? {} : { item }), ...(qty === undefined ? {} : { qty }) };
        return [{ thing: isLineOfPiece(row) ? `${i} ${row}` : row, fate, away: { row, job, at, ...what } }];
      }),
    )
    .sort((one, other) => Date.parse(one.away.at) - Date.parse(other.away.at));
  const last = new Map(told.map((one) => [one.thing, one]));
  return [...last.values()].flatMap(({ fate, away }) => (fate === 'back' ? [] : [{ ...away, fate }]));
}

/** When everything that was to come back had been counted, RFC 3339; null while it is not. */
export function countedHomeAt(log: readonly SiteEntry[]): string | null {
  const told = holdingEntries(log).flatMap(({ at, event }) => (event.kind === 'gear' ? [{ at, event }] : []));
  return told.some(({ event }) => event.isAll) ? (told.at(-1)?.at ?? null) : null;
}

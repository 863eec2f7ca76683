import { Piece, read } from '@early-lantern/contract';

/**
 * A change made from an older state of a piece, put on the newest: what the change did not touch stays as it is now,
 * inside lists too (a layer added from a panel that had not yet shown the figure typed just before keeps that figure).
 * Where both together would be no sound piece, the change stands alone.
 */
export function rebased(now: Piece, from: Piece, to: Piece): Piece {
  if (now === from) return to;
  const both = merged(now, from, to) as Piece;
  return read(Piece, both).ok ? both : to;
}

/** `now` with whatever differs between `from` and `to`; what was not touched is the same object. */
function merged(now: unknown, from: unknown, to: unknown): unknown {
  if (from === to) return now;
  if (now === from) return to;
  if (Array.isArray(now) && Array.isArray(from) && Array.isArray(to)) return mergedLists(now, from, to);
  if (isRecord(now) && isRecord(from) && isRecord(to)) return mergedRecords(now, from, to);
  return to;
}

type Members = Record<string, unknown>;

const isRecord = (value: unknown): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function mergedRecords(now: Members, from: Members, to: Members): Members {
  const kept = Object.entries(now).filter(([key]) => !(key in from) || key in to);
  const set = Object.keys(to)
    .filter((key) => to[key] !== from[key])
    .map((key) => [key, merged(now[key], from[key], to[key])]);
  return Object.fromEntries([...kept, ...set]);
}

/** Lists as long as before are merged member by member; else what was put in or taken out is, at its place. */
function mergedLists(now: unknown[], from: unknown[], to: unknown[]): unknown[] {
  if (to.length === from.length && now.length === from.length)
    return now.map((one, i) => merged(one, from[i], to[i]));
  const short = Math.min(from.length, to.length);
  let head = 0;
  while (head < short && from[head] === to[head]) head++;
  let tail = 0;
  while (tail < short - head && from.at(-1 - tail) === to.at(-1 - tail)) tail++;
  return now.toSpliced(head, from.length - head - tail, ...to.slice(head, to.length - tail));
}

/** What says where on its spot a piece is. */
const PLACE = new Set(['line', 'at']);

/** Whether two states of a piece differ in nothing but where it is. */
export function isAlikeButPlace(a: Piece, b: Piece): boolean {
  const [before, after] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].every((key) => PLACE.has(key) || before[key] === after[key]);
}

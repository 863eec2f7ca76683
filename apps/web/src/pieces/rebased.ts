import type { Piece } from '@early-lantern/contract';

/** A change made from an older state of a piece, put on the newest: what the change did not touch stays as it is now. */
export function rebased(now: Piece, from: Piece, to: Piece): Piece {
  if (now === from) return to;
  const [was, wanted] = [from as Record<string, unknown>, to as Record<string, unknown>];
  const dropped = Object.keys(was).filter((key) => !(key in wanted));
  const set = Object.entries(wanted).filter(([key, value]) => value !== was[key]);
  const kept = Object.entries(now).filter(([key]) => !dropped.includes(key));
  return Object.fromEntries([...kept, ...set]) as unknown as Piece;
}

/** What says where on its spot a piece is. */
const PLACE = new Set(['line', 'at']);

/** Whether two states of a piece differ in nothing but where it is. */
export function isAlikeButPlace(a: Piece, b: Piece): boolean {
  const [before, after] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].every((key) => PLACE.has(key) || before[key] === after[key]);
}

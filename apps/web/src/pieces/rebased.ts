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

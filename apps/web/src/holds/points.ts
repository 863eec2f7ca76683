import type { Hold, HoldPoint, Piece } from '@early-lantern/contract';

/** The name under which a point stays when a hand places it: its own, or one made of the engine's. */
export const idByHand = ({ id, isLocked }: HoldPoint): string => (isLocked ? id : `hand-${id}`);

/** The piece with one of its points put by hand; the others stay the engine's to place. */
export function withPointAt(piece: Piece, id: string, at: number): Piece {
  const known = piece.hold?.points ?? [];
  const own = known.find((one) => one.id === id) ?? { id };
  const placed = { ...own, at: Number(at.toFixed(4)) };
  const others = known.filter((one) => one.id !== id);
  return withHold(piece, { points: [...others, placed].sort((a, b) => a.at - b.at) });
}

type HoldEdit = { [K in keyof Hold]?: Hold[K] | undefined };

/** The piece held otherwise; what is set to undefined is the engine's to choose again. */
export function withHold(piece: Piece, edit: HoldEdit): Piece {
  const merged = Object.entries({ ...piece.hold, ...edit }).filter(
    ([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0),
  );
  const { hold: _, ...rest } = piece;
  return (merged.length ? { ...rest, hold: Object.fromEntries(merged) } : rest) as Piece;
}

import type { On, PartId, Piece } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import { kindOf } from '../piece/kinds.ts';
import type { Area, Part } from '../piece/part.ts';
import { memoByPiece } from '../quantity/memo.ts';

/** What other pieces can be put on, by the piece's kind. */
export const partsOf = memoByPiece<Piece, [], readonly Part[]>(
  () => [],
  (piece) => kindOf(piece).parts?.(piece) ?? [],
);

/** The part of a piece by its name; undefined where its kind has none such. */
export const partOf = (piece: Piece, id: PartId): Part | undefined =>
  partsOf(piece).find((part) => part.id === id);

/** A carrier with the part that is meant. */
export interface Carrying {
  carrier: Piece;
  part: Part;
}

/** What a piece says carries it, as far as it is there. */
export function carryingOf(on: On | null | undefined, pieces: readonly Piece[]): Carrying | undefined {
  const carrier = on ? pieces.find(({ id }) => id === on.pieceId) : undefined;
  const part = carrier && on ? partOf(carrier, on.part) : undefined;
  return carrier && part ? { carrier, part } : undefined;
}

/** Distance of a point from a part, m: 0 on its area. */
export function distanceTo(part: Part, at: XY): number {
  const lines = part.lines.map((line) => nearestOn(line, at).away);
  return Math.min(part.area ? outside(part.area, at) : Infinity, ...lines);
}

/** The place on a part that lies nearest to a point. */
export function nearestPlace(part: Part, at: XY): XY {
  if (part.area && outside(part.area, at) === 0) return at;
  const onLines = part.lines.map((line) => nearestOn(line, at));
  const { area } = part;
  const onArea = area
    ? [
        {
          x: clamp(at.x, area.xM, area.xM + area.widthM),
          y: clamp(at.y, area.yM, area.yM + area.heightM),
          away: outside(area, at),
        },
      ]
    : [];
  const [first, ...others] = [...onLines, ...onArea];
  return others.reduce((a, b) => (b.away < a.away ? b : a), first ?? { ...at, away: 0 });
}

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** How far outside an area a point lies, m; 0 inside. */
export function outside({ xM, yM, widthM, heightM }: Area, { x, y }: XY): number {
  const dx = Math.max(xM - x, x - xM - widthM, 0);
  const dy = Math.max(yM - y, y - yM - heightM, 0);
  return Math.hypot(dx, dy);
}

function nearestOn(line: readonly XY[], at: XY): XY & { away: number } {
  let best = { x: line[0]?.x ?? 0, y: line[0]?.y ?? 0, away: Infinity };
  const look = (x: number, y: number) => {
    const away = Math.hypot(x - at.x, y - at.y);
    if (away < best.away) best = { x, y, away };
  };
  for (const [i, b] of line.entries()) {
    const a = line[i - 1] ?? b;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const square = dx * dx + dy * dy;
    const t = square > 0 ? clamp(((at.x - a.x) * dx + (at.y - a.y) * dy) / square, 0, 1) : 0;
    look(a.x + dx * t, a.y + dy * t);
  }
  return best;
}

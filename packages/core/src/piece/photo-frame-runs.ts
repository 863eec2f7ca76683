import type { PhotoFrame } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';

/** Where bars meet uprights. */
export const CORNERS = 4;

/** Up the left side, across the top, down the right, feet and all. */
export function uprights({ at, widthM, heightM }: PhotoFrame): XY[] {
  const half = widthM / 2;
  return [
    { x: at.xM - half, y: at.yM },
    { x: at.xM - half, y: at.yM + heightM },
    { x: at.xM + half, y: at.yM + heightM },
    { x: at.xM + half, y: at.yM },
  ];
}

/** What is dressed: with dressed legs the uprights from the floor and the lower bar; else the rectangle alone. */
export function dressedRuns(piece: PhotoFrame): XY[][] {
  const { at, widthM, legM, legs } = piece;
  const half = widthM / 2;
  const lower = [
    { x: at.xM + half, y: at.yM + legM },
    { x: at.xM - half, y: at.yM + legM },
  ];
  const outer = uprights(piece).map((point) =>
    legs === 'bare' ? { x: point.x, y: Math.max(point.y, at.yM + legM) } : point,
  );
  if (legs === 'bare') return [[...outer, ...lower.slice(1)]];
  return legM > 0 ? [outer, lower] : [outer];
}

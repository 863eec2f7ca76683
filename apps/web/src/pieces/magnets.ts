import type { Piece, Point, Spot } from '@early-lantern/contract';
import { boundsOf, nearestPlace, partsOf } from '@early-lantern/core';

/** Positions on the elevation that a dragged piece is drawn to, metres. */
interface Magnets {
  xs: readonly number[];
  ys: readonly number[];
}

/** Middles and ends of the spot and of its other pieces, and the heights of their bars and tops. */
export function magnetsOf(others: readonly Piece[], spot: Pick<Spot, 'widthM'>): Magnets {
  const xs = [0, spot.widthM / 2, spot.widthM];
  const ys: number[] = [];
  for (const piece of others) {
    const bounds = boundsOf(piece);
    if (bounds) xs.push(bounds.xM, bounds.xM + bounds.widthM / 2, bounds.xM + bounds.widthM);
    if ('at' in piece && piece.kind !== 'furnishing') xs.push(piece.at.xM);
    for (const { lines } of partsOf(piece))
      for (const line of lines) {
        const [a, b] = [line[0], line.at(-1)];
        if (!a || !b) continue;
        xs.push(a.x, b.x);
        ys.push(a.y, b.y);
      }
  }
  return { xs, ys };
}

/** Points of a piece that are drawn to magnets: its ends or its middle. */
function anchorsOf(piece: Piece): Point[] {
  if (piece.kind === 'organic-garland') return [piece.line[0] as Point, piece.line.at(-1) as Point];
  if (piece.kind === 'chain') return [piece.from, piece.to];
  if (piece.kind === 'pair-arch')
    return [-1, 1].map((side) => ({ xM: piece.at.xM + (side * piece.spanM) / 2, yM: piece.at.yM }));
  return [piece.at];
}

/** A move of a piece, drawn to the nearest magnet within reach in either direction. */
export function attracted(
  piece: Piece,
  move: { dxM: number; dyM: number },
  { xs, ys }: Magnets,
  reachM: number,
): { dxM: number; dyM: number } {
  const anchors = anchorsOf(piece);
  const pull = (move: number, own: readonly number[], to: readonly number[]) => {
    const offs = own.flatMap((at) => to.map((magnet) => magnet - at - move));
    const nearest = offs.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a), Infinity);
    return Math.abs(nearest) <= reachM ? move + nearest : move;
  };
  return {
    dxM: pull(
      move.dxM,
      anchors.map(({ xM }) => xM),
      xs,
    ),
    dyM: pull(
      move.dyM,
      anchors.map(({ yM }) => yM),
      ys,
    ),
  };
}

/** A point of a line, drawn onto the bar, pole or edge that lies nearest within reach; else as it is. */
export function onPart(point: Point, others: readonly Piece[], reachM: number): Point {
  let best = { point, away: reachM };
  for (const piece of others)
    for (const part of partsOf(piece)) {
      if (part.lines.length === 0) continue;
      // Not the face: its whole area would draw whatever crosses it.
      const { area: _, ...lines } = part;
      const { x, y } = nearestPlace(lines, { x: point.xM, y: point.yM });
      const away = Math.hypot(x - point.xM, y - point.yM);
      if (away < best.away) best = { point: { xM: Number(x.toFixed(5)), yM: Number(y.toFixed(5)) }, away };
    }
  return best.point;
}

import type { HoldPiece, Spot } from '@early-lantern/contract';

/** Room round what is drawn for rulers and names, pixels. */
const MARGIN = { left: 38, right: 22, back: 30, front: 34 };
/** So much floor is shown at least, m. */
const LEAST_M = 2.4;

export interface GroundFrame {
  /** What the drawing shows, m: along the spot, and out from the wall downwards. */
  box: { x: number; y: number; w: number; h: number };
  perM: number;
  /** How far out the floor is drawn, m. */
  deepM: number;
}

/** The scale at which a spot and what stands on it, stakes as well, fill their place when seen from above. */
export function groundFrame(
  spot: Spot,
  held: readonly Pick<HoldPiece, 'ground' | 'tieLines'>[],
  size: { width: number; height: number },
): GroundFrame {
  const outs = held.flatMap(({ ground, tieLines }) => [
    ...ground.map(({ outM, depthM }) => outM + depthM),
    ...tieLines.map(({ toOutM }) => toOutM),
  ]);
  const xs = held.flatMap(({ tieLines }) => tieLines.map(({ toXM }) => toXM));
  const zones = (spot.keepClear ?? []).map(({ frontM = 0, depthM = 0 }) => frontM + depthM);
  const deepM = spot.depthM ?? Math.max(LEAST_M, ...outs, ...zones);
  const from = { x: Math.min(0, ...xs), y: Math.min(0, ...outs) };
  const to = { x: Math.max(spot.widthM, ...xs), y: Math.max(deepM, ...outs) };
  const [across, out] = [to.x - from.x, to.y - from.y];
  const perM = Math.max(
    1,
    Math.min(
      (size.width - MARGIN.left - MARGIN.right) / across,
      (size.height - MARGIN.back - MARGIN.front) / out,
    ),
  );
  const [w, h] = [size.width / perM, size.height / perM];
  // What is left over is shared out on both sides.
  const spare = {
    x: w - across - (MARGIN.left + MARGIN.right) / perM,
    y: h - out - (MARGIN.back + MARGIN.front) / perM,
  };
  return {
    box: {
      x: from.x - MARGIN.left / perM - spare.x / 2,
      y: from.y - MARGIN.back / perM - spare.y / 2,
      w,
      h,
    },
    perM,
    deepM,
  };
}

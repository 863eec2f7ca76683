import type { DrawnShape } from '../piece/picture.ts';
import type { Placement } from '../piece/placement.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { GapMap, holesOnly, outlineOf, seenThrough } from './gaps.ts';
import { type Closed, eachOnce, inRoom, type Look, worstOf, worstSpine } from './look-of.ts';
import type { Balls } from './near-pairs.ts';
import { seenFrom, THREE_VIEWS } from './seen.ts';
import { type Spine, spineSeen } from './spine.ts';

/** Cells of the pictures: for the verdict, and while something is dragged. */
const FINE_M = inchesToMetres(0.25);
const COARSE_M = inchesToMetres(0.5);
const MARGIN_M = inchesToMetres(8);
/** Pressed together balloons flatten: slivers between them narrower than twice this close. From memory. */
const FLATTENS_M = inchesToMetres(0.375);
/** Pipes are gone along in steps of this. */
const STEP_M = inchesToMetres(1);
/** A pipe is clothed from the first place to the last where a balloon's middle is nearer than so many of its radii: a ring of six is as far. */
const CLOTHED = 2.2;
/** At either end the last ring stands half over it: so many steps are left out. */
const ENDS = 5;

/** What is seen of packed work: no fillers go in, its rings close it. */
export type PackedLook = Pick<Look, 'before' | 'after' | 'gaps'>;

/**
 * Packed work seen from the front and 45° either side: its rings lie as they nest, in closed form, so that nothing has to
 * settle. Its edge is scalloped by design; only holes are gaps, and the pipe is not to show where balloons clothe it.
 * @param isQuick roughly and from the front alone, for while it is dragged
 * @returns undefined where the balloons have no depth
 */
export function packedLook(
  { balloons, shapes }: Placement,
  { gapM }: Closed,
  isQuick: boolean,
): PackedLook | undefined {
  if (balloons.every(({ zM }) => zM === undefined)) return undefined;
  // What is put in at corners lies in the middle of the piece.
  const own = balloons.map(({ xM, yM, rM, zM = 0 }) => ({ xM, yM, rM, zM }));
  const cellM = isQuick ? COARSE_M : FINE_M;
  const row = (figure: (ball: (typeof own)[number]) => number) => Float64Array.from(own, figure);
  const balls: Balls = {
    x: row(({ xM }) => xM),
    y: row(({ yM }) => yM),
    z: row(({ zM }) => zM),
    r: row(({ rM }) => rM),
  };
  const flattened = { ...balls, r: balls.r.map((r) => r + FLATTENS_M) };
  const pipes = clothedPipes(shapes, balls);
  const views = (isQuick ? THREE_VIEWS.slice(0, 1) : THREE_VIEWS).map((turn) => {
    const seen = seenFrom(turn, balls, cellM, MARGIN_M);
    const outline = outlineOf(seen, balls);
    return {
      seen,
      through: seenThrough(seen, outline),
      spine: spineSeen(seenFrom(turn, flattened, cellM, MARGIN_M), pipes),
      gaps: new GapMap(seen, holesOnly(seen, outline), gapM / 2).all(),
    };
  });
  const measured = {
    spine: worstSpine(views.map(({ spine }) => spine)),
    throughPct: worstOf(views.map(({ through }) => through)),
    holesPct: Math.max(...views.map(({ through }) => through.holesPct)),
  };
  const gaps = views.flatMap(({ seen, gaps: found }) => found.map((gap) => inRoom(seen, gap, 0)));
  return {
    before: measured,
    after: measured,
    gaps: eachOnce(gaps.sort((one, other) => other.radiusM - one.radiusM)),
  };
}

/** What of each pipe balloons clothe, in the plane of the piece; legs and feet are bare on purpose. */
function clothedPipes(shapes: readonly DrawnShape[], { x, y, z, r }: Balls): Spine[] {
  const isClothed = (px: number, py: number) => {
    for (let i = 0; i < x.length; i++) {
      const reach = CLOTHED * (r[i] as number);
      if (((x[i] as number) - px) ** 2 + ((y[i] as number) - py) ** 2 + (z[i] as number) ** 2 < reach * reach)
        return true;
    }
    return false;
  };
  return shapes.flatMap((shape) => {
    if (shape.shape !== 'line' || shape.tone !== 'pipe') return [];
    const places = alongLine(shape.points);
    const first = places.findIndex(({ x: px, y: py }) => isClothed(px, py));
    const last = places.findLastIndex(({ x: px, y: py }) => isClothed(px, py));
    const points =
      first < 0 ? [] : places.slice(first + ENDS, last + 1 - ENDS).map((place) => ({ ...place, z: 0 }));
    return points.length > 1 ? [{ points, rM: shape.widthM / 2 }] : [];
  });
}

/** Places along a line, an inch apart. */
function alongLine(points: readonly { x: number; y: number }[]): { x: number; y: number }[] {
  return points.slice(1).flatMap((to, i) => {
    const from = points[i] as typeof to;
    const count = Math.max(1, Math.round(Math.hypot(to.x - from.x, to.y - from.y) / STEP_M));
    return Array.from({ length: count }, (_, k) => ({
      x: from.x + ((to.x - from.x) * (k + 0.5)) / count,
      y: from.y + ((to.y - from.y) * (k + 0.5)) / count,
    }));
  });
}

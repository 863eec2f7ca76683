import type { Gap, GapMap } from './gaps.ts';
import type { Balls } from './near-pairs.ts';
import { across, addBall, placed, type Seen, towards } from './seen.ts';
import type { Obstacles } from './soft-balls.ts';
import { type Spine, spineSeen } from './spine.ts';

/** A filler that closes a gap: so many balloons of one radius tied at one knot. */
export interface FillerMake {
  size: number;
  rM: number;
}

/** A filler in its place. */
export interface PlacedFiller {
  /** The gap it was put into: where on which view, and its radius. */
  turn: number;
  gap: Gap;
  /** Of one of its balloons, m. */
  rM: number;
  /** Where its knot is, m. */
  at: { x: number; y: number; z: number };
  balls: { x: number; y: number; z: number }[];
}

/** Turns that a filler is tried in. */
const TURNS = 4;
/** Balloons of one knot lie against each other, pressed by so much. From memory. */
const PRESSED = 0.97;

/** What is to be closed besides gaps: bare stretches of what the balloons hang on from this length on, m. */
export interface ToClose {
  spines: readonly Spine[];
  spineM: number;
}

/** A picture that fillers are put into, with its gaps. */
interface ViewToClose {
  seen: Seen;
  gaps: GapMap;
}

/**
 * Fillers for the gaps and bare stretches seen from several sides: first the stretches, then the gaps, the
 * widest first, each dropped along the line of sight until it
 * touches, in the one of four turns in which it goes deepest. The outline stays that of the base; where one has been put,
 * no other is tried. Greedy, as an installer does who walks round.
 * @param views are changed: every filler is added to all of them
 * @param makeOf what the filler that is put in at this turn is tied of, from 0
 * @param most fillers at the most
 * @param onPut called after so many have been put in, and at the end where there are fewer
 */
export function closeGaps(
  balls: Balls,
  obstacles: Obstacles,
  views: readonly ViewToClose[],
  makeOf: (turn: number) => FillerMake,
  { spines, spineM }: ToClose,
  most: number,
  onPut: { after: number; call: () => void },
): PlacedFiller[] {
  const all = growing(balls);
  const fillers: PlacedFiller[] = [];
  const told = () => {
    if (fillers.length === onPut.after) onPut.call();
  };
  told();
  const hideSpines = () => {
    for (const view of views) {
      const own: Gap[] = [];
      const isPassed = (u: number, v: number) =>
        own.some(({ uM, vM, radiusM }) => Math.hypot(uM - u, vM - v) < radiusM);
      while (fillers.length < most) {
        const { longestM, at } = spineSeen(view.seen, spines, isPassed);
        if (longestM < spineM) break;
        const gap = { ...at, radiusM: longestM / 2 };
        own.push(gap);
        put(view, gap, false);
      }
    }
  };
  const put = (view: ViewToClose, gap: Gap, isPulled: boolean) => {
    const { size, rM } = makeOf(fillers.length);
    const before = dropped(all, obstacles, view.seen, gap, size, rM);
    // What hides the string stays before it.
    const filler = isPulled ? pulledIn(all, spines, before) : before;
    fillers.push(filler);
    for (const { x, y, z } of filler.balls) all.add(x, y, z, rM);
    putIn(views, filler);
    told();
  };
  // What it hangs on first: nobody leaves that in sight; and last, where what closes a gap has left some of it bare.
  hideSpines();
  while (fillers.length < most) {
    let next: { view: ViewToClose; gap: Gap } | undefined;
    for (const view of views) {
      const gap = view.gaps.largest();
      if (gap && (!next || gap.radiusM > next.gap.radiusM)) next = { view, gap };
    }
    if (!next) break;
    put(next.view, next.gap, true);
  }
  hideSpines();
  if (fillers.length < onPut.after) onPut.call();
  return fillers;
}

/** A filler seen in every view; the spot it was put into is not looked at any more. */
export function putIn(views: readonly ViewToClose[], { turn, gap, balls, rM }: PlacedFiller): void {
  for (const { seen, gaps } of views) {
    if (seen.turn === turn) gaps.leave(gap);
    for (const { x, y, z } of balls) {
      addBall(seen, x, y, z, rM);
      gaps.cover(across(seen.turn, x, z), y, rM);
    }
  }
}

/** Balls that more are added to. */
function growing({ x, y, z, r }: Balls) {
  const rows = { x: [...x], y: [...y], z: [...z], r: [...r] };
  return {
    rows,
    add(ax: number, ay: number, az: number, ar: number) {
      rows.x.push(ax);
      rows.y.push(ay);
      rows.z.push(az);
      rows.r.push(ar);
    },
  };
}

/** A filler at a gap: its balloons round the knot across the line of sight, as deep as the first of them lets it. */
function dropped(
  { rows }: ReturnType<typeof growing>,
  { wallZM }: Obstacles,
  { turn }: Seen,
  gap: Gap,
  size: number,
  rM: number,
): PlacedFiller {
  const reach = size === 1 ? 0 : (rM / Math.sin(Math.PI / size)) * PRESSED;
  const offsets = (t: number) =>
    Array.from({ length: size }, (_, i) => {
      const angle = ((i + t / TURNS) / size) * 2 * Math.PI;
      return { u: gap.uM + Math.cos(angle) * reach, v: gap.vM + Math.sin(angle) * reach };
    });
  let best: { w: number; spots: { u: number; v: number }[] } | undefined;
  for (let t = 0; t < TURNS; t++) {
    const spots = offsets(t);
    let w = -Infinity;
    for (const { u, v } of spots) w = Math.max(w, contact(rows, wallZM, turn, u, v, rM));
    if (!best || w < best.w) best = { w, spots };
  }
  const { w, spots } = best as { w: number; spots: { u: number; v: number }[] };
  return {
    turn,
    gap,
    rM,
    at: { ...placed(turn, gap.uM, w), y: gap.vM },
    balls: spots.map(({ u, v }) => ({ ...placed(turn, u, w), y: v })),
  };
}

/**
 * A filler pulled in by its band: each of its balloons goes on towards what the piece is strung on until it touches, so that
 * none stands off in the air. No further than it is wide: the knot keeps them together.
 */
function pulledIn(
  { rows }: ReturnType<typeof growing>,
  spines: readonly Spine[],
  filler: PlacedFiller,
): PlacedFiller {
  const { at, rM } = filler;
  const ties = spines.flatMap(({ points }) => points);
  const far = (one: { x: number; y: number; z: number }) =>
    Math.hypot(one.x - at.x, one.y - at.y, one.z - at.z);
  let tie = ties[0];
  for (const one of ties) if (tie && far(one) < far(tie)) tie = one;
  if (!tie) return filler;
  const to = tie;
  const moved = filler.balls.map((ball) => {
    const [dx, dy, dz] = [to.x - ball.x, to.y - ball.y, to.z - ball.z];
    const long = Math.hypot(dx, dy, dz) || 1;
    const way = { x: dx / long, y: dy / long, z: dz / long };
    const free = freeWay(rows, ball, way, rM, Math.min(2 * rM, long));
    return { x: ball.x + way.x * free, y: ball.y + way.y * free, z: ball.z + way.z * free };
  });
  const mean = (figure: (ball: { x: number; y: number; z: number }) => number) =>
    moved.reduce((sum, ball) => sum + figure(ball), 0) / moved.length;
  return {
    ...filler,
    at: { x: mean(({ x }) => x), y: mean(({ y }) => y), z: mean(({ z }) => z) },
    balls: moved,
  };
}

/** How far a ball goes along a way until it touches another, no farther than so far, m. */
function freeWay(
  { x, y, z, r }: ReturnType<typeof growing>['rows'],
  from: { x: number; y: number; z: number },
  way: { x: number; y: number; z: number },
  rM: number,
  mostM: number,
): number {
  let free = mostM;
  for (let i = 0; i < x.length; i++) {
    const [dx, dy, dz] = [(x[i] as number) - from.x, (y[i] as number) - from.y, (z[i] as number) - from.z];
    const along = dx * way.x + dy * way.y + dz * way.z;
    const reach = ((r[i] as number) + rM) * PRESSED;
    if (along <= 0 || along - reach > free) continue;
    const off = reach * reach - (dx * dx + dy * dy + dz * dz - along * along);
    if (off > 0) free = Math.min(free, Math.max(0, along - Math.sqrt(off)));
  }
  return free;
}

/** How far towards the viewer a ball stops that comes along the line of sight: at the first ball, else at the wall. */
function contact(
  { x, y, z, r }: { x: readonly number[]; y: readonly number[]; z: readonly number[]; r: readonly number[] },
  wallZM: number | undefined,
  turn: number,
  u: number,
  v: number,
  rM: number,
): number {
  let near = -Infinity;
  for (let i = 0; i < x.length; i++) {
    const dv = (y[i] as number) - v;
    const reach = (r[i] as number) + rM;
    if (Math.abs(dv) >= reach) continue;
    const du = across(turn, x[i] as number, z[i] as number) - u;
    const square = reach * reach - du * du - dv * dv;
    if (square <= 0) continue;
    near = Math.max(near, towards(turn, x[i] as number, z[i] as number) + Math.sqrt(square));
  }
  if (near > -Infinity) return near;
  // Nothing in its way: it ends at the wall, or in the plane of the piece.
  return (wallZM ?? 0) + rM;
}

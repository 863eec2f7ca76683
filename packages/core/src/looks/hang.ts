import { LRUCache } from 'lru-cache';
import { doneTo } from '../piece/by-hand.ts';
import type { DressLine } from '../piece/dress-line.ts';
import { dress } from '../piece/dressing.ts';
import { placeDressing } from '../piece/dressing-placement.ts';
import { flatness } from '../piece/organic-law.ts';
import type { Area } from '../piece/part.ts';
import type { DrawnShape } from '../piece/picture.ts';
import type { DressedBalloon } from '../piece/placement.ts';
import { sumOf } from '../quantity/group.ts';
import { inchesToMetres } from '../quantity/length.ts';
import type { Around } from './around.ts';
import { liftOver } from './lift-over.ts';
import { resettle } from './resettle.ts';
import { settleAmong } from './settle-among.ts';
import type { Obstacles, Plate, Rod, TiedBalls } from './soft-balls.ts';
import type { Spine } from './spine.ts';

/** Steps of settling while something is dragged. */
const QUICK_STEPS = 30;
/** What a garland is strung on is seen as a string of 1 in. */
const STRING_R_M = inchesToMetres(0.5);

/** What a piece lies against: boards, balloons that keep their places, and all of it as one word. */
type Surroundings = Pick<Around, 'boards' | 'balls' | 'under' | 'key'>;

/** The base of what is dressed organically as it hangs: settled, without fillers, with what is in its way. */
export interface Hung {
  /** Line by line, in the order of the line. */
  balls: TiedBalls;
  obstacles: Obstacles;
  strings: Spine[];
  /** From the wall to the middle of the piece, m. */
  middleZ: number;
}

const known = new LRUCache<string, Hung>({ max: 60 });

/**
 * The base of a piece hung and settled. Where it hangs depends neither on how many fillers are counted nor, but for
 * stretches of a colour, on the colours: another palette leaves every balloon in its place.
 * @param isQuick a few steps only, for while it is dragged
 * @param around what it lies against: boards, and balloons of what carries it
 */
export function hung(
  lines: readonly DressLine[],
  shapes: readonly DrawnShape[],
  isQuick: boolean,
  around: Surroundings,
): Hung {
  const key = `${isQuick ? 'quick' : 'fine'} ${hangKey(lines, shapes, around)}`;
  const before = known.get(key);
  if (before) return before;
  const dressed = lines.map((line) => placeDressing(line, { ...dress(line), fillers: [], edgeSingles: 0 }));
  const middleZ = middleOf(lines[0] as DressLine);
  const balls = tiedBalls(lines, dressed);
  const strings = stringsOf(lines, dressed);
  liftOver(around.under, balls, strings);
  const meanRM = sumOf([...balls.r]) / Math.max(1, balls.r.length);
  const obstacles = obstaclesOf(lines, shapes, around.boards, middleZ, meanRM);
  const warm = isQuick && around.balls.length === 0 ? lastHung.get(makeKey(lines)) : undefined;
  if (!(warm && followed(balls, warm, obstacles)))
    settleAmong(balls, around.balls, obstacles, isQuick ? QUICK_STEPS : undefined);
  if (isQuick) lastHung.set(makeKey(lines), balls);
  const hanging = { balls, obstacles, strings, middleZ };
  known.set(key, hanging);
  return hanging;
}

/** Where pieces that are being dragged hung last, by how they are made. */
const lastHung = new LRUCache<string, TiedBalls>({ max: 20 });
/** A balloon whose tie moves by this much against the one before it has to settle again, m. */
const BENT_M = 0.002;

/**
 * Lets balloons follow a line that was dragged on from where they hung: each moves with its tie, and only about where the line
 * was bent, or the floor is near, they settle again. Only for while it is dragged: what a verdict goes by depends on nothing
 * that was before.
 * @returns false where they are not the same balloons
 */
function followed(balls: TiedBalls, before: TiedBalls, obstacles: Obstacles): boolean {
  const { x, y, z, r, tieX, tieY } = balls;
  if (r.length !== before.r.length || r.some((radius, i) => radius !== before.r[i])) return false;
  const dx = tieX.map((to, i) => to - (before.tieX[i] as number));
  const dy = tieY.map((to, i) => to - (before.tieY[i] as number));
  const moved: number[] = [];
  for (let i = 0; i < r.length; i++) {
    x[i] = (before.x[i] as number) + (dx[i] as number);
    y[i] = (before.y[i] as number) + (dy[i] as number);
    z[i] = before.z[i] as number;
    const last = Math.max(0, i - 1);
    const bent = Math.hypot(
      (dx[i] as number) - (dx[last] as number),
      (dy[i] as number) - (dy[last] as number),
    );
    const isOnFloor = (y[i] as number) - (r[i] as number) < (obstacles.floorYM ?? -Infinity) && dy[i] !== 0;
    if (bent > BENT_M || isOnFloor) moved.push(i);
  }
  resettle(balls, obstacles, moved, QUICK_STEPS);
  return true;
}

/** How a base is made, wherever its line runs. */
const makeKey = (lines: readonly DressLine[]): string =>
  hangKey(
    lines.map((line) => ({ ...line, chain: [] })),
    [],
    { key: '' },
  );

/** All that decides where the base hangs, as one word. */
export const hangKey = (
  lines: readonly DressLine[],
  shapes: readonly DrawnShape[],
  { key }: Pick<Surroundings, 'key'>,
): string =>
  JSON.stringify([
    lines.map(({ mix, byHand = [], ...line }) => {
      // Who wears which colour, and what covers an edge, moves no balloon.
      const turns = doneTo({ byHand }, 'turn');
      const { seed, sizes, sizePolicy, clusterSize, strung, fullness, largeToFront, stretches } = mix;
      return [line, turns, seed, sizes, sizePolicy, clusterSize, strung, fullness, largeToFront, stretches];
    }),
    shapes.filter(({ tone }) => tone === 'pipe' || tone === 'panel'),
    key,
  ]);

/** How far a line's middle is from the wall: half as deep as it is. */
const middleOf = ({ widthM, taper, backing }: DressLine): number =>
  (flatness(backing) * widthM * (1 + taper)) / 4;

/** The balloons of all lines but the fillers, each tied in the middle of its line. */
function tiedBalls(lines: readonly DressLine[], dressed: readonly (readonly DressedBalloon[])[]): TiedBalls {
  const all = dressed.flatMap((own, i) =>
    own.map((ball) => {
      const line = lines[i] as DressLine;
      const tieZ = middleOf(line);
      // Clusters on a pole are pulled half round it, to the front.
      return { ...ball, tieZ, zM: line.onPole ? tieZ + Math.abs(ball.zM - tieZ) : ball.zM };
    }),
  );
  const row = (figure: (ball: (typeof all)[number]) => number) => Float64Array.from(all, figure);
  return {
    x: row(({ xM }) => xM),
    y: row(({ yM }) => yM),
    z: row(({ zM }) => zM),
    r: row(({ rM }) => rM),
    tieX: row(({ tieX }) => tieX),
    tieY: row(({ tieY }) => tieY),
    tieZ: row(({ tieZ }) => tieZ),
  };
}

/** A wall or the boards behind what lies against them, the floor, and pipes in the middle of their lines. */
function obstaclesOf(
  lines: readonly DressLine[],
  shapes: readonly DrawnShape[],
  behind: readonly Area[],
  z: number,
  meanRM: number,
): Obstacles {
  return {
    ...(lines.some(({ backing }) => backing === 'wall') && behind.length === 0 ? { wallZM: 0 } : {}),
    // Clusters on a pole are pulled half round it, to the front: none of their middles goes far behind it.
    ...(lines.every(({ onPole }) => onPole) ? { wallZM: z - meanRM } : {}),
    floorYM: 0,
    rods: pipesOf(shapes, z),
    plates: [...panelsOf(shapes, z), ...behind.map((area) => asPlate(area, -PANEL_HALF_M))],
  };
}

/** Half as thick as a panel on its board is, m. From memory. */
const PANEL_HALF_M = inchesToMetres(0.75);

/** Panels stand in the plane of the legs that their sides clothe. */
const panelsOf = (shapes: readonly DrawnShape[], zM: number): Plate[] =>
  shapes.flatMap((shape) => (shape.shape === 'box' && shape.tone === 'panel' ? [asPlate(shape, zM)] : []));

const asPlate = ({ xM, yM, widthM, heightM }: Area, zM: number): Plate => ({
  leftM: xM,
  rightM: xM + widthM,
  lowM: yM,
  highM: yM + heightM,
  zM,
  halfM: PANEL_HALF_M,
});

const pipesOf = (shapes: readonly DrawnShape[], z: number): Rod[] =>
  shapes.flatMap((shape) =>
    shape.shape === 'line' && shape.tone === 'pipe'
      ? shape.points.slice(1).map(({ x, y }, i): Rod => {
          const from = shape.points[i] as { x: number; y: number };
          return { from: [from.x, from.y, z], to: [x, y, z], rM: shape.widthM / 2 };
        })
      : [],
  );

/** The strings that the lines are on, from the first tie to the last: beyond there is none. */
const stringsOf = (lines: readonly DressLine[], dressed: readonly (readonly DressedBalloon[])[]): Spine[] =>
  lines.map((line, i) => {
    const z = middleOf(line);
    return {
      points: (dressed[i] as readonly DressedBalloon[]).map(({ tieX, tieY }) => ({ x: tieX, y: tieY, z })),
      rM: STRING_R_M,
    };
  });

import { LRUCache } from 'lru-cache';
import { type DressLine, dress, type FillerCount } from '../piece/dressing.ts';
import { placeDressing } from '../piece/dressing-placement.ts';
import { flatness } from '../piece/organic-law.ts';
import type { DrawnShape } from '../piece/picture.ts';
import type { DressedBalloon, Placement } from '../piece/placement.ts';
import { sumOf } from '../quantity/group.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { closeGaps, type FillerMake } from './close-gaps.ts';
import { type Gap, GapMap, outlineOf, seenThrough, type Through } from './gaps.ts';
import { type Seen, seenFrom, THREE_VIEWS, type Turn } from './seen.ts';
import { type Obstacles, type Rod, settleBalls, type TiedBalls } from './soft-balls.ts';
import { type Spine, type SpineSeen, spineSeen } from './spine.ts';

/** A gap this wide and wider is closed. Common practice, no source. */
export const GAP_M = inchesToMetres(1.5);
/** Nor does more of the string show than this in one stretch. Common practice, no source. */
export const STRING_PEEKS_M = inchesToMetres(1);
/** Cells of the pictures: for the verdict, and while something is dragged. */
const FINE_M = inchesToMetres(0.375);
const COARSE_M = inchesToMetres(0.5);
/** Steps of settling while something is dragged. */
const QUICK_STEPS = 30;
/** Round the pictures as much is left empty. */
const MARGIN_M = inchesToMetres(8);
/** What a garland is strung on is seen as a string of 1 in. */
const STRING_R_M = inchesToMetres(0.5);
/** A trio of 5 in. blown to 4, where no filler is counted. Common practice, no source. */
const USUAL_FILLER: Filler = { name: 'filler trios', nominalIn: 5, size: 3, rM: inchesToMetres(2) };

/** What closes gaps: its name in the plural, the balloons it is tied of, and how large they are. */
interface Filler extends FillerMake {
  name: string;
  nominalIn: number;
}

/** No more fillers than this are looked for beyond those counted. */
const MOST_MORE = 60;

type Bare = Pick<SpineSeen, 'pct' | 'longestM'>;

/** What the eye finds of a piece, as it will hang: before fillers, with those counted, and what would close it. */
export interface Look {
  before: { spine: Bare; throughPct: number };
  after: { spine: Bare; throughPct: number; holesPct: number };
  /** Left with the fillers that are counted, largest first, m on the elevation. */
  gaps: { x: number; y: number; z: number; radiusM: number; turn: Turn }[];
  fillers: Pick<Filler, 'name' | 'nominalIn' | 'size'> & { needed: number; counted: number };
}

const known = new LRUCache<string, Look>({ max: 80 });

/**
 * A piece that is dressed organically settled and seen from the front and 45° either side, by what it is made of: the same
 * design looks the same wherever it stands.
 * @param key of the design
 * @param isQuick roughly and from the front alone, for while it is dragged
 * @returns undefined for what is not dressed organically
 */
export function lookOf(key: string, placement: Placement, isQuick: boolean): Look | undefined {
  const { lines } = placement;
  if (!lines || lines.length === 0) return undefined;
  const name = `${isQuick ? 'quick' : 'fine'} ${key}`;
  const before = known.get(name);
  if (before) return before;
  const look = looked(placement, lines, isQuick);
  known.set(name, look);
  return look;
}

function looked({ shapes }: Placement, lines: readonly DressLine[], isQuick: boolean): Look {
  // Without fillers: where the base hangs does not depend on how many are counted.
  const dressed = lines.map((line) => placeDressing(line, { ...dress(line), fillers: [] }));
  const balls = tiedBalls(lines, dressed);
  const middleZ = middleOf(lines[0] as DressLine);
  const obstacles = obstaclesOf(lines, shapes, middleZ, sumOf([...balls.r]) / Math.max(1, balls.r.length));
  settleBalls(balls, obstacles, isQuick ? { mostSteps: QUICK_STEPS } : {});
  const turns = isQuick ? THREE_VIEWS.slice(0, 1) : THREE_VIEWS;
  const strings = stringsOf(lines, dressed);
  const views = turns.map((turn) => {
    const seen = seenFrom(turn, balls, isQuick ? COARSE_M : FINE_M, MARGIN_M);
    const outline = outlineOf(seen, balls);
    return { seen, closed: outline.closed, gaps: new GapMap(seen, outline) };
  });
  const measured = () => ({
    spine: worstSpine(views.map(({ seen }) => spineSeen(seen, strings))),
    through: views.map(({ seen, closed }) => seenThrough(seen, closed)),
  });
  const bare = isQuick ? undefined : measured();
  const counted = lines.flatMap((line) => dress(line).fillers);
  const number = sumOf(counted.map(({ count }) => count));
  const make = makeOf(counted);
  // Always the same fillers in the same turn: what is left after those counted is what will be seen.
  const toClose = { gapRM: GAP_M / 2, spines: strings, spineM: STRING_PEEKS_M };
  let filled: ReturnType<typeof measured> | undefined;
  let left: Look['gaps'] = [];
  const see = () => {
    filled = measured();
    left = views.flatMap(({ seen, gaps }) => gaps.all(GAP_M / 2).map((gap) => inRoom(seen, gap, middleZ)));
  };
  const most = number + (isQuick ? 0 : MOST_MORE);
  const needed = closeGaps(balls, obstacles, views, make, toClose, most, { after: number, call: see }).length;
  const after = filled ?? measured();
  return {
    before: { spine: (bare ?? after).spine, throughPct: worstOf((bare ?? after).through) },
    after: {
      spine: after.spine,
      throughPct: worstOf(after.through),
      holesPct: Math.max(...after.through.map(({ holesPct }) => holesPct)),
    },
    gaps: eachOnce(left.sort((one, other) => other.radiusM - one.radiusM)),
    fillers: {
      name: make.name,
      nominalIn: make.nominalIn,
      size: make.size,
      needed,
      counted: number,
    },
  };
}

/** Gaps that lie in a wider one, seen from another side, are that one. */
function eachOnce(gaps: Look['gaps']): Look['gaps'] {
  const kept: Look['gaps'] = [];
  for (const gap of gaps)
    if (!kept.some(({ x, y, radiusM }) => Math.hypot(x - gap.x, y - gap.y) < 2 * radiusM)) kept.push(gap);
  return kept;
}

const worstSpine = (seen: readonly SpineSeen[]): Bare => ({
  pct: Math.max(...seen.map(({ pct }) => pct)),
  longestM: Math.max(...seen.map(({ longestM }) => longestM)),
});

const worstOf = (through: readonly Through[]): number =>
  Math.max(...through.map(({ holesPct, notchesPct }) => holesPct + notchesPct));

/** How far a line's middle is from the wall: half as deep as it is. */
const middleOf = ({ widthM, taper, backing }: DressLine): number =>
  (flatness(backing) * widthM * (1 + taper)) / 4;

/** The balloons of all lines but the fillers, each tied in the middle of its line. */
function tiedBalls(lines: readonly DressLine[], dressed: readonly (readonly DressedBalloon[])[]): TiedBalls {
  const all = dressed.flatMap((own, i) =>
    own
      .filter(({ role }) => role === 'base')
      .map((ball) => {
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

/** A wall behind what lies against one, the floor, and pipes in the middle of their lines. */
function obstaclesOf(
  lines: readonly DressLine[],
  shapes: readonly DrawnShape[],
  z: number,
  meanRM: number,
): Obstacles {
  return {
    ...(lines.some(({ backing }) => backing === 'wall') ? { wallZM: 0 } : {}),
    // Clusters on a pole are pulled half round it, to the front: none of their middles goes far behind it.
    ...(lines.every(({ onPole }) => onPole) ? { wallZM: z - meanRM } : {}),
    floorYM: 0,
    rods: pipesOf(shapes, z),
  };
}

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
    const tied = (dressed[i] as readonly DressedBalloon[]).filter(({ role }) => role === 'base');
    const z = middleOf(line);
    return { points: tied.map(({ tieX, tieY }) => ({ x: tieX, y: tieY, z })), rM: STRING_R_M };
  });

/** A gap of a view where its line of sight crosses the middle of the piece. */
const inRoom = ({ turn }: Seen, { uM, vM, radiusM }: Gap, z: number): Look['gaps'][number] => ({
  x: (uM + z * Math.sin(turn)) / Math.cos(turn),
  y: vM,
  z,
  radiusM,
  turn,
});

/** What closes the gaps: the fillers that most are counted of, as large as they are blown on the mean. */
function makeOf(counted: readonly FillerCount[]): Filler {
  const [most] = [...counted].sort((a, b) => b.count - a.count);
  if (!most) return USUAL_FILLER;
  const { name, nominalIn, size, inflatedIn } = most;
  return { name, nominalIn, size, rM: inchesToMetres(inflatedIn.min + inflatedIn.max) / 4 };
}

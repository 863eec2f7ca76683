import type { LookLimits } from '@early-lantern/contract';
import { LRUCache } from 'lru-cache';
import type { DressLine } from '../piece/dress-line.ts';
import { dress, type FillerCount } from '../piece/dressing.ts';
import type { Placement } from '../piece/placement.ts';
import { groupBy, sumOf } from '../quantity/group.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { type Around, alone } from './around.ts';
import { closeGaps, type FillerMake, type PlacedFiller, putIn } from './close-gaps.ts';
import { type Gap, GapMap, type Outline, outlineOf, seenThrough, type Through } from './gaps.ts';
import { type Hung, hangKey, hung } from './hang.ts';
import { type Seen, seenFrom, THREE_VIEWS, type Turn } from './seen.ts';
import { type SpineSeen, spineSeen } from './spine.ts';

/** Cells of the pictures: for the verdict, and while something is dragged. */
const FINE_M = inchesToMetres(0.25);
const COARSE_M = inchesToMetres(0.5);
/** Round the pictures as much is left empty. */
const MARGIN_M = inchesToMetres(8);
/** A trio of 5 in. blown to 4, where no filler is counted. Common practice, no source. */
const USUAL_FILLER: Filler = { name: 'filler trios', nominalIn: 5, size: 3, rM: inchesToMetres(2), count: 0 };

/** What closes gaps: its name in the plural, the balloons it is tied of, how large they are, and how many are counted. */
export interface Filler extends FillerMake {
  name: string;
  nominalIn: number;
  count: number;
}

/** What is closed: gaps as wide as this and wider, and longer bare stretches of string. */
export type Closed = Pick<LookLimits, 'gapM' | 'stringM'>;

/** No more fillers than this are looked for. */
const MOST = 500;

type Bare = Pick<SpineSeen, 'pct' | 'longestM'>;

/** What is seen of a piece from all sides: bare string from the worst, and what is seen through. */
interface Measured {
  spine: Bare;
  throughPct: number;
  holesPct: number;
}

/** A gap in the room, m on the elevation and from the wall, and from where it is seen. */
interface LookGap {
  x: number;
  y: number;
  z: number;
  radiusM: number;
  turn: Turn;
}

/** What the eye finds of a piece, as it will hang: before fillers, with those counted, and what would close it. */
export interface Look {
  hung: Hung;
  before: Measured;
  after: Measured;
  /** Left with the fillers that are counted, largest first. */
  gaps: LookGap[];
  /** The fillers that close it, in the order in which they are put in; those counted first. */
  placed: (PlacedFiller & { make: Filler })[];
  /** Of the make that there may be more of. */
  fillers: Pick<Filler, 'name' | 'nominalIn' | 'size'> & { needed: number; counted: number };
}

const known = new LRUCache<string, Look>({ max: 80 });
const closings = new LRUCache<string, Closing>({ max: 40 });

/**
 * A piece that is dressed organically settled and seen from the front and 45° either side, by what it is made of: the same
 * design looks the same wherever it stands.
 * @param key of the design
 * @param isQuick roughly and from the front alone, for while it is dragged
 * @param around what it lies against
 * @returns undefined for what is not dressed organically
 */
export function lookOf(
  key: string,
  placement: Placement,
  { gapM, stringM }: Closed,
  isQuick: boolean,
  around: Around = alone,
): Look | undefined {
  const { lines } = placement;
  if (!lines || lines.length === 0) return undefined;
  const limits = { gapM, stringM };
  const name = `${isQuick ? 'quick' : 'fine'} ${JSON.stringify([gapM, stringM, around.key])} ${key}`;
  const before = known.get(name);
  if (before) return before;
  const look = looked(placement, lines, limits, isQuick, around);
  known.set(name, look);
  return look;
}

function looked(
  { shapes }: Placement,
  lines: readonly DressLine[],
  limits: Closed,
  isQuick: boolean,
  around: Around,
): Look {
  const makes = makesOf(lines.flatMap((line) => dress(line).fillers));
  const last = makes.at(-1) as Filler;
  const number = sumOf(makes.map(({ count }) => count));
  const before = isQuick ? undefined : closings.get(closingKey(lines, shapes, around, makes, limits));
  const closing = before ?? close(hung(lines, shapes, isQuick, around), makes, limits, number, isQuick);
  if (!isQuick) closings.set(closingKey(lines, shapes, around, makes, limits), closing);
  const { bare, fillers } = closing;
  const after = leftAfter(closing, number);
  return {
    hung: closing.hung,
    before: bare,
    after: after.measured,
    gaps: eachOnce([...after.gaps].sort((one, other) => other.radiusM - one.radiusM)),
    placed: fillers.map((filler, turn) => ({ ...filler, make: makeAt(makes, turn) })),
    fillers: {
      name: last.name,
      nominalIn: last.nominalIn,
      size: last.size,
      needed: Math.max(0, fillers.length - (number - last.count)),
      counted: last.count,
    },
  };
}

/** Those of one make together, the ones for large gaps first: they are put in first. */
function makesOf(counted: readonly FillerCount[]): Filler[] {
  if (counted.length === 0) return [USUAL_FILLER];
  return [...groupBy(counted, ({ name }) => name).values()].map((alike) => {
    const { name, nominalIn, size, inflatedIn } = alike[0] as FillerCount;
    const rM = inchesToMetres(inflatedIn.min + inflatedIn.max) / 4;
    return { name, nominalIn, size, rM, count: sumOf(alike.map(({ count }) => count)) };
  });
}

/** What the filler of this turn is tied of: as many of each make as are counted, and of the last as many as it takes. */
function makeAt(makes: readonly Filler[], turn: number): Filler {
  let before = 0;
  for (const make of makes) {
    before += make.count;
    if (turn < before) return make;
  }
  return makes.at(-1) as Filler;
}

/** A piece seen while it is closed: what is seen of the bare base, the fillers that close it, and what is left then. */
interface Closing {
  hung: Hung;
  limits: Closed;
  isQuick: boolean;
  bare: Measured;
  fillers: PlacedFiller[];
  closed: Left;
  /** After so many fillers, where that was asked before. */
  after: Map<number, Left>;
}

interface Left {
  measured: Measured;
  gaps: LookGap[];
}

const closingKey = (
  lines: readonly DressLine[],
  shapes: Placement['shapes'],
  around: Around,
  makes: readonly Filler[],
  limits: Closed,
) =>
  JSON.stringify([
    limits,
    hangKey(lines, shapes, around),
    // How many there are of the last make changes nothing of where each goes.
    makes.map(({ size, rM, count }, i) => [size, rM, i < makes.length - 1 ? count : 0]),
  ]);

/** Always the same fillers in the same turn: what is left after those counted is what will be seen. */
function close(
  hanging: Hung,
  makes: readonly Filler[],
  limits: Closed,
  number: number,
  isQuick: boolean,
): Closing {
  const { balls, obstacles, strings } = hanging;
  const views = viewsOf(hanging, limits, isQuick);
  const bare = leftIn(views, hanging).measured;
  const after = new Map<number, Left>();
  const fillers = closeGaps(
    balls,
    obstacles,
    views,
    (turn) => makeAt(makes, turn),
    { spines: strings, spineM: limits.stringM },
    isQuick ? number : MOST,
    { after: number, call: () => after.set(number, leftIn(views, hanging)) },
  );
  return { hung: hanging, limits, isQuick, bare, fillers, closed: leftIn(views, hanging), after };
}

/** What is left after so many of the fillers. */
function leftAfter(
  { hung: hanging, limits, isQuick, fillers, closed, after }: Closing,
  number: number,
): Left {
  if (number >= fillers.length) return closed;
  const before = after.get(number);
  if (before) return before;
  const views = viewsOf(hanging, limits, isQuick);
  for (const filler of fillers.slice(0, number)) putIn(views, filler);
  const left = leftIn(views, hanging);
  after.set(number, left);
  return left;
}

/** A piece from one side, with the outline that its bare base has. */
interface View {
  seen: Seen;
  outline: Outline;
  gaps: GapMap;
}

const viewsOf = ({ balls }: Hung, { gapM }: Closed, isQuick: boolean): View[] =>
  (isQuick ? THREE_VIEWS.slice(0, 1) : THREE_VIEWS).map((turn) => {
    const seen = seenFrom(turn, balls, isQuick ? COARSE_M : FINE_M, MARGIN_M);
    const outline = outlineOf(seen, balls);
    return { seen, outline, gaps: new GapMap(seen, outline, gapM / 2) };
  });

function leftIn(views: readonly View[], { strings, middleZ }: Hung): Left {
  const through = views.map(({ seen, outline }) => seenThrough(seen, outline));
  return {
    measured: {
      spine: worstSpine(views.map(({ seen }) => spineSeen(seen, strings))),
      throughPct: worstOf(through),
      holesPct: Math.max(...through.map(({ holesPct }) => holesPct)),
    },
    gaps: views.flatMap(({ seen, gaps }) => gaps.all().map((gap) => inRoom(seen, gap, middleZ))),
  };
}

/** Gaps that lie in a wider one, seen from another side, are that one. */
export function eachOnce(gaps: Look['gaps']): Look['gaps'] {
  const kept: Look['gaps'] = [];
  for (const gap of gaps)
    if (!kept.some(({ x, y, radiusM }) => Math.hypot(x - gap.x, y - gap.y) < 2 * radiusM)) kept.push(gap);
  return kept;
}

/** The worst of all sides. */
export const worstSpine = (seen: readonly SpineSeen[]): Bare => ({
  pct: Math.max(...seen.map(({ pct }) => pct)),
  longestM: Math.max(...seen.map(({ longestM }) => longestM)),
});

export const worstOf = (through: readonly Through[]): number =>
  Math.max(...through.map(({ holesPct, notchesPct }) => holesPct + notchesPct));

/** A gap of a view where its line of sight crosses the middle of the piece. */
export const inRoom = ({ turn }: Seen, { uM, vM, radiusM }: Gap, z: number): LookGap => ({
  x: (uM + z * Math.sin(turn)) / Math.cos(turn),
  y: vM,
  z,
  radiusM,
  turn,
});

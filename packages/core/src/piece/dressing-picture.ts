import { type Station, stationsAt } from '../geometry/line.ts';
import { planColours } from '../pattern/colour-plan.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { seededRandom } from '../quantity/random.ts';
import type { Dressing, DressLine } from './dressing.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Need } from './recipe.ts';
import { settle } from './settle.ts';

interface Placed extends DrawnBalloon {
  /** Towards the viewer. */
  zM: number;
  /** Tie the neck pulls to. */
  tieX: number;
  tieY: number;
}

/**
 * Every counted balloon placed along the garland's line: clusters at even steps with assorted diameters, the large
 * ones towards the thick end, fillers in front; then settled as soft balls against the wall. The drawn balloons are
 * the counted ones, size by size and colour by colour.
 */
export function dressingPicture(line: DressLine, counts: Counts): DrawnBalloon[] {
  const random = seededRandom(line.mix.seed);
  const base = drawBase(line, counts, random);
  const fillers = drawFillers(line, counts, random);
  const placed = [...base, ...fillers];
  settle(placed);
  return placed
    .sort((a, b) => a.zM - b.zM)
    .map(({ xM, yM, rM, colour, role }) => ({ xM, yM, rM, colour, role }));
}

/** What a dressing's counts have to say for its picture. */
interface Counts {
  lengthM: number;
  clusterSize: number;
  clusters: Dressing['clusters'];
  fillerTrios: number;
  needs: readonly Need[];
}

interface Ball {
  rM: number;
  nominalIn: number;
}

/** Balls of a need, diameters spread evenly over its range. */
function balls(needs: readonly Need[], nominalIn: number): Ball[] {
  const count = needs
    .filter((need) => need.nominalIn === nominalIn)
    .reduce((sum, need) => sum + need.count, 0);
  const range = needs.find((need) => need.nominalIn === nominalIn)?.inflatedIn ?? { min: 1, max: 1 };
  return Array.from({ length: count }, (_, i) => ({
    rM: inchesToMetres(range.min + ((i + 0.5) / count) * (range.max - range.min)) / 2,
    nominalIn,
  }));
}

function drawBase(line: DressLine, counts: Counts, random: () => number): Placed[] {
  const needs = counts.needs.filter((need) => need.role === 'base');
  const members = clusterSizes(counts.clusters);
  const clusters = members.length;
  const sizes = [...new Set(needs.map((need) => need.nominalIn))];
  const all = sizes.flatMap((size) => balls(needs, size));
  const slots = shuffled(all, random);
  const largestR = Math.max(...all.map((ball) => ball.rM));
  // A garland that thins carries its large balloons at the thick end: sort by size as strongly as it tapers.
  slots.sort((a, b) => b.key - a.key);
  const pull = 1 - line.taper;
  const ranked = slots
    .map((slot) => ({ ...slot, rank: (1 - pull) * slot.key + pull * (slot.ball.rM / largestR) }))
    .sort((a, b) => b.rank - a.rank);

  const ties = stationsAt(
    line.chain,
    Array.from({ length: clusters }, (_, k) => ((k + 0.5) / clusters) * counts.lengthM),
  );
  let taken = 0;
  const placed = ties.flatMap((tie, k) => {
    const size = members[k] as number;
    const own = ranked.slice(taken, taken + size);
    taken += size;
    const turn = random() * Math.PI * 2;
    return own.map(({ ball }, i) => {
      const angle = turn + (i / own.length) * Math.PI * 2 + (random() - 0.5) * 0.5;
      return { nominalIn: ball.nominalIn, placed: beside(line, counts, tie, angle, ball.rM, 'base') };
    });
  });
  const groups = sizes.map((size) => ({
    balls: placed.filter((entry) => entry.nominalIn === size).map((entry) => entry.placed),
    counts: needs.filter((need) => need.nominalIn === size),
    clusterSize: counts.clusterSize,
  }));
  const largestFirst = [...groups].sort((a, b) => (b.balls[0]?.rM ?? 0) - (a.balls[0]?.rM ?? 0));
  planColours(largestFirst, line.mix.colourPlan, line.mix.colours, random);
  return placed.map((entry) => entry.placed);
}

/** The sizes of all clusters along the line, large and small ones mixed evenly. */
function clusterSizes({ spine, side }: Dressing['clusters']): number[] {
  return [...spine, ...side]
    .flatMap(({ size, count }) => Array.from({ length: count }, (_, i) => ({ size, at: (i + 0.5) / count })))
    .sort((a, b) => a.at - b.at || b.size - a.size)
    .map(({ size }) => size);
}

function shuffled(list: readonly Ball[], random: () => number): { ball: Ball; key: number }[] {
  return list.map((ball) => ({ ball, key: random() }));
}

/** A ball at `angle` round the line: 0 across the wall, a quarter turn towards the viewer. */
function beside(
  line: DressLine,
  counts: Counts,
  tie: Station,
  angle: number,
  rM: number,
  role: Need['role'],
): Placed {
  const widthM = line.widthM * (1 - (1 - line.taper) * (tie.along / counts.lengthM));
  const reach = Math.max(widthM / 2 - rM, rM * 0.4);
  const across = Math.cos(angle) * reach;
  return {
    xM: tie.x - tie.ty * across,
    yM: tie.y + tie.tx * across,
    zM: widthM * 0.34 + Math.sin(angle) * reach * 0.8,
    rM,
    colour: '',
    role,
    tieX: tie.x,
    tieY: tie.y,
  };
}

function drawFillers(line: DressLine, counts: Counts, random: () => number): Placed[] {
  const needs = counts.needs.filter((need) => need.role === 'filler');
  if (counts.fillerTrios === 0) return [];
  const spots = stationsAt(
    line.chain,
    Array.from({ length: counts.fillerTrios }, (_, t) => ((t + 0.5) / counts.fillerTrios) * counts.lengthM),
  );
  const pool = balls(needs, line.mix.fillers.nominalIn);
  const placed = spots.flatMap((spot, t) => {
    // Golden-angle steps over the front half spread the trios without clumping.
    const angle = ((t * 0.618034) % 1) * Math.PI * 0.64 + Math.PI * 0.18;
    return pool.slice(t * 3, t * 3 + 3).map((ball, i) => {
      const at = beside(line, counts, spot, angle, ball.rM, 'filler');
      const turn = (i / 3 + random() * 0.2) * Math.PI * 2;
      return {
        ...at,
        xM: at.xM + Math.cos(turn) * ball.rM,
        yM: at.yM + Math.sin(turn) * ball.rM,
        zM: at.zM + ball.rM * 2,
        tieX: at.xM,
        tieY: at.yM,
      };
    });
  });
  planColours(
    [{ balls: placed, counts: needs, clusterSize: 3 }],
    line.mix.colourPlan,
    line.mix.colours,
    random,
  );
  return placed;
}

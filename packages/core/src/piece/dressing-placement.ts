import type { ColourId } from '@early-lantern/contract';
import { type Station, stationsAt } from '../geometry/line.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { keyedRandom } from '../quantity/random.ts';
import { doneTo, nearestCluster } from './by-hand.ts';
import { EDGE_SINGLES } from './cluster-names.ts';
import type { DressLine } from './dress-line.ts';
import type { Dressing } from './dressing.ts';
import type { DressedBalloon } from './placement.ts';
import type { Need } from './recipe.ts';
import { settle } from './settle.ts';

/**
 * Every counted balloon placed along the garland's line: clusters at even steps with assorted diameters, the large
 * ones towards the thick end, fillers in front; then settled as soft balls against the wall. In the order of the line,
 * the base first. A line that gets longer keeps how it was dealt so far: each ball and cluster has its chance from its own place.
 */
export function placeDressing(line: DressLine, counts: Counts): DressedBalloon[] {
  const placed = [...placeBase(line, counts), ...placeFillers(line, counts)];
  settle(placed);
  return [...placed, ...placeEdgeSingles(line, counts)];
}

/** What a dressing's counts have to say for its placement. */
export interface Counts {
  lengthM: number;
  clusterSize: number;
  clusters: Dressing['clusters'];
  run?: Dressing['run'];
  fillers: Dressing['fillers'];
  edgeSingles: number;
  needs: readonly Need[];
}

/** One to be placed. */
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

function placeBase(line: DressLine, counts: Counts): DressedBalloon[] {
  const { seed } = line.mix;
  const needs = counts.needs.filter((need) => need.role === 'base');
  const members = counts.run?.map(({ size }) => size) ?? clusterSizes(counts.clusters);
  const sizes = [...new Set(needs.map((need) => need.nominalIn))];
  const dealt = counts.run
    ? inStretches(counts.run, needs, seed)
    : inClusters(
        members,
        sizes.flatMap((size) => balls(needs, size)),
        line,
      );
  const ties = stationsAt(line.chain, tiesAlong(members.length, counts, line));
  const largest = Math.max(...sizes);
  const byHand = turnsByHand(line, ties, counts.lengthM);
  return ties.flatMap((tie, k) => {
    const own = dealt[k] as (Ball & { colour?: string })[];
    const turn = keyedRandom(seed, TURN, k) * Math.PI * 2 + (byHand.get(k) ?? 0);
    return own.map((ball, i) => {
      const jitter = keyedRandom(seed, JITTER + i, k) - 0.5;
      const isInFront = line.mix.largeToFront && ball.nominalIn === largest && sizes.length > 1;
      const angle = isInFront ? Math.PI / 2 : turn + (i / own.length) * Math.PI * 2 + jitter * 0.5;
      const at = beside(line, counts, tie, angle, ball, 'base');
      return ball.colour === undefined ? at : { ...at, ofStretch: ball.colour };
    });
  });
}

/** By how much clusters were turned by hand, radians, by their number along the line. */
function turnsByHand(line: DressLine, ties: readonly Station[], lengthM: number): Map<number, number> {
  const turns = new Map<number, number>();
  for (const { at, byDeg } of doneTo(line, 'turn')) {
    const k = nearestCluster(ties, at, lengthM);
    turns.set(k, (turns.get(k) ?? 0) + (byDeg * Math.PI) / 180);
  }
  return turns;
}

/** Balls in clusters of assorted sizes: the large ones towards the thick end as strongly as the garland thins. */
function inClusters(members: readonly number[], all: readonly Ball[], { taper, mix }: DressLine): Ball[][] {
  const largestR = Math.max(...all.map((ball) => ball.rM));
  const pull = 1 - taper;
  const slots = shuffled(all, mix.seed).sort((a, b) => b.key - a.key);
  const ranked = slots
    .map((slot) => ({ ...slot, rank: (1 - pull) * slot.key + pull * (slot.ball.rM / largestR) }))
    .sort((a, b) => b.rank - a.rank)
    .map(({ ball }) => ball);
  const order = mix.largeToFront ? spreadLargest(ranked) : ranked;
  let taken = 0;
  return members.map((size) => {
    const own = order.slice(taken, taken + size);
    taken += size;
    return own;
  });
}

/** The balls of the largest size at even steps among the others. */
function spreadLargest(ranked: readonly Ball[]): Ball[] {
  const largest = Math.max(...ranked.map(({ nominalIn }) => nominalIn));
  const large = ranked.filter(({ nominalIn }) => nominalIn === largest);
  const small = ranked.filter(({ nominalIn }) => nominalIn !== largest);
  const at = (i: number, count: number) => (i + 0.5) / count;
  return [
    ...large.map((ball, i) => ({ ball, at: at(i, large.length) })),
    ...small.map((ball, i) => ({ ball, at: at(i, small.length) })),
  ]
    .sort((a, b) => a.at - b.at)
    .map(({ ball }) => ball);
}

/** Balls of each cluster's own colour, its sizes assorted. */
function inStretches(
  run: NonNullable<Dressing['run']>,
  needs: readonly Need[],
  seed: number,
): (Ball & { colour: ColourId })[][] {
  const pools = new Map<string, Ball[]>();
  for (const colour of new Set(run.map((cluster) => cluster.colour))) {
    const own = needs.filter((need) => need.colour === colour);
    const all = [...new Set(own.map((need) => need.nominalIn))].flatMap((size) => balls(own, size));
    const order = shuffled(all, seed).sort((a, b) => b.key - a.key);
    pools.set(
      colour,
      order.map(({ ball }) => ball),
    );
  }
  return run.map(({ size, colour }) =>
    (pools.get(colour)?.splice(0, size) ?? []).map((ball) => ({ ...ball, colour })),
  );
}

/** The sizes of all clusters along the line, large and small ones mixed evenly. */
function clusterSizes({ spine, side }: Dressing['clusters']): number[] {
  return [...spine, ...side]
    .flatMap(({ size, count }) => Array.from({ length: count }, (_, i) => ({ size, at: (i + 0.5) / count })))
    .sort((a, b) => a.at - b.at || b.size - a.size)
    .map(({ size }) => size);
}

/** A key for each ball by which they are put in order; by its size and its number of that size. */
function shuffled(list: readonly Ball[], seed: number): { ball: Ball; key: number }[] {
  const passed = new Map<number, number>();
  return list.map((ball) => {
    const place = passed.get(ball.nominalIn) ?? 0;
    passed.set(ball.nominalIn, place + 1);
    return { ball, key: keyedRandom(seed, ORDER + ball.nominalIn, place) };
  });
}

/** What is drawn by chance, so that no two things share theirs. */
const TURN = 1;
const JITTER = 100;
const ORDER = 200;
const FILLER = 400;

/** Where clusters are tied, m along the line: at even steps, and those that corners and tail take besides where they belong. */
function tiesAlong(count: number, { lengthM, run }: Counts, { extraAt = [] }: DressLine): number[] {
  const extra = run ? [] : extraAt.slice(0, Math.max(0, count - 1));
  const even = count - extra.length;
  return [
    ...Array.from({ length: even }, (_, k) => ((k + 0.5) / even) * lengthM),
    ...extra.map((share) => share * lengthM),
  ].sort((a, b) => a - b);
}

/** A ball at `angle` round the line: 0 across the wall, a quarter turn towards the viewer. */
function beside(
  line: DressLine,
  counts: Counts,
  tie: Station,
  angle: number,
  { rM, nominalIn }: Ball,
  role: Need['role'],
): DressedBalloon {
  const widthM = line.widthM * (1 - (1 - line.taper) * (tie.along / counts.lengthM));
  const reach = Math.max(widthM / 2 - rM, rM * 0.4);
  const across = Math.cos(angle) * reach;
  return {
    xM: tie.x - tie.ty * across,
    yM: tie.y + tie.tx * across,
    zM: widthM * 0.34 + Math.sin(angle) * reach * 0.8,
    rM,
    role,
    nominalIn,
    tieX: tie.x,
    tieY: tie.y,
  };
}

function placeFillers(line: DressLine, counts: Counts): DressedBalloon[] {
  return counts.fillers.flatMap((filler) => {
    const { name, size, count, foldedFromIn } = filler;
    const spots = stationsAt(
      line.chain,
      Array.from({ length: count }, (_, t) => ((t + 0.5) / count) * counts.lengthM),
    );
    const pool = balls(fillerNeedsSeen(counts, filler), foldedFromIn ?? filler.nominalIn);
    return spots.flatMap((spot, t) => {
      // Golden-angle steps over the front half spread them without clumping.
      const angle = ((t * 0.618034) % 1) * Math.PI * 0.64 + Math.PI * 0.18;
      return pool.slice(t * size, (t + 1) * size).map((ball, i) => {
        const at = beside(line, counts, spot, angle, ball, 'filler');
        const turn = (i / size + keyedRandom(line.mix.seed, FILLER + i, t) * 0.2) * Math.PI * 2;
        const reach = size === 1 ? 0 : ball.rM;
        return {
          ...at,
          filler: name,
          xM: at.xM + Math.cos(turn) * reach,
          yM: at.yM + Math.sin(turn) * reach,
          zM: at.zM + ball.rM * 2,
          tieX: at.xM,
          tieY: at.yM,
        };
      });
    });
  });
}

/** Single balloons side by side on the edges that the line runs along, in front of the board. */
function placeEdgeSingles(line: DressLine, { lengthM, edgeSingles, needs }: Counts): DressedBalloon[] {
  const need = needs.find(({ cluster }) => cluster === EDGE_SINGLES);
  if (!need || edgeSingles === 0) return [];
  const rM = inchesToMetres(need.inflatedIn.max) / 2;
  // What clothes a pole has the panel in its own plane, everything else in front of it.
  const zM = (line.onPole ? line.widthM * 0.34 : 0) + rM;
  return doneTo(line, 'edge').flatMap(({ at, asideM, singles }) =>
    Array.from({ length: singles }, (_, i) => {
      const along = at * lengthM + (i - (singles - 1) / 2) * 2 * rM;
      const [spot] = stationsAt(line.chain, [Math.min(lengthM, Math.max(0, along))]) as [Station];
      const place = { x: spot.x - spot.ty * asideM, y: spot.y + spot.tx * asideM };
      return {
        xM: place.x,
        yM: place.y,
        zM,
        rM,
        role: 'accent' as const,
        nominalIn: need.nominalIn,
        tieX: place.x,
        tieY: place.y,
      };
    }),
  );
}

/** The balloons of a filler as they are seen: of a folded one both halves. */
export function fillerNeedsSeen(counts: Counts, filler: Dressing['fillers'][number]): Need[] {
  const { name, nominalIn, foldedFromIn } = filler;
  return counts.needs
    .filter((need) => need.cluster === name && need.nominalIn === (foldedFromIn ?? nominalIn))
    .map((need) => (foldedFromIn === undefined ? need : { ...need, count: need.count * 2 }));
}

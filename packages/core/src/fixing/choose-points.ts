import { beamReactions, type PointLoad, tributaryLoads } from '../structure/beam.ts';

/** A place on a line where something can be fixed. */
export interface Candidate {
  atM: number;
  /** What it holds there, N. */
  ratingN: number;
  /** Chosen by hand: it is kept, whatever else is chosen. */
  isLocked: boolean;
}

/** A length that hangs from points of its own. */
export interface Run {
  lengthM: number;
  loads: readonly PointLoad[];
  /** Wind on it, N, across its weight; left out, none. */
  across?: readonly PointLoad[];
  /** By position, rising, no two in one place. */
  candidates: readonly Candidate[];
  /** Rated load over load that is asked for. */
  factor: number;
  fewest: number;
  /** Longest free length between two points, m. */
  longestSpanM: (fromM: number, toM: number) => number;
  /** Longest free end at the start and at the end, m. */
  freeStartM: number;
  freeEndM: number;
}

export interface Choice {
  /** Indices of candidates, rising. */
  chosen: number[];
  /** Whether it was shown that no fewer would do. */
  isProven: boolean;
}

/** What each point bears, N: as a stiff beam or as a limp string, whichever is worse. */
export function pointLoads(atM: readonly number[], loads: readonly PointLoad[]): number[] {
  const asBeam = beamReactions(atM, loads);
  return tributaryLoads(atM, loads).map((limp, i) => Math.max(limp, asBeam[i] as number));
}

/** What each point bears of weight and wind together, N: at right angles. */
export const borneLoads = (atM: readonly number[], { loads, across = [] }: Run): number[] => {
  const wind = across.length ? pointLoads(atM, across) : [];
  return pointLoads(atM, loads).map((down, i) => Math.hypot(down, wind[i] ?? 0));
};

/** Whether a choice of candidates holds the run: ends, spans, number, locked points and every load. */
export function holds(run: Run, chosen: readonly number[]): boolean {
  const points = chosen.map((i) => run.candidates[i] as Candidate);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || points.length < run.fewest) return false;
  if (first.atM > run.freeStartM + HAIR || last.atM < run.lengthM - run.freeEndM - HAIR) return false;
  if (points.some((point, i) => i > 0 && !spans(run, points[i - 1] as Candidate, point))) return false;
  if (run.candidates.some((one, i) => one.isLocked && !chosen.includes(i))) return false;
  return borneLoads(
    points.map((point) => point.atM),
    run,
  ).every((load, i) => load * run.factor <= (points[i] as Candidate).ratingN + HAIR);
}

const HAIR = 1e-9;
/** Choices looked at in all: after so many only the best by tributary loads is tried of each number, without proof. */
const MOST_LOOKS = 6_000;

const spans = (run: Run, a: Candidate, b: Candidate) =>
  b.atM - a.atM <= run.longestSpanM(a.atM, b.atM) + HAIR;

/**
 * The fewest points that hold a run, and of these the choice whose least factor as a limp string is greatest.
 *
 * For each number of points from the least that the spans allow: dynamic programming over pairs of neighbours finds the
 * best choice by tributary loads, a bound for the stiff beam; if the beam asks more than that choice gives, all choices
 * of this number are looked through before one more point is taken.
 * @returns undefined where no choice holds
 */
export function choosePoints(run: Run): Choice | undefined {
  const { candidates } = run;
  if (candidates.length === 0) return undefined;
  const reach = reachable(run);
  const [down, across] = [cumulative(run.loads), cumulative(run.across ?? [])];
  const weight: LoadBetween = (from, to) => Math.hypot(down(to) - down(from), across(to) - across(from));
  const layers: Layers = [];
  let isProven = true;
  let looksLeft = MOST_LOOKS;
  const least = Math.max(run.fewest, candidates.filter((one) => one.isLocked).length, 1);
  for (let count = least; count <= candidates.length; count++) {
    const best = bestByTributary(run, reach, weight, count, layers);
    if (!best) continue;
    if (holds(run, best)) return { chosen: best, isProven };
    const looked = lookThrough(run, reach, count, looksLeft);
    looksLeft -= looked.looks;
    if (looked.chosen) return { chosen: looked.chosen, isProven };
    if (!looked.isComplete) isProven = false;
  }
  return undefined;
}

/** Which candidates may follow each: within the span, and not past a locked one. */
function reachable(run: Run): number[][] {
  return run.candidates.map((from, i) => {
    const next: number[] = [];
    for (let j = i + 1; j < run.candidates.length; j++) {
      const to = run.candidates[j] as Candidate;
      if (spans(run, from, to)) next.push(j);
      if (to.isLocked) break;
    }
    return next;
  });
}

const canStart = (run: Run, i: number) =>
  (run.candidates[i] as Candidate).atM <= run.freeStartM + HAIR &&
  run.candidates.slice(0, i).every((one) => !one.isLocked);

const canEnd = (run: Run, i: number) =>
  (run.candidates[i] as Candidate).atM >= run.lengthM - run.freeEndM - HAIR &&
  run.candidates.slice(i + 1).every((one) => !one.isLocked);

/** Load up to and with a position, N. */
function cumulative(loads: readonly PointLoad[]): (atM: number) => number {
  const sorted = [...loads].sort((a, b) => a.atM - b.atM);
  const sums: number[] = [];
  sorted.reduce((sum, { loadN }, i) => {
    sums[i] = sum + loadN;
    return sum + loadN;
  }, 0);
  return (atM) => {
    let [low, high] = [0, sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((sorted[middle] as PointLoad).atM <= atM) low = middle + 1;
      else high = middle;
    }
    return low === 0 ? 0 : (sums[low - 1] as number);
  };
}

/** What bears down and across between two positions, N. */
type LoadBetween = (fromM: number, toM: number) => number;

/** Factor of a point between two others (or an end), by what is nearer to it than to them. */
function tributaryFactor(run: Run, weight: LoadBetween, i: number, j: number, k: number): number {
  const at = (one: number) => (run.candidates[one] as Candidate).atM;
  const from = i < 0 ? -Infinity : (at(i) + at(j)) / 2;
  const to = k < 0 ? Infinity : (at(j) + at(k)) / 2;
  const load = weight(from, to);
  return load > 0 ? (run.candidates[j] as Candidate).ratingN / load : Infinity;
}

interface Step {
  factor: number;
  before: number;
}

/**
 * By number of points: of c + 2 points so far the last two are i and j, kept under i · n + j; i's factor is settled, j's
 * is not. Grown as far as is asked, so that one more point need not begin anew.
 */
type Layers = Map<number, Step>[];

/** Exactly `count` points with the greatest least factor by tributary loads; undefined where none reaches `factor`. */
function bestByTributary(
  run: Run,
  reach: readonly number[][],
  weight: LoadBetween,
  count: number,
  layers: Layers,
): number[] | undefined {
  const n = run.candidates.length;
  const enough = (factor: number) => factor >= run.factor - HAIR;
  const starts = Array.from({ length: n }, (_, i) => i).filter((i) => canStart(run, i));
  if (count === 1) {
    const one = starts
      .filter((i) => canEnd(run, i))
      .map((i) => ({ i, factor: tributaryFactor(run, weight, -1, i, -1) }))
      .sort((a, b) => b.factor - a.factor)[0];
    return one && enough(one.factor) ? [one.i] : undefined;
  }
  if (layers.length === 0) {
    const first = new Map<number, Step>();
    for (const i of starts) {
      for (const j of reach[i] as number[]) {
        const factor = tributaryFactor(run, weight, -1, i, j);
        if (enough(factor)) first.set(i * n + j, { factor, before: -1 });
      }
    }
    layers.push(first);
  }
  for (let c = layers.length + 2; c <= count; c++) {
    const layer = new Map<number, Step>();
    for (const [key, step] of layers[c - 3] as Map<number, Step>) {
      const [i, j] = [Math.floor(key / n), key % n];
      for (const k of reach[j] as number[]) {
        const factor = Math.min(step.factor, tributaryFactor(run, weight, i, j, k));
        if (!enough(factor)) continue;
        const known = layer.get(j * n + k);
        if (!known || factor > known.factor) layer.set(j * n + k, { factor, before: i });
      }
    }
    layers.push(layer);
  }
  let best: { key: number; factor: number } | undefined;
  for (const [key, step] of layers[count - 2] as Map<number, Step>) {
    const [i, j] = [Math.floor(key / n), key % n];
    if (!canEnd(run, j)) continue;
    const factor = Math.min(step.factor, tributaryFactor(run, weight, i, j, -1));
    if (enough(factor) && (!best || factor > best.factor)) best = { key, factor };
  }
  if (!best) return undefined;
  const chosen = [Math.floor(best.key / n), best.key % n];
  for (let c = count - 2; c > 0; c--) {
    const [i, j] = chosen as [number, number];
    chosen.unshift(((layers[c] as Map<number, Step>).get(i * n + j) as Step).before);
  }
  return chosen;
}

/** Looks at every choice of `count` points, until one holds or `most` were looked at. */
function lookThrough(run: Run, reach: readonly number[][], count: number, most: number) {
  let looks = 0;
  let found: number[] | undefined;
  const chosen: number[] = [];
  const extend = (): boolean => {
    if (chosen.length === count) {
      looks += 1;
      if (canEnd(run, chosen.at(-1) as number) && holds(run, chosen)) {
        found = [...chosen];
        return true;
      }
      return looks >= most;
    }
    const next =
      chosen.length === 0
        ? run.candidates.map((_, i) => i).filter((i) => canStart(run, i))
        : (reach[chosen.at(-1) as number] as number[]);
    for (const i of next) {
      chosen.push(i);
      if (extend()) return true;
      chosen.pop();
    }
    return false;
  };
  if (most > 0) extend();
  return { chosen: found, looks, isComplete: looks < most };
}

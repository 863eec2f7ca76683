import type { HoldPoint, HoldRules, JobFile, PieceOf, Spot } from '@early-lantern/contract';
import { DRAG, dynamicPressure, SOLID } from '../air/wind.ts';
import { formatLength } from '../quantity/length.ts';
import type { PointLoad } from '../structure/beam.ts';
import { gustAt, isOutdoors } from '../structure/gust-at.ts';
import {
  borneLoads,
  type Candidate,
  type Choice,
  choosePoints,
  pointLoads,
  type Run,
} from './choose-points.ts';
import { type GarlandLine, garlandLine, garlandLoads, type LoadOnLine } from './garland-line.ts';
import { hookFor, methods, refusal } from './methods.ts';
import { ladderFor, tiedAtM } from './reach.ts';
import { footPeg, lyingPoints } from './resting-points.ts';
import { type Asked, candidatesOf, GRID_M, type Placed, placeOf } from './where-to-fix.ts';

/** A garland's points, what each bears, and what is wrong with them. */
export interface Hanging {
  points: HoldPoint[];
  /** When a point lets go: the factor its section is left with, by the point's id; worked out when asked. */
  ifGone: ReadonlyMap<string, () => number>;
  /** Whether it was shown that no fewer points would do. */
  isProven: boolean;
  troubles: string[];
}

/** Longest free lengths, m: about 2 ft overhead, three points on an upright section. Common practice, no source. */
const SPAN_OVERHEAD_M = 0.67;
const SPAN_SLANTED_M = 0.8;
const SPAN_UPRIGHT_M = 1;
const FREE_END_M = 0.3;

/**
 * The fewest points for each section of a garland, each section bearing itself and what is on it; points locked by
 * hand stay and are checked.
 * @param cuts where it is parted, as shares of its length; @param dressingKg mass of the garland alone; @param onIt what is on it
 */
export function hangGarland(
  piece: PieceOf<'organic-garland'>,
  spot: Spot,
  file: JobFile,
  rules: HoldRules,
  cuts: readonly number[],
  dressingKg: number,
  onIt: readonly LoadOnLine[],
): Hanging {
  const line = garlandLine(piece, spot);
  const asked = { piece, spot, file, rules, line };
  const loads = garlandLoads(line, dressingKg, onIt);
  const ends = [...cuts, 1];
  const hung = ends.map((end, section) => {
    const begin = ends[section - 1] ?? 0;
    const fromM = Math.max(begin * line.lengthM, Math.min(line.restsM, line.lengthM));
    const toM = end * line.lengthM;
    return hangSection(asked, section, fromM, toM, loads);
  });
  const foot = footPeg(asked);
  const lying = lyingPoints(asked);
  return {
    points: [...foot, ...lying.points, ...hung.flatMap((one) => one.points)],
    ifGone: new Map(hung.flatMap((one) => [...one.ifGone])),
    isProven: hung.every((one) => one.isProven),
    troubles: [...new Set([...lying.troubles, ...hung.flatMap((one) => one.troubles)])],
  };
}

const nothing: Hanging = { points: [], ifGone: new Map(), isProven: true, troubles: [] };

function hangSection(
  asked: Asked,
  section: number,
  fromM: number,
  toM: number,
  loads: readonly PointLoad[],
): Hanging {
  const { piece, line, rules } = asked;
  // What lies on the floor needs no point.
  if (toM - fromM < 0.15) return nothing;
  const borne = loads.filter(({ atM }) => atM >= fromM && atM < toM);
  // A point is thought of as bearing about half its section.
  const wantedN = (rules.hookFactor * borne.reduce((sum, { loadN }) => sum + loadN, 0)) / 2;
  const places = candidatesOf(asked, fromM, toM, wantedN);
  const isUpright = line.isUpright((fromM + toM) / 2);
  const run: Run = {
    lengthM: toM - fromM,
    loads: borne.map(({ atM, loadN }) => ({ atM: atM - fromM, loadN })),
    across: windOn(asked, fromM, toM),
    candidates: places.map(({ candidate }) => candidate),
    factor: rules.hookFactor,
    // Bottom, middle and top is advice: whoever places points by hand may hang a light one from two.
    fewest: isUpright && !piece.hold?.points?.length ? 3 : 2,
    longestSpanM: (a, b) => longestSpan(line, fromM + (a + b) / 2),
    freeStartM: fromM > 0 && fromM === line.restsM ? SPAN_SLANTED_M : FREE_END_M,
    freeEndM: FREE_END_M,
  };
  const choice = sureChoice(run, line.isOverhead((fromM + toM) / 2));
  // Where nothing holds, all that could be had is shown, so that one sees where it fails.
  const chosen =
    choice?.chosen ??
    run.candidates.map((_, i) => i).filter((i) => i % 3 === 0 || run.candidates[i]?.isLocked);
  const strongest = asPoints(asked, section, fromM, run, places, chosen);
  const { points, run: hung } = withClasses(asked, strongest, run, places, chosen);
  const told = points.flatMap(({ trouble, spotXYM }) =>
    trouble ? [`${piece.name}, ${lengthWords(asked, spotXYM.yM)} up: ${trouble}.`] : [],
  );
  return {
    points,
    ifGone: new Map(
      choice ? chosen.map((i) => [(places[i] as Placed).id, () => whenGone(hung, chosen, i)]) : [],
    ),
    isProven: choice?.isProven ?? true,
    troubles: told.length || choice ? told : [whyNot(asked, run, section, (fromM + toM) / 2)],
  };
}

/**
 * Each point with the lightest class of hooks that keeps its factor there, where the business has classes; the
 * strongest all along where overhead, with lighter ones, one that lets go would bring the next down.
 */
function withClasses(
  asked: Asked,
  points: readonly HoldPoint[],
  run: Run,
  places: readonly Placed[],
  chosen: readonly number[],
): { points: HoldPoint[]; run: Run } {
  const { spot, file, rules, line } = asked;
  const pressure = isOutdoors(spot, file) ? dynamicPressure(gustAt(spot, file).gustMs) : 0;
  const withHooks = (isStrongest: boolean) => {
    const classes = points.map(({ method, loadN, windNPerPa }, k) => {
      const { place } = places[chosen[k] as number] as Placed;
      const bornN = isStrongest ? Infinity : Math.hypot(loadN, windNPerPa * pressure);
      return hookFor(method, place, file.workshop, rules.hookFactor, bornN);
    });
    const candidates = [...run.candidates];
    for (const [k, i] of chosen.entries()) {
      const candidate = candidates[i];
      const hook = classes[k];
      // A point that may not be holds nothing, whatever its class.
      if (candidate && hook && candidate.ratingN > 0) candidates[i] = { ...candidate, ratingN: hook.ratingN };
    }
    return { classes, run: { ...run, candidates } };
  };
  const isSure = (tried: Run) => chosen.every((i) => whenGone(tried, chosen, i) >= 1);
  const lightest = withHooks(false);
  const isOverhead = points.some(({ at }) => line.isOverhead(at * line.lengthM));
  const kept = isOverhead && !isSure(lightest.run) && isSure(run) ? withHooks(true) : lightest;
  return {
    points: points.map((point, k) => {
      const hook = kept.classes[k];
      if (!hook || point.ratingN === 0) return point;
      const { id, name, ratingN } = hook;
      const factor = Math.min(99, point.loadN > 0 ? ratingN / point.loadN : 99);
      return { ...point, hook: { id, name }, ratingN, factor };
    }),
    run: kept.run,
  };
}

/** More points than hold are tried, this many, until none that lets go brings the next down. */
const MORE_POINTS = 6;

/** The fewest points that hold; overhead, so many that one that lets go leaves the others holding, where that can be. */
function sureChoice(run: Run, isOverhead: boolean): Choice | undefined {
  const least = choosePoints(run);
  if (!least || !isOverhead) return least;
  const isSure = ({ chosen }: Choice) => chosen.every((i) => whenGone(run, chosen, i) >= 1);
  for (let more = 0, choice: Choice | undefined = least; choice && more <= MORE_POINTS; more++) {
    if (isSure(choice)) return choice;
    const fewest: number = choice.chosen.length + 1;
    choice = fewest <= run.candidates.length ? choosePoints({ ...run, fewest }) : undefined;
  }
  return least;
}

/** Wind along a section that hangs outdoors, N, at the gust that it is checked at. */
function windOn({ spot, file, line }: Asked, fromM: number, toM: number): PointLoad[] {
  if (!isOutdoors(spot, file)) return [];
  const pressure = dynamicPressure(gustAt(spot, file).gustMs);
  const count = Math.max(1, Math.round((toM - fromM) / GRID_M));
  const each = (toM - fromM) / count;
  return Array.from({ length: count }, (_, i) => {
    const atM = (i + 0.5) * each;
    return { atM, loadN: DRAG * SOLID * line.widthAt(fromM + atM) * each * pressure };
  });
}

const lengthWords = ({ file }: Asked, metres: number) => formatLength(metres, file.workshop.units);

function longestSpan(line: GarlandLine, along: number): number {
  if (line.isOverhead(along)) return SPAN_OVERHEAD_M;
  return line.isUpright(along) ? SPAN_UPRIGHT_M : SPAN_SLANTED_M;
}

function asPoints(
  { file, spot, line, piece }: Asked,
  section: number,
  fromM: number,
  run: Run,
  places: readonly Placed[],
  chosen: readonly number[],
): HoldPoint[] {
  if (chosen.length === 0) return [];
  const positions = chosen.map((i) => (run.candidates[i] as Candidate).atM);
  const loads = pointLoads(positions, run.loads);
  const locks = new Map((piece.hold?.points ?? []).map((one) => [one.id, one.method]));
  return chosen.map((i, k): HoldPoint => {
    const { id, place, candidate, method } = places[i] as Placed;
    const along = fromM + candidate.atM;
    const { xM, yM } = line.at(along);
    // Its own is what is nearer to it than to its neighbours, and a free end.
    const [before, after] = [positions[k - 1], positions[k + 1]];
    const fromOwn = before === undefined ? 0 : (before + candidate.atM) / 2;
    const toOwn = after === undefined ? run.lengthM : (candidate.atM + after) / 2;
    const ownM = toOwn - fromOwn;
    const loadN = loads[k] as number;
    const ladder = ladderFor(tiedAtM(spot, { xM, yM }, place.fixingId), file);
    const refused = candidate.isLocked ? refusal(locks.get(id) ?? method, place) : undefined;
    const trouble = refused ?? (ladder && 'trouble' in ladder ? ladder.trouble : undefined);
    return {
      id,
      spotXYM: { xM: Number(xM.toFixed(3)), yM: Number(yM.toFixed(3)) },
      at: Number((along / line.lengthM).toFixed(4)),
      section,
      method,
      surface: place.surface,
      ...(place.fixingId ? { fixing: place.fixingId } : {}),
      ...(place.on ? { on: place.on } : {}),
      loadN,
      windNPerPa: place.isOutdoors ? DRAG * SOLID * line.widthAt(along) * ownM : 0,
      ratingN: candidate.ratingN,
      factor: Math.min(99, loadN > 0 ? candidate.ratingN / loadN : 99),
      isLocked: candidate.isLocked,
      ...(trouble ? { trouble } : {}),
      ...(ladder && !('trouble' in ladder) ? { ladder } : {}),
    };
  });
}

/** Why no choice of points holds a section. */
function whyNot(asked: Asked, run: Run, section: number, along: number): string {
  const { piece, spot, file } = asked;
  const name = piece.name + (run.candidates.length && section ? `, section ${section + 1}` : '');
  if (run.candidates.length === 0) {
    const place = placeOf(asked, along);
    if (!place)
      return `${name}: it does not reach what it hangs on; move it there, or choose what carries it.`;
    const reasons = methods
      .filter(({ surfaces, refused }) => place.surface in { ...surfaces, ...refused })
      .map(({ id, label }) => `${label}: ${refusal(id, place)}`);
    const unseen = spot.fixings === undefined ? ' What there is to tie to has not been surveyed.' : '';
    return `${name}: nothing is allowed here to fix it with${reasons.length ? ` (${reasons.join('; ')})` : ''}.${unseen}`;
  }
  if (pointsTooFar(run))
    return `${name}: the places it can be fixed at lie too far apart or leave an end free for more than ${formatLength(FREE_END_M, file.workshop.units)}.`;
  return `${name}: its weight is more than the points can bear ${run.factor} times over.`;
}

const pointsTooFar = (run: Run): boolean =>
  choosePoints({ ...run, loads: run.loads.map((load) => ({ ...load, loadN: 0 })) }) === undefined;

/**
 * What is left of a point's neighbours when it lets go: the least rating over load among those that remain, 0 where none
 * does.
 */
function whenGone(run: Run, chosen: readonly number[], gone: number): number {
  const points = chosen.filter((i) => i !== gone).map((i) => run.candidates[i] as Candidate);
  if (points.length === 0) return 0;
  const loads = borneLoads(
    points.map((point) => point.atM),
    run,
  );
  return Math.min(...points.map(({ ratingN }, k) => ratingN / Math.max(1e-9, loads[k] as number)));
}

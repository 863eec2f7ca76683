import type { HoldCase, HoldRules, Spot } from '@early-lantern/contract';
import { speedOf } from '../air/wind.ts';
import { GRAVITY } from '../quantity/force.ts';

/** What the business asks who has not said otherwise. From memory, editable defaults. */
export const usualRules: HoldRules = {
  hookFactor: 3,
  indoorFactor: 1.5,
  outdoorFactor: 2,
  bumpN: 50,
  bumpHeightM: 1.2,
  personKg: 90,
  packedStiffness: 3,
  assumedGustMs: 8,
};

/** One foot that a piece stands on. */
interface Foot {
  xM: number;
  /** Base plate and what is put on it, kg. */
  massKg: number;
  /** Along the piece and from front to back, m. */
  widthM: number;
  depthM: number;
}

/** A piece that stands: all that overturning asks of it. */
export interface Standing {
  feet: readonly Foot[];
  /** Whether the frame is stiff enough for its feet to act together. */
  isJoined: boolean;
  /** All above the feet: frame and dressing, kg, and where its weight acts, m right of the middle. */
  massKg: number;
  xM: number;
  /** Dressed outline that the wind meets, m², drag and solidity counted in, from the front and from the side. */
  dragFrontM2: number;
  dragSideM2: number;
  /** Height at which the wind acts, m; from the side, where that is another. */
  windHeightM: number;
  windHeightSideM?: number;
  /** Highest point that can be bumped or tied, m. */
  topM: number;
  /** Pull at the top, push outward at each foot, N: an arch between towers, a bent pipe. */
  pullAtTopN: number;
  pushAtFootN: number;
  friction: number;
  ties: TieSet | undefined;
}

/** Lines to each of front and back. */
export interface TieSet {
  perSide: number;
  heightM: number;
  reachM: number;
  /** How far a stake stands to one side of its line's upper end, m; the lines of a side pull evenly to both. */
  sideM: number;
  /** What one anchor holds, N along the line. */
  anchorN: number;
  /** Of a bent arch: all at the crown, or at 0.4 and 0.6 of the arc. */
  at?: 'crown' | 'shoulders';
}

/** A line is drawn this tight by hand. From memory, an editable default. */
export const PRETENSION_N = 20;

/** What the ties of one side hold back, N horizontally: the anchors' load less the hand's pull, along the slope. */
export function tieForce(ties: TieSet): number {
  return ties.perSide * Math.max(0, ties.anchorN - PRETENSION_N) * acrossShare(ties);
}

/** Of the pull along a line, what acts forward or back: reach over the line's length. */
const acrossShare = ({ heightM, reachM, sideM }: TieSet): number =>
  reachM / Math.hypot(heightM, reachM, sideM);

/** Pull in one line when its side holds `forceN` forward or back: over the share that acts so, with the pretension. */
export function tieTension(ties: TieSet, forceN: number): number {
  return Math.max(0, forceN) / ties.perSide / acrossShare(ties) + PRETENSION_N;
}

/**
 * Every way a standing piece could come down, each with what resists it. Overturning about every edge: front, back,
 * left and right; sliding; a bump. Joined feet act together, others stand each for themselves with their share.
 * @param isStiff false for what bends in the wind before it tips to the front or back: a bent pipe has cases of its own
 */
export function standingCases(
  standing: Standing,
  rules: HoldRules,
  isOutdoors: boolean,
  isStiff = true,
): HoldCase[] {
  const required = isOutdoors ? rules.outdoorFactor : rules.indoorFactor;
  const { feet, massKg, ties } = standing;
  const total = massKg + feet.reduce((sum, foot) => sum + foot.massKg, 0);
  const weightN = total * GRAVITY;
  const depthM = Math.min(...feet.map((foot) => foot.depthM));
  const held = ties ? tieForce(ties) * ties.heightM : 0;
  const cases: HoldCase[] = (isStiff ? (['front', 'back'] as const) : []).map((side) => ({
    label: `tips over to the ${side}`,
    resists: weightN * (depthM / 2) + held,
    pushes: 0,
    perPa: standing.dragFrontM2 * standing.windHeightM,
    unit: 'N·m',
    required,
  }));
  if (standing.topM >= rules.bumpHeightM && rules.bumpN > 0) {
    cases.push({
      label: 'tips over when bumped',
      resists: weightN * (depthM / 2) + held,
      pushes: rules.bumpN * rules.bumpHeightM,
      perPa: 0,
      unit: 'N·m',
      // An accident, not a load that lasts: it must just not go over.
      required: 1,
    });
  }
  cases.push(...sidewaysCases(standing, required));
  cases.push({
    label: 'slides away',
    resists: standing.friction * weightN + (ties ? tieForce(ties) : 0),
    pushes: 0,
    perPa: Math.max(standing.dragFrontM2, standing.dragSideM2),
    unit: 'N',
    required,
  });
  if (standing.pushAtFootN > 0) {
    cases.push({
      label: 'its bases slide apart',
      resists: (standing.friction * weightN) / feet.length,
      pushes: standing.pushAtFootN,
      perPa: 0,
      unit: 'N',
      required,
    });
  }
  return cases;
}

/** Over to the left and to the right: about the outer edge of the outermost feet, or of the weakest foot alone. */
function sidewaysCases(standing: Standing, required: number): HoldCase[] {
  const { feet, massKg, xM, dragSideM2, pullAtTopN, topM } = standing;
  const windHeightM = standing.windHeightSideM ?? standing.windHeightM;
  const joined = standing.isJoined || feet.length === 1;
  const groups = joined ? [feet] : feet.map((foot) => [foot]);
  return (['left', 'right'] as const).map((side) => {
    const sign = side === 'left' ? 1 : -1;
    const parts = groups.map((group) => {
      const share = group.length / feet.length;
      const edge =
        side === 'left'
          ? Math.min(...group.map((foot) => foot.xM - foot.widthM / 2))
          : Math.max(...group.map((foot) => foot.xM + foot.widthM / 2));
      // Feet on their own carry their share of the dressing above themselves.
      const dressingX = joined ? xM : (group[0] as Foot).xM;
      const arm = sign * (dressingX - edge);
      const own = group.reduce((sum, foot) => sum + foot.massKg * GRAVITY * sign * (foot.xM - edge), 0);
      const dressing = massKg * share * GRAVITY;
      // A tower on its own is pulled over by the arch it carries; feet joined by a bent pipe push against each other.
      const pull = joined && feet.length > 1 ? 0 : Math.abs(pullAtTopN) * topM;
      return {
        resists: own + Math.max(0, arm) * dressing,
        pushes: Math.max(0, -arm) * dressing + pull,
        perPa: dragSideM2 * share * windHeightM,
      };
    });
    const worst = parts.reduce((a, b) => (b.resists - b.pushes < a.resists - a.pushes ? b : a));
    return { label: `tips over to the ${side}`, ...worst, unit: 'N·m' as const, required };
  });
}

/** What pushes at a dynamic pressure, the wind's part counted in: in a straight line between the points of a curve. */
export function pushAt({ pushes, perPa, curve }: HoldCase, pressurePa: number): number {
  const even = pushes + perPa * pressurePa;
  if (!curve) return even;
  const next = curve.findIndex(({ pa }) => pa >= pressurePa);
  if (next < 0) return Infinity;
  const [a, b] = [curve[next - 1], curve[next] as { pa: number; pushes: number }];
  if (!a) return even + b.pushes;
  return even + a.pushes + ((b.pushes - a.pushes) * (pressurePa - a.pa)) / (b.pa - a.pa);
}

/** Resistance over everything that pushes, at a dynamic pressure. Infinite where nothing pushes. */
export function factorAt(one: HoldCase, pressurePa: number): number {
  const over = pushAt(one, pressurePa);
  return over > 0 ? Math.max(0, one.resists) / over : Infinity;
}

/** The gust at which a case's factor is `factor`, m/s; infinite where no wind matters, 0 where it fails without. */
export function gustFor(one: HoldCase, factor: number): number {
  const { resists, pushes, perPa, curve } = one;
  if (curve) {
    const bears = (pa: number) => factorAt(one, pa) >= factor;
    if (!bears(0)) return 0;
    let from = 0;
    for (const { pa } of curve) {
      if (bears(pa)) {
        from = pa;
        continue;
      }
      // Within the step where it fails, halving finds where.
      let to = pa;
      for (let round = 0; round < 40; round++) {
        const middle = (from + to) / 2;
        if (bears(middle)) from = middle;
        else to = middle;
      }
      return speedOf(from);
    }
    return speedOf(from);
  }
  const left = resists / factor - pushes;
  if (left <= 0) return 0;
  return perPa > 0 ? speedOf(left / perPa) : Infinity;
}

/** The case that governs: least of factor over required. */
export function governing(cases: readonly HoldCase[], pressurePa: number): HoldCase | undefined {
  const margin = (one: HoldCase) => factorAt(one, pressurePa) / one.required;
  return cases.reduce<HoldCase | undefined>(
    (worst, one) => (worst && margin(worst) <= margin(one) ? worst : one),
    undefined,
  );
}

/** Friction of a base on a floor, no unit. From memory, editable defaults; not looked at, polished is assumed. */
export const frictionOn = (floor: Spot['floor']): number =>
  ({ polished: 0.2, carpet: 0.4, paving: 0.5, grass: 0.35, gravel: 0.35 })[floor ?? 'polished'];

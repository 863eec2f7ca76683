import type { HoldCase, HoldRules, Working } from '@early-lantern/contract';
import { dynamicPressure } from '../air/wind.ts';
import { GRAVITY } from '../quantity/force.ts';
import { working } from '../working.ts';
import {
  type ArchInWind,
  type ArchLines,
  baseMomentNm,
  bendingStrain,
  fallShare,
  leanM,
  leverM2,
  linePullN,
  snapNPerM,
  windStrain,
} from './arch-in-wind.ts';
import type { BentArch, Carrier, OwnFeet } from './carrier.ts';
import { gustFor, PRETENSION_N, type TieSet } from './standing.ts';

const IN_PLANE = 'tips its bases in its own plane';
/** A lean of this share of the rise lies over for good. From memory. */
const MOST_LEAN = 0.3;
/** Wind at which it would snap through over the wind. From memory: half the snapping pressure as a limit. */
const SNAP_FACTOR = 2;
/** Cord of 100 lb, N, and what a knot leaves of it; its stiffness E · A, N. From memory, editable defaults. */
const CORD_N = 445;
const KNOT = 0.5;
const CORD_EA_N = 2000;
/** Gusts that a curve is drawn through: 0 to 30 m/s. */
const PRESSURES = Array.from({ length: 31 }, (_, gustMs) => dynamicPressure(gustMs));

/** Every way a bent arch gives way in the wind across it, and how its bases are tipped in its own plane. */
export interface ArchAnswer {
  /** By what one foot weighs, kg, base and ballast; with the pipe as stiff as its balloons are taken to make it. */
  casesWith: (footKg: number) => HoldCase[];
  /** The same with the bare pipe. */
  bareWith: (footKg: number) => HoldCase[];
  /** Pull in each windward line, N. */
  tensionN: (pressurePa: number) => number;
  workingWith: (footKg: number) => Working[];
}

/**
 * @param carrier with all that hangs on it
 */
export function archAnswer(
  arch: BentArch,
  carrier: Carrier,
  ties: TieSet | undefined,
  base: OwnFeet,
  rules: HoldRules,
  required: number,
): ArchAnswer {
  const lines: ArchLines | undefined = ties && {
    at: ties.at ?? 'crown',
    perSide: ties.perSide,
    heightM: ties.heightM,
    reachM: ties.reachM,
    sideM: ties.sideM,
    eaN: CORD_EA_N,
  };
  const { pipe, lengthM, spanM, riseM, meanHeightM, isFormed, restMomentNm } = arch;
  const times = (stiffer: number): ArchInWind => ({
    stiffnessNm2: pipe.youngPa * pipe.inertiaM4 * stiffer,
    odM: pipe.odM,
    lengthM,
    spanM,
    riseM,
    meanHeightM,
    weightNPerM: (carrier.massKg * GRAVITY) / lengthM,
    bentStrain: isFormed ? 0 : bendingStrain(pipe.odM, lengthM, spanM),
    lines,
  });
  const [plain, packed] = [times(1), times(rules.packedStiffness)];
  // What hangs on it, as wind along the pipe that tips it as much.
  const perPa = (carrier.dragFrontM2 * carrier.windHeightM) / (2 * leverM2(plain));
  const curve = (pushes: (windNPerM: number) => number) => {
    const points = PRESSURES.map((pa) => ({ pa, pushes: pushes(perPa * pa) }));
    const beyond = points.findIndex((one) => !Number.isFinite(one.pushes));
    return beyond < 0 ? points : points.slice(0, beyond);
  };
  const casesOf = (one: ArchInWind): HoldCase[] => {
    const even = { pushes: 0, perPa: 0 };
    const tipping = (windNPerM: number) =>
      2 * Math.max(...[plain, one].map((as) => baseMomentNm(as, windNPerM)).filter(Number.isFinite), 0);
    const tips = { resists: 0, ...even, curve: curve(tipping), unit: 'N·m' as const, required };
    return [
      { label: 'tips over to the front', ...tips },
      { label: 'tips over to the back', ...tips },
      ...(lines && ties
        ? [
            {
              label: 'is pulled down by its lines until its crown snaps through',
              resists: snapNPerM(one, lines),
              pushes: 0,
              perPa,
              unit: 'N/m' as const,
              required: SNAP_FACTOR,
            },
            {
              label: 'tears a tie line at its knot',
              resists: CORD_N * KNOT,
              ...even,
              curve: curve((wind) => drawn(linePullN(one, lines, wind))),
              unit: 'N' as const,
              required,
            },
            {
              label: 'pulls out what its lines are tied to',
              resists: ties.anchorN,
              ...even,
              curve: curve((wind) => drawn(linePullN(one, lines, wind))),
              unit: 'N' as const,
              required,
            },
          ]
        : [
            {
              label: 'leans over in the wind',
              resists: MOST_LEAN * riseM,
              ...even,
              curve: curve((wind) => leanM(one, wind)),
              unit: 'm' as const,
              required: 1,
            },
          ]),
      {
        label: 'bends too far',
        resists: pipe.refuseStrain * 100,
        ...even,
        curve: curve((wind) => windStrain(one, wind, restMomentNm) * 100),
        unit: '%',
        required: 1,
      },
      {
        label: IN_PLANE,
        resists: 0,
        pushes: Math.abs(restMomentNm),
        perPa: 0,
        unit: 'N·m',
        required,
      },
    ];
  };
  const [cases, bare] = [casesOf(packed), casesOf(plain)];
  // Only the tipping cases know what the feet weigh: the rest is worked out once for every ballast tried.
  const weighted = (list: readonly HoldCase[]) => (footKg: number) => {
    const kg = 2 * footKg + carrier.massKg;
    return list.map((one) =>
      one.label === IN_PLANE
        ? { ...one, resists: (kg / 2) * GRAVITY * (base.widthM / 2) }
        : one.unit === 'N·m'
          ? { ...one, resists: kg * GRAVITY * (base.depthM / 2) }
          : one,
    );
  };
  const [casesWith, bareWith] = [weighted(cases), weighted(bare)];
  return {
    casesWith,
    bareWith,
    tensionN: (pressurePa) => (lines ? drawn(linePullN(packed, lines, perPa * pressurePa)) : 0),
    workingWith: (footKg) => archWorking(plain, packed, casesWith(footKg), bareWith(footKg)),
  };
}

/** A line drawn tight by hand, N: until its leeward partner goes slack the two share what the wind adds. */
const drawn = (pullN: number): number => Math.max(PRETENSION_N + pullN / 2, pullN);

const SOURCE =
  'closed formulas fitted to a geometrically exact beam finite-element model, errors to ± 15 %; gusts do not swing in it';

function archWorking(
  plain: ArchInWind,
  packed: ArchInWind,
  cases: readonly HoldCase[],
  bare: readonly HoldCase[],
): Working[] {
  const limit = (list: readonly HoldCase[]) =>
    Math.min(...list.map((one) => gustFor(one, one.required)).filter(Number.isFinite));
  return [
    working(
      'Bent pipe in the wind across it',
      'least gust at which it leans over, snaps through, strains, tears a line or tips',
      [
        ['bare pipe, E I', plain.stiffnessNm2, 'N·m²'],
        ['taken with its balloons', packed.stiffnessNm2, 'N·m²'],
        ['weight of it all', plain.weightNPerM, 'N/m'],
        ['of what lays it down', fallShare(plain) * 100, '%'],
        ['bare pipe holds to', limit(bare), 'm/s'],
      ],
      { value: limit(cases), unit: 'm/s' },
      `${SOURCE}; how much balloons stiffen a pipe is not known: three times from memory, an editable default`,
    ),
  ];
}

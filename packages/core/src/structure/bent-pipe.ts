import { type BentRod, bentRod } from '../geometry/elastica.ts';
import { DERIVED, working } from '../working.ts';
import type { Pipe } from './pipes.ts';

/** Weight over stiffness, `w L³ / EI`, beyond which a pipe is not taken to carry its dressing. From memory. */
const MOST_WEIGHT = 400;

/** A pipe bent into an arch: its shape, and what that does to it. */
export interface BentPipe {
  rod: BentRod;
  /** Horizontal push at each base, N: stiffness and own weight. */
  thrustN: number;
  /** Weight over stiffness, `w L³ / EI`, no unit. */
  weight: number;
  /** Tightest radius, at the crown or the bases, m. */
  radiusM: number;
  /** Strain of the outermost fibre there, no unit. */
  strain: number;
  /** Moment at each base in the plane of the arch, N·m. */
  baseMomentNm: number;
  verdict: 'sound' | 'may creep in heat' | 'kinks' | 'sags';
}

/**
 * The elastica of a pipe with both bases upright, under its own weight and that of its dressing, and its strain
 * `κ · OD / 2` where it is bent most. Thrust is `f · EI / L²`. Of a pipe formed to its shape beforehand only what the
 * weight adds is in it.
 * @param lengthM of the pipe; @param spanM between the bases; @param loadNPerM weight of pipe and dressing
 */
export function bendPipe(
  pipe: Pipe,
  lengthM: number,
  spanM: number,
  loadNPerM: number,
  isFormed = false,
): BentPipe {
  const stiffness = pipe.youngPa * pipe.inertiaM4;
  const weight = (loadNPerM * lengthM ** 3) / stiffness;
  // Heavier than this it sags whatever the span: reckoned at the limit, and refused.
  const sags = weight > MOST_WEIGHT;
  const rod = bentRod(lengthM, spanM, Math.min(weight, MOST_WEIGHT));
  const unloaded = isFormed ? bentRod(lengthM, spanM) : undefined;
  const curvature = (rod.tightestCurvature - (unloaded?.tightestCurvature ?? 0)) / lengthM;
  const strain = Math.abs(curvature * pipe.odM) / 2;
  return {
    rod,
    thrustN: Math.max(0, ((rod.thrust - (unloaded?.thrust ?? 0)) * stiffness) / lengthM ** 2),
    weight,
    radiusM: lengthM / rod.tightestCurvature,
    strain,
    baseMomentNm: ((rod.baseCurvature - (unloaded?.baseCurvature ?? 0)) * stiffness) / lengthM,
    verdict: sags
      ? 'sags'
      : strain > pipe.refuseStrain
        ? 'kinks'
        : strain > pipe.warnStrain
          ? 'may creep in heat'
          : 'sound',
  };
}

/** The bend shown step by step. */
export const bendWorking = (pipe: Pipe, lengthM: number, spanM: number, bent: BentPipe) => [
  working(
    'Strain where it is bent most',
    `OD / (2 radius); refused over ${pipe.refuseStrain * 100} %${pipe.warnStrain < pipe.refuseStrain ? `, may creep over ${pipe.warnStrain * 100} %` : ': it stays bent'}`,
    [
      ['L', lengthM, 'm'],
      ['span', spanM, 'm'],
      ['radius', bent.radiusM, 'm'],
      ['OD', pipe.odM, 'm'],
    ],
    { value: bent.strain * 100, unit: '%' },
    `${DERIVED}; ${pipe.source}`,
  ),
  working(
    'Push at each base',
    'f · EI / L², f from the bent shape under its weight',
    [
      ['EI', pipe.youngPa * pipe.inertiaM4, 'N·m²'],
      ['L', lengthM, 'm'],
      ['f', bent.rod.thrust],
      ['w L³ / EI', bent.weight],
      ['rise', bent.rod.rise, 'm'],
    ],
    { value: bent.thrustN, unit: 'N' },
    `${DERIVED}; the planar elastica of Euler`,
  ),
];

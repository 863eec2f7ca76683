import { type BentRod, bentRod } from '../geometry/elastica.ts';
import { DERIVED, working } from '../working.ts';
import type { Pipe } from './pipes.ts';

/** Strain at which PVC is warned of and refused. From memory, an editable default. */
const WARN_STRAIN = 0.01;
const REFUSE_STRAIN = 0.02;

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
  verdict: 'sound' | 'may creep in heat' | 'kinks' | 'sags';
}

/**
 * The elastica of a pipe with both bases upright, under its own weight and that of its dressing, and its strain
 * `κ · OD / 2` where it is bent most. Thrust is `f · EI / L²`.
 * @param lengthM of the pipe; @param spanM between the bases; @param loadNPerM weight of pipe and dressing
 */
export function bendPipe(pipe: Pipe, lengthM: number, spanM: number, loadNPerM: number): BentPipe {
  const stiffness = pipe.youngPa * pipe.inertiaM4;
  const weight = (loadNPerM * lengthM ** 3) / stiffness;
  // Heavier than this it sags whatever the span: reckoned at the limit, and refused.
  const sags = weight > MOST_WEIGHT;
  const rod = bentRod(lengthM, spanM, Math.min(weight, MOST_WEIGHT));
  const curvature = rod.tightestCurvature / lengthM;
  const strain = (curvature * pipe.odM) / 2;
  return {
    rod,
    thrustN: (rod.thrust * stiffness) / lengthM ** 2,
    weight,
    radiusM: 1 / curvature,
    strain,
    verdict: sags
      ? 'sags'
      : strain > REFUSE_STRAIN
        ? 'kinks'
        : strain > WARN_STRAIN
          ? 'may creep in heat'
          : 'sound',
  };
}

/** The bend shown step by step. */
export const bendWorking = (pipe: Pipe, lengthM: number, spanM: number, bent: BentPipe) => [
  working(
    'Strain where it is bent most',
    'curvature · OD / 2; over 1 % may creep, over 2 % is refused',
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
      ['f', bent.rod.thrust],
      ['w L³ / EI', bent.weight],
      ['rise', bent.rod.rise, 'm'],
    ],
    { value: bent.thrustN, unit: 'N' },
    `${DERIVED}; the planar elastica of Euler`,
  ),
];

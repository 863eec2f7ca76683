import { type BentRod, bentRod } from '../geometry/elastica.ts';
import { DERIVED, working } from '../working.ts';
import type { Pipe } from './pipes.ts';

/** Strain at which PVC is warned of and refused. From memory, an editable default. */
const WARN_STRAIN = 0.01;
const REFUSE_STRAIN = 0.02;

/** A pipe bent into an arch: its shape, and what that does to it. */
export interface BentPipe {
  rod: BentRod;
  /** Horizontal push at each base, N: stiffness and own weight. */
  thrustN: number;
  /** Tightest radius, at the crown or the bases, m. */
  radiusM: number;
  /** Strain of the outermost fibre there, no unit. */
  strain: number;
  verdict: 'sound' | 'may creep in heat' | 'kinks';
}

/**
 * The elastica of a pipe with both bases upright, and its strain `κ · OD / 2`.
 *
 * Thrust is the elastica's, `f · EI / L²`, and that of the weight it carries, as of a three-hinged arch,
 * `w · span² / (8 · rise)`: an upper bound for shallow sag, small beside the stiffness in steep arches.
 * @param lengthM of the pipe; @param spanM between the bases; @param loadNPerM weight of pipe and dressing
 */
export function bendPipe(pipe: Pipe, lengthM: number, spanM: number, loadNPerM: number): BentPipe {
  const rod = bentRod(lengthM, spanM);
  const stiffness = pipe.youngPa * pipe.inertiaM4;
  const ownN = (loadNPerM * spanM ** 2) / (8 * rod.rise);
  const curvature = rod.crownCurvature / lengthM;
  const strain = (curvature * pipe.odM) / 2;
  return {
    rod,
    thrustN: (rod.thrust * stiffness) / lengthM ** 2 + ownN,
    radiusM: 1 / curvature,
    strain,
    verdict: strain > REFUSE_STRAIN ? 'kinks' : strain > WARN_STRAIN ? 'may creep in heat' : 'sound',
  };
}

/** The bend shown step by step. */
export const bendWorking = (pipe: Pipe, lengthM: number, spanM: number, bent: BentPipe) => [
  working(
    'Strain at the crown',
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
    'f · EI / L² + w · span² / (8 · rise)',
    [
      ['EI', pipe.youngPa * pipe.inertiaM4, 'N·m²'],
      ['f', bent.rod.thrust],
      ['rise', bent.rod.rise, 'm'],
    ],
    { value: bent.thrustN, unit: 'N' },
    `${DERIVED}; the planar elastica of Euler`,
  ),
];

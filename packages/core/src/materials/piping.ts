import type { PipeId } from '@early-lantern/contract';
import type { Material } from '../piece/recipe.ts';
import { plural } from '../quantity/plural.ts';
import { amounts, material, unitsFor } from './materials.ts';

/** Stock lengths that one run of pipe takes: joined by couplings, every joint taped over. */
export function pipeRun(pipe: PipeId, lengthM: number): Material[] {
  const stockM = amounts.stockPipeM.value;
  // A run a hair over a whole number of lengths is typed in feet and meant as one.
  const lengths = unitsFor(lengthM, stockM);
  const couplings = lengths - 1;
  return [
    material(
      `pipe-${pipe}`,
      lengths,
      '⌈L / stock length⌉',
      [
        ['L', lengthM, 'm'],
        ['stock length', stockM, 'm'],
      ],
      amounts.stockPipeM.tag,
    ),
    material('coupling', couplings, 'lengths − 1', [['lengths', lengths]]),
    jointTape(couplings, plural(couplings, 'coupling')),
  ];
}

/** Tape over joints. */
export const jointTape = (joints: number, what: string): Material =>
  material(
    'tape',
    joints * amounts.tapePerJointM.value,
    'joints · tape per joint',
    [
      ['joints', joints],
      ['tape per joint', amounts.tapePerJointM.value, 'm'],
    ],
    amounts.tapePerJointM.tag,
    { what: `Tape over ${what}` },
  );

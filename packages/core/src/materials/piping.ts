import type { CutBar, MaterialRow, PipeId } from '@early-lantern/contract';
import type { Material } from '../piece/recipe.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
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

/**
 * Pipes of a job as its cut list has them: whole lengths to buy, several pieces cut from one where they fit, and what
 * lies in the workshop not among them.
 * @param rows of the whole job
 */
export function pipesAsCut(rows: readonly MaterialRow[], cutList: readonly CutBar[]): MaterialRow[] {
  return rows.flatMap((row) => {
    if (!row.item.startsWith('pipe-')) return [row];
    const bars = cutList.filter(({ stock, cuts }) => stock === row.item && cuts.some(({ job }) => !job));
    const whole = bars.filter(({ isOwned }) => !isOwned).length;
    if (whole === 0) return [];
    const how = working(
      `${row.label}, cut together`,
      'fewest whole lengths that all cuts fit in, what is owned left out',
      [
        ['cuts', bars.reduce((sum, { cuts }) => sum + cuts.filter(({ job }) => !job).length, 0)],
        ['owned lengths used', bars.length - whole],
      ],
      { value: whole, unit: row.unit },
      DERIVED,
    );
    return [{ ...row, count: whole, working: [how, ...row.working] }];
  });
}

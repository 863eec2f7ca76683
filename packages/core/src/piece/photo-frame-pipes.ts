import type { PhotoFrame, PipeId } from '@early-lantern/contract';
import { amounts, material, unitsFor } from '../materials/materials.ts';
import { jointTape } from '../materials/piping.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE } from '../working.ts';
import type { Fitting, PipeRun } from './hardware.ts';
import { CORNERS } from './photo-frame-runs.ts';
import type { Material } from './recipe.ts';

/** Bars are of this where nothing else is chosen: it goes over thin lamp poles. Common practice, no source. */
export const BAR_PIPE: PipeId = 'pvc-half';
/** A thin lamp pole, ½ in. pipe going over it (common practice, no source); the figure from memory. */
export const THIN_POLE_IN = 0.6;

export const barsOf = ({ barPipe = BAR_PIPE, widthM }: PhotoFrame): PipeRun[] =>
  ['upper bar', 'lower bar'].map((label) => ({ pipe: barPipe, label, lengthM: widthM }));

/** Tees at the lower corners, elbows at the upper ones: a bar and an upright meet in each. */
export function cornersOf({ barPipe = BAR_PIPE, poleIn = THIN_POLE_IN }: PhotoFrame): Fitting[] {
  const pole = { label: 'upright', odM: inchesToMetres(poleIn) };
  return (['tee', 'elbow'] as const).map((item) => ({ item, pipe: barPipe, count: 2, pole }));
}

/** Bars cut from stock pipe, uprights of pole sections, tees below, elbows above. */
export function frameMaterials(piece: PhotoFrame): Material[] {
  const { heightM, widthM, barPipe = BAR_PIPE } = piece;
  const sections = unitsFor(heightM, amounts.poleSectionM.value);
  const perBar = unitsFor(widthM, amounts.stockPipeM.value);
  const couplings = 2 * (perBar - 1);
  return [
    material(
      `pipe-${barPipe}`,
      perBar > 1 ? 2 * perBar : unitsFor(2 * widthM, amounts.stockPipeM.value),
      perBar > 1 ? 'bars · ⌈width / stock length⌉' : '⌈bars · width / stock length⌉',
      [
        ['bars', 2],
        ['width', widthM, 'm'],
        ['stock length', amounts.stockPipeM.value, 'm'],
      ],
      COMMON_PRACTICE,
    ),
    material('coupling', couplings, '2 · (lengths of a bar − 1)', [['lengths of a bar', perBar]]),
    material(
      'pole-section',
      2 * sections,
      '2 · ⌈height / section⌉',
      [
        ['height', heightM, 'm'],
        ['section', amounts.poleSectionM.value, 'm'],
      ],
      amounts.poleSectionM.tag,
    ),
    ...cornersOf(piece).map(({ item, count }) =>
      material(
        item,
        count,
        item === 'tee' ? 'at the lower corners' : 'at the upper corners',
        [],
        COMMON_PRACTICE,
      ),
    ),
    material('weighted-base', 2, 'one under each upright', [], COMMON_PRACTICE),
    material('base-cover', 2, 'one for each base', [], COMMON_PRACTICE),
    jointTape(CORNERS + couplings, plural(CORNERS + couplings, 'joint')),
  ];
}

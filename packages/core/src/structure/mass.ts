import type { Working } from '@early-lantern/contract';
import { AIR_KG_PER_M3 } from '../air/wind.ts';
import { latexMassG } from '../balloon/mass.ts';
import type { Recipe } from '../piece/recipe.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { DERIVED, working } from '../working.ts';

/** Latex squeezes the air it holds: so much of the enclosed air's mass is weight. From memory, an editable default. */
const SQUEEZE = 0.02;

/** What consumables and fittings weigh, grams a unit. From memory, editable defaults. */
const grams: Record<string, number> = {
  'modelling-260': 1.7,
  'fishing-line': 0.4,
  thread: 0.2,
  'adhesive-dash': 1,
  'rubber-band': 0.5,
  'foil-shape': 25,
  'letter-card': 30,
  coupling: 25,
  tee: 40,
  elbow: 30,
  'pole-section': 350,
  'panel-20': 450,
  'backing-board': 2500,
  'curtain-drop': 900,
  'greenery-panel': 700,
  board: 6000,
  sign: 1500,
  'sign-pole': 2500,
  'backdrop-stand': 9000,
  'table-kit': 900,
  'skirt-cloth': 180,
};

/** What one of an item weighs, kg; 0 where that does not count. */
export const itemKg = (item: string): number => (grams[item] ?? 0) / 1000;

/** What a piece weighs, kg: balloons apart from what they are put on. */
export interface PieceMass {
  dressingKg: number;
  gearKg: number;
  working: Working[];
}

/** Latex by size, the squeezed air in it, strings and what else is counted; pipes come from their own figures. */
export function massOf(recipe: Recipe): PieceMass {
  let latexG = 0;
  let airG = 0;
  for (const { nominalIn, inflatedIn, count } of recipe.needs) {
    const diameterM = inchesToMetres((inflatedIn.min + inflatedIn.max) / 2);
    latexG += count * latexMassG(nominalIn);
    airG += count * (Math.PI / 6) * diameterM ** 3 * AIR_KG_PER_M3 * 1000 * SQUEEZE;
  }
  let gearG = 0;
  let stringG = 0;
  for (const { item, count } of recipe.materials) {
    const mass = count * (grams[item] ?? 0);
    if (item === 'modelling-260' || item === 'fishing-line' || item === 'adhesive-dash') stringG += mass;
    else gearG += mass;
  }
  const dressingKg = (latexG + airG + stringG) / 1000;
  return {
    dressingKg,
    gearKg: gearG / 1000,
    working: [
      working(
        'Mass of the dressing',
        {
          metric: 'latex 3.0 g · (D/11)² + 2 % of the air in it + strings',
          imperial: 'latex 0.0066 lb · (D/11)² + 2 % of the air in it + strings',
        },
        [
          ['latex', latexG / 1000, 'kg'],
          ['air', airG / 1000, 'kg'],
          ['strings', stringG / 1000, 'kg'],
        ],
        { value: dressingKg, unit: 'kg' },
        `${DERIVED}; masses from memory, editable defaults`,
      ),
    ],
  };
}

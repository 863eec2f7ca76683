import type { BaseId } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import type { Recipe } from '../piece/recipe.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';

/** Lines are tied at this share of the height. From memory, an editable default. */
export const TIE_AT = 0.9;

/** Balloons on one pole, the same from all sides. */
export function upright(label: string, base: BaseId, recipe: Recipe, mass: PieceMass): Carrier {
  const area = DRAG * SOLID * recipe.visibleWidthM * recipe.topM;
  return {
    label,
    base,
    feetXM: [0],
    isJoined: true,
    massKg: mass.dressingKg + mass.gearKg,
    xM: 0,
    dragFrontM2: area,
    dragSideM2: area,
    windHeightM: recipe.topM / 2,
    topM: recipe.topM,
    pullAtTopN: 0,
    pushAtFootN: 0,
    tieEnds: [{ xM: 0, yM: TIE_AT * recipe.topM }],
    tiesByPractice: 0,
    troubles: [],
    notes: [],
    working: [],
  };
}

import type { HoldPiece } from '@early-lantern/contract';
import type { Recipe } from '../piece/recipe.ts';
import { stepsOf } from './steps.ts';

/**
 * The assembly card of a piece: how it is made, then every step on the spot in the order in which the clock has them,
 * each with how it is done.
 */
export const cardOf = (recipe: Pick<Recipe, 'making' | 'siteWork'>, held?: HoldPiece): string[] => [
  ...recipe.making,
  ...stepsOf(recipe, held).map(({ label, how = [] }) => [`${sentence(label)}.`, ...how].join(' ')),
];

const sentence = (label: string) => label.charAt(0).toUpperCase() + label.slice(1);

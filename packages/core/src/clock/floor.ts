import type { Recipe } from '../piece/recipe.ts';

/**
 * Floor that the finished sections of a piece lie on until they are loaded, m²: length by width of what is strung at
 * the bench; what is put together on site takes none.
 */
export const floorM2Of = ({ lengthM, visibleWidthM, assemblies }: Recipe): number =>
  assemblies.some(({ join, joinAt }) => join && joinAt === 'bench') ? lengthM * visibleWidthM : 0;

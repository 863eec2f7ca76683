import type { Grade, InflatedRange } from '@early-lantern/contract';
import data from './catalogue.json';

/** A size as it is sold, and the diameters it is usually blown to for organic work. */
interface CatalogueSize {
  nominalIn: number;
  blowIn: InflatedRange;
  tag: string;
}

export const catalogueSizes: readonly CatalogueSize[] = data.sizes;

/** Chance that a balloon of a quality grade is lost in making, with the figure's tag. */
export function gradeLoss(grade: Grade): { loss: number; tag: string } {
  const entry = data.grades.find((row) => row.grade === grade);
  if (!entry) throw new RangeError(`no loss rate for grade "${grade}"`);
  return { loss: entry.loss, tag: entry.tag };
}

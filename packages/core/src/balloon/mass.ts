/** Mass of a modelling balloon, grams. From memory, an editable default. */
const MODELLING_G = 1.7;

/** Mass of a balloon's latex, grams: `3.0 g · (D/11)²`, D the nominal size in inches. From memory, an editable default. */
export function latexMassG(nominalIn: number): number {
  return nominalIn <= 2 ? MODELLING_G : 3 * (nominalIn / 11) ** 2;
}

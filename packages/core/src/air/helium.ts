import { latexMassG } from '../balloon/mass.ts';

/** Air less helium at 20 °C and 1 atm, g per litre: ρ = pM/RT with M = 28.964 and 4.0026 g/mol. */
export const LIFT_G_PER_L = (101_325 * (28.964 - 4.0026)) / (8.314_46 * 293.15) / 1000;

interface Bouquet {
  balloons: number;
  diameterM: number;
  nominalIn: number;
  ribbonM: number;
  ribbonGPerM: number;
}

export interface BouquetLift {
  litresEach: number;
  latexGEach: number;
  ribbonG: number;
  /** What the weight has to hold, grams; below zero it does not float. */
  netG: number;
}

/** Lift of round helium balloons less latex and ribbon, grams. */
export function bouquetLift({ balloons, diameterM, nominalIn, ribbonM, ribbonGPerM }: Bouquet): BouquetLift {
  const litresEach = (Math.PI / 6) * diameterM ** 3 * 1000;
  const latexGEach = latexMassG(nominalIn);
  const ribbonG = balloons * ribbonM * ribbonGPerM;
  return {
    litresEach,
    latexGEach,
    ribbonG,
    netG: balloons * (litresEach * LIFT_G_PER_L - latexGEach) - ribbonG,
  };
}

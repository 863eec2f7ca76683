import type { PieceOf } from '@early-lantern/contract';
import { type BouquetLift, bouquetLift } from '../air/helium.ts';
import { amounts } from '../materials/materials.ts';
import { inchesToMetres } from '../quantity/length.ts';

type HeliumLook = Extract<PieceOf<'accent'>['look'], { what: 'helium' }>;

/** Lift of one bouquet of a look, less latex and ribbon, with what it is made up of. */
export const lookLift = ({ balloon, balloonsEach, ribbonM }: HeliumLook): BouquetLift =>
  bouquetLift({
    balloons: balloonsEach,
    diameterM: inchesToMetres(balloon.inflatedIn),
    nominalIn: balloon.nominalIn,
    ribbonM,
    ribbonGPerM: amounts.ribbonGPerM.value,
  });

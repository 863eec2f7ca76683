import type { PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { ringOuterDiameter } from '../geometry/rings.ts';
import type { Recipe } from '../piece/recipe.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { DERIVED, working } from '../working.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { upright } from './upright.ts';

/** A rectangle of strips: the wind meets its dressed bars and legs, not the picture between them. */
export function frameCarrier(piece: PieceOf<'photo-frame'>, recipe: Recipe, mass: PieceMass): Carrier {
  const { widthM, heightM, legM, legs, dress } = piece;
  const stripM =
    dress.style === 'organic' ? dress.widthM : ringOuterDiameter(4, inchesToMetres(dress.balloon.inflatedIn));
  const bottomM = legs === 'dressed' ? 0 : legM;
  // Where bars and legs cross, the outline counts once.
  const ownLegM = Math.max(0, heightM - bottomM - stripM);
  const strips = [
    { lengthM: widthM, atM: heightM },
    { lengthM: widthM, atM: legM },
    { lengthM: 2 * ownLegM, atM: (heightM + bottomM) / 2 },
  ];
  const lengthM = strips.reduce((sum, one) => sum + one.lengthM, 0);
  const windHeightM = strips.reduce((sum, one) => sum + one.lengthM * one.atM, 0) / lengthM;
  return {
    ...upright('rectangle frame on two bases', 'lamp-base', recipe, mass),
    feetXM: [-widthM / 2, widthM / 2],
    dragFrontM2: DRAG * SOLID * stripM * lengthM,
    dragSideM2: DRAG * SOLID * stripM * (heightM - bottomM),
    windHeightM,
    windHeightSideM: (heightM + bottomM) / 2,
    topM: heightM,
    working: [
      working(
        'Outline that the wind meets',
        'strip · (2 bars + 2 legs less where they cross)',
        [
          ['strip', stripM, 'm'],
          ['bar', widthM, 'm'],
          ['leg', ownLegM, 'm'],
          ['acts at', windHeightM, 'm'],
        ],
        { value: stripM * lengthM, unit: 'm²' },
        DERIVED,
      ),
    ],
  };
}

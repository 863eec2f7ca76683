import type { Piece, Working } from '@early-lantern/contract';
import { LIFT_G_PER_L } from '../air/helium.ts';
import { uponOf } from '../piece/kinds.ts';
import { working } from '../working.ts';

/** Whether a helium bouquet floats, and what its weight has to hold. */
interface Floating {
  /** Lift less latex and ribbon, grams. */
  netG: number;
  weightG: number;
  working: Working;
}

/** Lift against ribbon and weight when it is filled; undefined for what does not float. */
export function floatingOf(piece: Piece): Floating | undefined {
  const { floats } = uponOf(piece);
  if (!floats) return undefined;
  const { balloonsEach, weightG, litresEach, latexGEach, ribbonG, netG } = floats;
  return {
    netG,
    weightG,
    working: working(
      'Lift against ribbon and weight',
      'balloons · (volume · lift − latex) − ribbon',
      [
        ['balloons', balloonsEach],
        ['volume', litresEach, 'l'],
        ['lift', LIFT_G_PER_L, 'g/l'],
        ['latex', latexGEach, 'g'],
        ['ribbon', ribbonG, 'g'],
        ['weight below', weightG, 'g'],
      ],
      { value: netG, unit: 'g' },
      'air and helium at 20 °C, 1 atm, from molar masses 28.964 and 4.0026 g/mol',
    ),
  };
}

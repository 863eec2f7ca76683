import type { PieceOf } from '@early-lantern/contract';
import { DRAG } from '../air/wind.ts';
import { inchesToMetres } from '../quantity/length.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { TIE_AT } from './upright.ts';

/** Cloth lets little air through, greenery on mesh more. From memory, editable defaults. */
const SOLID_OF = { curtain: 0.95, greenery: 0.8, boards: 1, sign: 1 } as const;
/** A kit of stand and crossbar that curtains and panels hang on: metres of backdrop one stand carries. */
const STAND_M = 3;

/** Panels on a stand. */
export function panelCarrier({ panelIn, columns, rows }: PieceOf<'panel-wall'>, mass: PieceMass): Carrier {
  const side = inchesToMetres(panelIn);
  return flatCarrier('panels on a backdrop stand', columns * side, rows * side, 1, mass);
}

/** Cloth, greenery or boards on a stand, a sign on a pole; on another piece's pole it has no foot of its own. */
export function backdropCarrier(piece: PieceOf<'backdrop'>, mass: PieceMass): Carrier | undefined {
  const { on, what, widthM, heightM } = piece;
  if (on) return undefined;
  if (what === 'sign') return signCarrier(piece, mass);
  return flatCarrier('backdrop stand with crossbar', widthM, heightM, SOLID_OF[what], mass);
}

function flatCarrier(
  label: string,
  widthM: number,
  heightM: number,
  solid: number,
  mass: PieceMass,
): Carrier {
  const stands = Math.max(1, Math.ceil(widthM / STAND_M));
  const feetXM = Array.from({ length: stands + 1 }, (_, i) => -widthM / 2 + (i * widthM) / stands);
  return {
    label,
    base: 'drape-base',
    feetXM,
    isJoined: true,
    massKg: mass.dressingKg + mass.gearKg,
    xM: 0,
    dragFrontM2: DRAG * solid * widthM * heightM,
    dragSideM2: DRAG * 0.1 * heightM,
    windHeightM: heightM / 2,
    topM: heightM,
    pullAtTopN: 0,
    pushAtFootN: 0,
    tieEnds: [{ xM: widthM / 2, yM: TIE_AT * heightM }],
    tiesByPractice: 0,
    troubles: [],
    notes: [],
    working: [],
  };
}

function signCarrier({ widthM, heightM, at }: PieceOf<'backdrop'>, mass: PieceMass): Carrier {
  return {
    ...flatCarrier('sign on a pole', widthM, heightM, 1, mass),
    base: 'small-plate',
    feetXM: [0],
    floorBelowM: at.yM,
    windHeightM: Math.max(heightM / 2, at.yM + heightM / 2),
    topM: at.yM + heightM,
  };
}

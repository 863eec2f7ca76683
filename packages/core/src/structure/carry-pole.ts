import type { BaseId, JobFile, PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { countOf } from '../piece/attachments.ts';
import type { Recipe } from '../piece/recipe.ts';
import { GRAVITY } from '../quantity/force.ts';
import { formatLength } from '../quantity/length.ts';
import { working } from '../working.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { upright } from './upright.ts';

/** A lamp pole of 1 in. steel tube, 1 mm wall: E · I, N·m². From memory, an editable default. */
const LAMP_POLE_NM2 = 1140;
/** The same of a rigid pole, 1½ in. steel tube, 2 mm wall, as plates and drape bases take it. From memory. */
const RIGID_POLE_NM2 = 10_000;
const RIGID_BASES: readonly BaseId[] = ['plate-2ft', 'drape-base'];
/** A pole that leans by more than this share of its height looks wrong and goes on leaning. From memory. */
const MOST_LEAN = 0.03;
/** A lamp-type stand carries about this much; taller or wider goes on a plate. Common practice, no source. */
const LAMP_POLE_M = 2.3;
const LAMP_WIDTH_M = 0.65;
/** Mean sideways reach of an arc bent over by 135°, in radii: 1 − sin 45° / 2.356. */
const CURVE_REACH = 0.7;
const CURVE_RAD = 0.75 * Math.PI;

/** A pole clothed with clusters, part of them bent over beyond its top. */
export function poleCarrier(
  piece: PieceOf<'standing-garland'>,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
): Carrier {
  const { poleM, gapM, widthM, curve } = piece;
  // By the width that comes out, which is not always the one that was asked for.
  const isHeavy = poleM > LAMP_POLE_M || recipe.visibleWidthM > LAMP_WIDTH_M;
  const onPoleM = Math.max(0.1, poleM - gapM);
  const beyond = curve.lengthM / (onPoleM + curve.lengthM);
  const side = curve.side === 'left' ? -1 : 1;
  const isRigid = isHeavy || RIGID_BASES.includes(piece.hold?.base ?? 'lamp-base');
  const stiffness = isRigid ? RIGID_POLE_NM2 : LAMP_POLE_NM2;
  const reachM = CURVE_REACH * (curve.lengthM / CURVE_RAD);
  const kg = mass.dressingKg;
  // Up the pole, then along the arc that is bent over.
  const pickX = (at: number) => {
    const bentRad = (Math.max(0, at - (1 - beyond)) / Math.max(1e-9, beyond)) * CURVE_RAD;
    return side * (curve.lengthM / CURVE_RAD) * (1 - Math.cos(bentRad));
  };
  const picksKgM = (piece.attachments ?? []).reduce(
    (sum, one) => sum + countOf(one) * one.massKg * pickX(one.at),
    0,
  );
  const leverKgM = Math.abs(side * kg * beyond * reachM + picksKgM);
  const leanM = (leverKgM * GRAVITY * poleM ** 2) / (2 * stiffness);
  const area = DRAG * SOLID * ((1 + piece.taper) / 2) * widthM * (onPoleM + curve.lengthM * 0.5);
  return {
    ...upright(
      isHeavy ? 'rigid pole on a plate' : 'lamp-type pole',
      isHeavy ? 'plate-2ft' : 'lamp-base',
      recipe,
      mass,
    ),
    xM: side * beyond * reachM * (kg / (kg + mass.gearKg)),
    pickX,
    dragFrontM2: area,
    dragSideM2: area,
    windHeightM: gapM + onPoleM / 2,
    topM: poleM,
    troubles:
      leanM > MOST_LEAN * poleM
        ? [
            `${piece.name}: the pole leans by ${formatLength(leanM, file.workshop.units)} at its top; take a rigid pole on a plate, or bend less of it over.`,
          ]
        : [],
    working: [
      working(
        'Lean of the pole at its top',
        'M · h² / (2 E I): the part beyond the top hangs to one side',
        [
          ['M', leverKgM * GRAVITY, 'N·m'],
          ['h', poleM, 'm'],
          ['E I', stiffness, 'N·m²'],
          ['most', MOST_LEAN * poleM * 1000, 'mm'],
        ],
        { value: leanM * 1000, unit: 'mm' },
        'statics; E I from memory, an editable default; joints add to it',
      ),
    ],
  };
}

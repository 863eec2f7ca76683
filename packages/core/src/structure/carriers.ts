import type { BaseId, JobFile, Piece, PieceOf, Spot } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { rodX } from '../geometry/elastica.ts';
import { pairBow } from '../geometry/pair-arch.ts';
import type { Recipe } from '../piece/recipe.ts';
import { formatLength, inchesToMetres } from '../quantity/length.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { bendPipe, bendWorking } from './bent-pipe.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { pipeOf } from './pipes.ts';
import { GRAVITY } from './standing.ts';
import { tableCarrier } from './table-carrier.ts';

/** From this much pipe an arch is a large one, m. From memory, an editable default. */
const LARGE_ARCH_M = 6;
const LARGE_ARCH_TIES = 4;
/** Lines are tied at this share of the height, an arch's down to its shoulders. From memory, editable defaults. */
const TIE_AT = 0.9;
const SHOULDER = 0.7;
/** Cloth lets little air through, greenery on mesh more. From memory, editable defaults. */
const SOLID_OF = { curtain: 0.95, greenery: 0.8, boards: 1, sign: 1 } as const;
/** A kit of stand and crossbar that curtains and panels hang on: metres of backdrop one stand carries. */
const STAND_M = 3;
/** Pull of a string drawn tight by hand, N. From memory, an editable default. */
const STRING_PULL_N = 20;
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

/** Standing pieces that florals, foils and signs can be put on, at a share of their length. */
export const takesPicks = ({ kind }: Piece): boolean =>
  kind === 'standing-garland' ||
  kind === 'packed-arch' ||
  kind === 'table-arch' ||
  kind === 'packed-column' ||
  kind === 'square-column' ||
  kind === 'tower';

/** How a standing piece is carried; undefined for what hangs or is only set down. */
export function carrierOf(piece: Piece, recipe: Recipe, mass: PieceMass, file: JobFile): Carrier | undefined {
  switch (piece.kind) {
    case 'packed-arch':
      return archCarrier(piece, recipe, mass);
    case 'packed-column':
    case 'square-column':
    case 'tower':
      return columnCarrier(piece, recipe, mass, file);
    case 'standing-garland':
      return poleCarrier(piece, recipe, mass, file);
    case 'table-arch':
      return tableCarrier(piece, recipe, mass);
    case 'photo-frame':
      return frameCarrier(piece, recipe, mass);
    case 'panel-wall': {
      const side = inchesToMetres(piece.panelIn);
      const [widthM, heightM] = [piece.columns * side, piece.rows * side];
      return flatCarrier('panels on a backdrop stand', widthM, heightM, 1, mass);
    }
    case 'backdrop':
      return piece.what === 'sign'
        ? signCarrier(piece, mass)
        : flatCarrier(
            'backdrop stand with crossbar',
            piece.widthM,
            piece.heightM,
            SOLID_OF[piece.what],
            mass,
          );
    case 'topiary':
      return {
        ...upright('column stand under a ball', 'small-plate', recipe, mass),
        dragFrontM2: DRAG * SOLID * (Math.PI / 4) * piece.ballM ** 2 + DRAG * piece.skirtM * 0.5,
        dragSideM2: DRAG * SOLID * (Math.PI / 4) * piece.ballM ** 2 + DRAG * piece.skirtM * 0.5,
        windHeightM: piece.standM,
        topM: piece.standM + piece.ballM / 2,
      };
    case 'centrepiece':
      return {
        ...upright('post in a wooden block', 'wood-block', recipe, {
          ...mass,
          dressingKg: mass.dressingKg / piece.count,
          gearKg: 0.1,
        }),
        dragFrontM2: DRAG * SOLID * recipe.visibleWidthM * piece.postM,
        dragSideM2: DRAG * SOLID * recipe.visibleWidthM * piece.postM,
        windHeightM: piece.postM / 2,
        topM: piece.postM,
      };
    default:
      return undefined;
  }
}

/** Balloons on one pole, the same from all sides. */
function upright(label: string, base: BaseId, recipe: Recipe, mass: PieceMass): Carrier {
  const area = DRAG * SOLID * recipe.visibleWidthM * recipe.topM;
  return {
    label,
    base,
    feetXM: [0],
    isJoined: true,
    massKg: mass.dressingKg + mass.gearKg,
    xM: 0,
    dragFrontM2: area,
    dragSideM2: area,
    windHeightM: recipe.topM / 2,
    topM: recipe.topM,
    pullAtTopN: 0,
    pushAtFootN: 0,
    tieEnds: [{ xM: 0, yM: TIE_AT * recipe.topM }],
    tiesByPractice: 0,
    troubles: [],
    notes: [],
    working: [],
  };
}

function archCarrier(piece: PieceOf<'packed-arch'>, recipe: Recipe, mass: PieceMass): Carrier {
  const { pipeLengthM, spanM, name } = piece;
  const pipe = pipeOf(piece.pipe);
  const massKg = mass.dressingKg + pipe.kgPerM * pipeLengthM;
  const bent = bendPipe(pipe, pipeLengthM, spanM, (massKg * GRAVITY) / pipeLengthM);
  const { rod } = bent;
  const area = DRAG * SOLID * recipe.visibleWidthM;
  return {
    ...upright('pipe arch between two bases', 'plate-2ft', recipe, mass),
    feetXM: [-spanM / 2, spanM / 2],
    massKg,
    pickX: (at) => rodX(rod.points, at),
    dragFrontM2: area * pipeLengthM,
    dragSideM2: area * rod.rise,
    windHeightM: rod.points.reduce((sum, { y }) => sum + y, 0) / rod.points.length,
    pushAtFootN: bent.thrustN,
    // The pipe is pushed on its bases: each stands for itself against sliding.
    isJoined: true,
    // From near the crown down to the shoulders.
    tieEnds: rod.points
      .filter(({ x, y }) => x > 0 && y >= SHOULDER * rod.rise && y <= TIE_AT * rod.rise)
      .map(({ x, y }) => ({ xM: x, yM: y })),
    tiesByPractice: pipeLengthM >= LARGE_ARCH_M ? LARGE_ARCH_TIES : 0,
    troubles:
      bent.verdict === 'kinks'
        ? [
            `${name}: bent this tight the ${pipe.label} kinks; widen the span, take more pipe or a thinner one.`,
          ]
        : bent.verdict === 'sags'
          ? [`${name}: the ${pipe.label} is too soft for what it carries; take a stiffer one.`]
          : [],
    notes:
      bent.verdict === 'may creep in heat'
        ? [`The ${pipe.label} is bent by ${(bent.strain * 100).toFixed(1)} %: it may creep in heat.`]
        : [],
    working: bendWorking(pipe, pipeLengthM, spanM, bent),
  };
}

function columnCarrier(
  piece: PieceOf<'packed-column'> | PieceOf<'square-column'> | PieceOf<'tower'>,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
): Carrier {
  const pulls = file.job.pieces.flatMap((other) =>
    other.kind === 'pair-arch' ? archPull(piece, other) : [],
  );
  const label = piece.kind === 'tower' ? 'tower stand' : 'column stand';
  return {
    ...upright(label, piece.kind === 'tower' ? 'plate-2ft' : 'small-plate', recipe, mass),
    pickX: () => 0,
    // Pulls from both sides cancel; what is left pulls it over.
    pullAtTopN: Math.abs(pulls.reduce((sum, one) => sum + one, 0)),
    working: pulls.length
      ? [
          working(
            'Pull of the arch between towers',
            'weight · span / (8 · rise), as of a flat arch, and the string drawn tight',
            [['arches', pulls.length]],
            { value: Math.abs(pulls.reduce((sum, one) => sum + one, 0)), unit: 'N' },
            `the arch pulls its towers inward: ${COMMON_PRACTICE}`,
          ),
        ]
      : [],
  };
}

/** Pull on a tower by an arch of duplets that ends at it, N: to the right positive. */
function archPull(tower: Piece & { at: { xM: number } }, arch: PieceOf<'pair-arch'>): number[] {
  if (arch.spotId !== tower.spotId) return [];
  const sides = [-1, 1].filter((side) => Math.abs(arch.at.xM + (side * arch.spanM) / 2 - tower.at.xM) < 0.6);
  const bow = pairBow(inchesToMetres(arch.outside.inflatedIn), inchesToMetres(arch.inside.inflatedIn));
  const lengthM = arch.spanM * 1.1;
  const weightN = (lengthM / bow.pitch) * 0.006 * GRAVITY;
  const riseM = Math.max(0.1, lengthM * 0.12);
  const pull = (weightN * arch.spanM) / (8 * riseM) + STRING_PULL_N;
  return sides.map((side) => -side * pull);
}

function poleCarrier(
  piece: PieceOf<'standing-garland'>,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
): Carrier {
  const { poleM, gapM, widthM, curve } = piece;
  const isHeavy = poleM > LAMP_POLE_M || widthM > LAMP_WIDTH_M;
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
  const picksKgM = (piece.hold?.picks ?? []).reduce((sum, { at, massKg }) => sum + massKg * pickX(at), 0);
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
          ['beyond the top, with its reach', leverKgM, 'kg·m'],
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

function frameCarrier(piece: PieceOf<'photo-frame'>, recipe: Recipe, mass: PieceMass): Carrier {
  const { widthM, heightM, dress } = piece;
  const dressedM = dress.style === 'organic' ? dress.widthM : recipe.visibleWidthM;
  const area = DRAG * SOLID * Math.min(dressedM, 0.6);
  return {
    ...upright('rectangle frame on two bases', 'lamp-base', recipe, mass),
    feetXM: [-widthM / 2, widthM / 2],
    dragFrontM2: area * recipe.lengthM,
    dragSideM2: area * heightM,
    windHeightM: heightM * 0.6,
    topM: heightM,
  };
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

/** Friction of a base on a floor, no unit. From memory, editable defaults; not looked at, polished is assumed. */
export const frictionOn = (floor: Spot['floor']): number =>
  ({ polished: 0.2, carpet: 0.4, paving: 0.5, grass: 0.35, gravel: 0.35 })[floor ?? 'polished'];

import type { BaseId, JobFile, Piece, PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { rodX } from '../geometry/elastica.ts';
import { pairBow } from '../geometry/pair-arch.ts';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { countOf } from '../piece/attachments.ts';
import type { Recipe } from '../piece/recipe.ts';
import { formatLength, inchesToMetres } from '../quantity/length.ts';
import { carriedBy } from '../support/carried.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { bendPipe, bendWorking } from './bent-pipe.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { pipeOf } from './pipes.ts';
import { GRAVITY, STRING_PULL_N } from './standing.ts';
import { laidTable, tableCarrier } from './table-carrier.ts';

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
/** Drag of one smooth ball, no unit: 0.47 to 0.5. From memory, an editable default. */
const BALL_DRAG = 0.5;
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
      // On another piece's pole it has no foot of its own.
      if (piece.on) return undefined;
      return piece.what === 'sign'
        ? signCarrier(piece, mass)
        : flatCarrier(
            'backdrop stand with crossbar',
            piece.widthM,
            piece.heightM,
            SOLID_OF[piece.what],
            mass,
          );
    case 'furnishing':
      return carriedBy(piece.id, file.job.pieces).length > 0 ? laidTable(piece) : undefined;
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
  const isFormed = piece.isFormed ?? false;
  const bent = bendPipe(pipe, pipeLengthM, spanM, (massKg * GRAVITY) / pipeLengthM, isFormed);
  const { rod } = bent;
  const meanHeightM = rod.points.reduce((sum, { y }) => sum + y, 0) / rod.points.length;
  const isSteel = pipe.warnStrain === pipe.refuseStrain;
  const area = DRAG * SOLID * recipe.visibleWidthM;
  return {
    ...upright('pipe arch between two bases', 'plate-2ft', recipe, mass),
    feetXM: [-spanM / 2, spanM / 2],
    massKg,
    pickX: (at) => rodX(rod.points, at),
    dragFrontM2: area * pipeLengthM,
    dragSideM2: area * rod.rise,
    windHeightM: meanHeightM,
    pushAtFootN: bent.thrustN,
    bent: {
      pipe,
      lengthM: pipeLengthM,
      spanM,
      riseM: rod.rise,
      meanHeightM,
      isFormed,
      restMomentNm: bent.baseMomentNm,
    },
    // The pipe is pushed on its bases: each stands for itself against sliding.
    isJoined: true,
    // From the crown, or 0.6 of the arc, down to the shoulders.
    tieEnds: rod.points
      .filter(
        ({ x, y }, i) =>
          x >= 0 &&
          y >= SHOULDER * rod.rise &&
          (piece.hold?.tiedAt !== 'shoulders' || i >= 0.6 * (rod.points.length - 1)),
      )
      .map(({ x, y }) => ({ xM: x, yM: y })),
    tiesByPractice: pipeLengthM >= LARGE_ARCH_M ? LARGE_ARCH_TIES : 0,
    troubles:
      bent.verdict === 'kinks'
        ? [
            isSteel
              ? `${name}: the ${pipe.label} yields long before it is bent so far; have it bent to shape beforehand, or take PVC.`
              : `${name}: bent this tight the ${pipe.label} kinks; widen the span, take more pipe or a thinner one.`,
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
  const pulls = file.job.pieces.flatMap((other) => pullsOn(piece, other));
  const label = piece.kind === 'tower' ? 'tower stand' : 'column stand';
  return {
    ...upright(label, piece.kind === 'tower' ? 'plate-2ft' : 'small-plate', recipe, mass),
    ...('topper' in piece && piece.topper ? underTopper(piece.heightM, piece.topper, recipe) : {}),
    pickX: () => 0,
    // Pulls from both sides cancel; what is left pulls it over.
    pullAtTopN: Math.abs(pulls.reduce((sum, one) => sum + one, 0)),
    working: pulls.length
      ? [
          working(
            'Pull of what ends at it',
            'weight · span / (8 · rise or sag), an arch with its string drawn tight',
            [['ends', pulls.length]],
            { value: Math.abs(pulls.reduce((sum, one) => sum + one, 0)), unit: 'N' },
            `the arch pulls its towers inward: ${COMMON_PRACTICE}`,
          ),
        ]
      : [],
  };
}

/** A column and the round balloon on its top: each meets the wind with its own outline, at its own height. */
function underTopper(
  heightM: number,
  { inflatedIn }: { inflatedIn: number },
  recipe: Recipe,
): Pick<Carrier, 'dragFrontM2' | 'dragSideM2' | 'windHeightM'> {
  const ballM = inchesToMetres(inflatedIn);
  const column = DRAG * SOLID * recipe.visibleWidthM * heightM;
  const ball = BALL_DRAG * (Math.PI / 4) * ballM ** 2;
  return {
    dragFrontM2: column + ball,
    dragSideM2: column + ball,
    windHeightM: (column * (heightM / 2) + ball * (heightM + ballM / 2)) / (column + ball),
  };
}

/** Pull on a tower by an arch of duplets or a chain that ends at it, N: to the right positive. */
function pullsOn(tower: Piece, other: Piece): number[] {
  if (other.kind !== 'pair-arch' && other.kind !== 'chain') return [];
  const sides = endsOn(other, tower.id);
  if (sides.length === 0) return [];
  const pull = other.kind === 'pair-arch' ? archPullN(other) : chainPullN(other);
  return sides.map((side) => -side * pull);
}

/** Which ends of it a piece carries: −1 the left one, 1 the right one. */
function endsOn({ on, alsoOn }: Piece, id: string): (-1 | 1)[] {
  return [...(on?.pieceId === id ? ([-1] as const) : []), ...(alsoOn?.pieceId === id ? ([1] as const) : [])];
}

/** As a flat arch pulls at its ends, N: weight · span / (8 · rise), and the string drawn tight. */
function archPullN(arch: PieceOf<'pair-arch'>): number {
  const bow = pairBow(inchesToMetres(arch.outside.inflatedIn), inchesToMetres(arch.inside.inflatedIn));
  const lengthM = arch.spanM * 1.1;
  const weightN = (lengthM / bow.pitch) * 0.006 * GRAVITY;
  const riseM = Math.max(0.1, lengthM * 0.12);
  return (weightN * arch.spanM) / (8 * riseM) + STRING_PULL_N;
}

/** As a shallow hung line pulls, N: weight · span / (8 · sag); its links are modelling balloons of 1.7 g. */
function chainPullN({ from, to, sagM, linkIn, balloonsPerLink }: PieceOf<'chain'>): number {
  const spanM = Math.hypot(to.xM - from.xM, to.yM - from.yM);
  const weightN = (spanM / inchesToMetres(linkIn)) * balloonsPerLink * 0.0017 * GRAVITY;
  return (weightN * spanM) / (8 * Math.max(0.05 * spanM, sagM));
}

function poleCarrier(
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

/** A rectangle of strips: the wind meets its dressed bars and legs, not the picture between them. */
function frameCarrier(piece: PieceOf<'photo-frame'>, recipe: Recipe, mass: PieceMass): Carrier {
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

import type { HoldCase, PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { bentRod, rodX } from '../geometry/elastica.ts';
import { usualTable } from '../piece/furnishing.ts';
import type { Recipe } from '../piece/recipe.ts';
import { GRAVITY } from '../quantity/force.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { jawFit } from './sleeve-fit.ts';
import { tieForce } from './standing.ts';

/** Jaws of the kit's clamps, and a cloth's thickness, m. Common practice, no source; cloth from memory. */
const JAW_M = 0.0508;
const CLOTH_M = 0.0008;
/** A screw turned tight by hand, N, over a pad so wide, m, on cloth. From memory, editable defaults. */
const CLAMP_N = 400;
const PAD_M = 0.05;
const CLAMP_FRICTION = 0.3;
const CLAMPS = 2;
/** The kit's poles, 0.5 in. of solid plastic: E · I, N·m². From memory, an editable default. */
const KIT_POLE_NM2 = 3.8;
/** More than this over stiffness is not reckoned. See the pipes. */
const MOST_WEIGHT = 400;
/** Legs of a table are so thin, m, and take so much laid on them at each end, kg. From memory. */
const LEG_M = 0.05;
const MOST_ON_LEGS_KG = 40;

/** The item that other things stand on, of whatever is placed together: the largest. */
const tableOf = ({ items }: PieceOf<'furnishing'>) =>
  items.reduce((a, b) => (b.heightM * b.widthM > a.heightM * a.widthM ? b : a));

/** One of the tables of a piece with what stands on it: it tips about its legs. */
export function laidTable(piece: PieceOf<'furnishing'>): Carrier {
  const table = tableOf(piece);
  return {
    label: table.name,
    base: 'clamps',
    ownFeet: {
      label: 'pair of table legs',
      massKg: table.massKg / 2,
      widthM: LEG_M,
      depthM: usualTable.depthM,
      mostBallastKg: MOST_ON_LEGS_KG,
      source: 'its mass as typed; as deep as a trestle table, from memory, an editable default',
    },
    feetXM: [-table.widthM / 2, table.widthM / 2],
    isJoined: true,
    massKg: 0,
    xM: 0,
    dragFrontM2: DRAG * 0.1 * table.widthM * table.heightM,
    dragSideM2: DRAG * 0.1 * usualTable.depthM * table.heightM,
    windHeightM: table.heightM / 2,
    topM: table.heightM,
    pullAtTopN: 0,
    pushAtFootN: 0,
    tieEnds: [{ xM: table.widthM / 2, yM: table.heightM }],
    tiesByPractice: 0,
    troubles: [],
    notes: [],
    working: [],
  };
}

/**
 * A kit clamped to a table. The table stands on its legs and tips with the arch on it; before that the arch may turn
 * its clamps, or push them off the edge.
 */
export function tableCarrier(piece: PieceOf<'table-arch'>, recipe: Recipe, mass: PieceMass): Carrier {
  const { poleLengthM, spanM, at, tableDepthM, tableKg, tableThicknessM } = piece;
  const massKg = mass.dressingKg + mass.gearKg;
  const loadNPerM = (massKg * GRAVITY) / poleLengthM;
  const weight = Math.min(MOST_WEIGHT, (loadNPerM * poleLengthM ** 3) / KIT_POLE_NM2);
  const rod = bentRod(poleLengthM, spanM, weight);
  const area = DRAG * SOLID * recipe.visibleWidthM;
  const frontM2 = area * poleLengthM;
  const middleM = rod.points.reduce((sum, { y }) => sum + y, 0) / rod.points.length;
  const thrustN = Math.abs(rod.thrust * KIT_POLE_NM2) / poleLengthM ** 2;
  const fit = jawFit(JAW_M, tableThicknessM, CLOTH_M);
  const holdsNm = (CLAMPS * CLAMP_N * PAD_M) / 2;
  const moreCases: Carrier['moreCases'] = (ties, required) => {
    const tieArmM = ties ? Math.max(0, ties.heightM - at.yM) : 0;
    const turns: HoldCase = {
      label: 'turns its clamps on the table',
      resists: holdsNm + (ties ? tieForce(ties) * tieArmM : 0),
      pushes: 0,
      perPa: frontM2 * middleM,
      unit: 'N·m',
      required,
    };
    const slips: HoldCase = {
      label: 'pushes its clamps off the edge',
      // Held above and below.
      resists: 2 * CLAMP_FRICTION * CLAMP_N,
      pushes: thrustN,
      perPa: (area * rod.rise) / CLAMPS,
      unit: 'N',
      required,
    };
    return [
      { one: turns, tieArmM },
      { one: slips, tieArmM: 0 },
    ];
  };
  return {
    label: 'kit of poles between two table clamps',
    base: 'clamps',
    ownFeet: {
      label: 'pair of table legs',
      massKg: (tableKg ?? usualTable.massKg) / 2,
      widthM: LEG_M,
      depthM: tableDepthM ?? usualTable.depthM,
      mostBallastKg: MOST_ON_LEGS_KG,
      source: 'the table as typed; else a trestle table, 6 ft by 30 in., from memory, an editable default',
    },
    feetXM: [-spanM / 2, spanM / 2],
    isJoined: true,
    massKg,
    xM: 0,
    pickX: (at) => rodX(rod.points, at),
    dragFrontM2: frontM2,
    dragSideM2: area * rod.rise,
    windHeightM: at.yM + middleM,
    topM: at.yM + rod.rise,
    pullAtTopN: 0,
    // The table top takes the poles' push.
    pushAtFootN: 0,
    tieEnds: [{ xM: 0.05 * spanM, yM: 0.95 * rod.rise }],
    tiesByPractice: 0,
    troubles:
      fit.verdict === 'does not go'
        ? [`${piece.name}: the table top with its cloth is thicker than the clamps open.`]
        : [],
    notes: ["Somebody else's table: ask what it is, lean on it, and see that its legs are locked."],
    moreCases,
    floorBelowM: at.yM,
    working: [
      working(
        'Left in the jaw',
        'jaw − table top − 2 cloth',
        [
          ['jaw', JAW_M, 'm'],
          ['table top', tableThicknessM, 'm'],
          ['cloth', CLOTH_M, 'm'],
        ],
        { value: fit.clearanceMm, unit: 'mm' },
        `jaws open to 2 in. at most: ${COMMON_PRACTICE}`,
      ),
      working(
        'What the clamps hold against turning',
        'clamps · screw · pad / 2',
        [
          ['clamps', CLAMPS],
          ['screw', CLAMP_N, 'N'],
          ['pad', PAD_M, 'm'],
        ],
        { value: holdsNm, unit: 'N·m' },
        'statics; screw turned tight by hand and pad from memory, editable defaults; a push by a person bends the poles instead',
      ),
    ],
  };
}

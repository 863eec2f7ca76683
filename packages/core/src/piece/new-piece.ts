import type {
  Blown,
  ColourShare,
  Mix,
  Pattern,
  Piece,
  PieceKind,
  Point,
  Spot,
} from '@early-lantern/contract';
import { sizeOf } from '../balloon/catalogue.ts';
import { inchesToMetres, METRES_PER_FOOT } from '../quantity/length.ts';

/** What a first design of a piece goes by. */
export interface NewPieceContext {
  id: string;
  name: string;
  spot: Pick<Spot, 'id' | 'widthM' | 'heightM'> & Partial<Pick<Spot, 'kind'>>;
  /** Colours to begin with, one or more; the first three or four are used. */
  colours: readonly string[];
  seed: number;
}

/** Middle of a new garland below a ceiling, m: half its width, and as much as its largest balloons stand out. */
const UNDER_M = 0.56;

const tidy = (value: number) => Number(value.toFixed(3));

/** A first design of a kind on a spot: of usual size, standing in the middle, to be changed at once. */
export function newPiece(kind: PieceKind, context: NewPieceContext): Piece {
  return makers[kind](context) as Piece;
}

/** Even whole shares that add up to 100. */
function evenShares(count: number): number[] {
  return Array.from(
    { length: count },
    (_, i) => Math.floor((100 * (i + 1)) / count) - Math.floor((100 * i) / count),
  );
}

function firstMix(
  { colours, seed }: NewPieceContext,
  nominals: [number, number][] = [
    [11, 75],
    [17, 25],
  ],
): Mix {
  const chosen = colours.slice(0, 3);
  const shares = evenShares(chosen.length);
  return {
    clusterSize: 'auto',
    strung: 'tight',
    sizePolicy: 'as-set',
    sizes: nominals.map(([nominalIn, sharePct]) => ({
      nominalIn,
      sharePct,
      inflatedIn: { ...sizeOf(nominalIn).blowIn },
    })),
    colours: chosen.map((colour, i): ColourShare => ({ colour, sharePct: shares[i] as number })),
    colourPlan: 'blocks',
    fillers: { nominalIn: 5, inflatedIn: { min: 3, max: 4.5 }, triosPerM: 6.56 },
    seed,
  };
}

const pattern = (colours: readonly string[], kind: Pattern['kind'] = 'spiral'): Pattern => ({
  kind,
  colours: [...colours.slice(0, 4)],
  turn: 'right',
  blockLayers: 3,
});

const eleven: Blown = { nominalIn: 11, inflatedIn: 9 };
const five: Blown = { nominalIn: 5, inflatedIn: 4 };

type Maker = (context: NewPieceContext) => object;

const head = ({ id, name, spot }: NewPieceContext) => ({ id, name, spotId: spot.id });
const made = (context: NewPieceContext) => ({ ...head(context), grade: 'professional' as const });
const middle = ({ spot }: NewPieceContext, yM = 0): Point => ({ xM: tidy(spot.widthM / 2), yM: tidy(yM) });
const low = ({ spot }: NewPieceContext, heightM: number) => tidy(Math.min(heightM, spot.heightM * 0.9));

/** Spots with nothing behind that would flatten a garland. */
const hangsFree: ReadonlySet<Spot['kind']> = new Set(['ceiling-run', 'open-floor', 'tree', 'stair'] as const);

const makers: Record<PieceKind, Maker> = {
  'organic-garland': (context) => {
    const { spot } = context;
    const at = (x: number, y: number) => ({
      xM: tidy(x * spot.widthM),
      yM: tidy(y * Math.min(spot.heightM, 3.4)),
    });
    return {
      kind: 'organic-garland',
      ...made(context),
      ...firstMix(context),
      // Under a ceiling it hangs all along, as near as its own thickness lets it.
      line:
        spot.kind === 'ceiling-run'
          ? [0.16, 0.39, 0.61, 0.84].map((x) => ({
              xM: tidy(x * spot.widthM),
              yM: tidy(spot.heightM - UNDER_M),
            }))
          : [at(0.16, 0.12), at(0.24, 0.46), at(0.48, 0.7), at(0.78, 0.74)],
      widthM: 0.6096,
      taper: 0.75,
      ...(spot.kind && hangsFree.has(spot.kind) ? { backing: 'free' as const } : {}),
    };
  },
  'packed-arch': (context) => ({
    kind: 'packed-arch',
    ...made(context),
    at: middle(context),
    pipe: 'pvc-half',
    pipeLengthM: tidy(20 * METRES_PER_FOOT),
    spanM: tidy(8 * METRES_PER_FOOT),
    layerSize: 4,
    balloon: eleven,
    pressFactor: 0.97,
    pattern: pattern(context.colours),
  }),
  'packed-column': (context) => ({
    kind: 'packed-column',
    ...made(context),
    at: middle(context),
    heightM: low(context, 6 * METRES_PER_FOOT),
    layerSize: 4,
    balloon: eleven,
    pressFactor: 0.97,
    pattern: pattern(context.colours),
    topper: null,
  }),
  'square-column': (context) => ({
    kind: 'square-column',
    ...made(context),
    at: middle(context),
    heightM: low(context, 5 * METRES_PER_FOOT),
    large: { nominalIn: 11, inflatedIn: 10 },
    small: five,
    colours: context.colours.slice(0, 2),
    smallColour: context.colours[2] ?? context.colours[0],
    topper: { nominalIn: 36, inflatedIn: 30, colour: context.colours[0] },
  }),
  'photo-frame': (context) => ({
    kind: 'photo-frame',
    ...made(context),
    at: middle(context),
    widthM: tidy(5 * METRES_PER_FOOT),
    heightM: tidy(7 * METRES_PER_FOOT),
    dress: {
      style: 'quads',
      balloon: five,
      repeat: [0, 1, 1, 1].map((i) => context.colours[i] ?? context.colours[0]),
    },
    legs: 'bare',
    legM: tidy(METRES_PER_FOOT),
  }),
  'standing-garland': (context) => ({
    kind: 'standing-garland',
    ...made(context),
    at: middle(context),
    poleM: tidy(7 * METRES_PER_FOOT),
    gapM: 0.1,
    curve: { lengthM: 0.8, side: 'right' },
    widthM: 0.5,
    taper: 0.6,
    mix: firstMix(context, [
      [11, 85],
      [17, 15],
    ]),
  }),
  'panel-wall': (context) => ({
    kind: 'panel-wall',
    ...made(context),
    at: middle(context),
    panel: 'Moulded panel',
    panelIn: 20,
    columns: 4,
    rows: 4,
    edge: { balloon: eleven, colours: context.colours.slice(0, 2) },
    sides: {
      widthM: 0.5,
      mix: firstMix(context, [
        [11, 90],
        [17, 10],
      ]),
    },
  }),
  'table-arch': (context) => ({
    kind: 'table-arch',
    ...made(context),
    at: middle(context, 0.75),
    poleLengthM: tidy(12 * METRES_PER_FOOT),
    spanM: tidy(5 * METRES_PER_FOOT),
    tableThicknessM: 0.03,
    layerSize: 4,
    balloon: { nominalIn: 12, inflatedIn: 9 },
    pressFactor: 0.97,
    pattern: pattern(context.colours),
  }),
  tower: (context) => ({
    kind: 'tower',
    ...made(context),
    at: middle(context),
    heightM: low(context, 6 * METRES_PER_FOOT),
    layerSize: 5,
    nominalIn: 11,
    bottomIn: 9.5,
    topIn: 9.5,
    pressFactor: 0.97,
    pattern: pattern(context.colours, 'rings'),
    roof: { rings: 3, flower: { ...five, colour: context.colours[0] } },
  }),
  'pair-arch': (context) => ({
    kind: 'pair-arch',
    ...made(context),
    at: middle(context, 2),
    spanM: tidy(inchesToMetres(81)),
    outside: { nominalIn: 11, inflatedIn: 8 },
    inside: { nominalIn: 11, inflatedIn: 7.5 },
    outsideColours: context.colours.slice(0, 1),
    insideColours: context.colours.slice(1, 2).length
      ? context.colours.slice(1, 2)
      : context.colours.slice(0, 1),
  }),
  chain: (context) => ({
    kind: 'chain',
    ...made(context),
    from: { xM: tidy(context.spot.widthM * 0.25), yM: 1.2 },
    to: { xM: tidy(context.spot.widthM * 0.75), yM: 1.2 },
    sagM: 0.3,
    linkIn: 5,
    balloonsPerLink: 2,
    colours: context.colours.slice(0, 2),
    bases: 2,
  }),
  topiary: (context) => ({
    kind: 'topiary',
    ...made(context),
    at: middle(context),
    standM: 1.5,
    ballM: 0.8,
    clusterSize: 4,
    balloon: { nominalIn: 11, inflatedIn: 8 },
    colours: context.colours.slice(0, 2),
    fillers: five,
    skirtM: 0.7,
  }),
  centrepiece: (context) => ({
    kind: 'centrepiece',
    ...made(context),
    at: middle(context, 0.75),
    count: 6,
    postM: 0.6,
    layerSize: 4,
    nominalIn: 5,
    bottomIn: 5,
    topIn: 3,
    pressFactor: 0.97,
    pattern: pattern(context.colours, 'rings'),
  }),
  bunch: (context) => ({
    kind: 'bunch',
    ...made(context),
    at: middle(context, Math.min(2.4, context.spot.heightM)),
    count: 4,
    balloonsEach: 3,
    balloon: { nominalIn: 11, inflatedIn: 8 },
    colours: context.colours.slice(0, 3),
    threadM: 0.6,
  }),
  banner: (context) => ({
    kind: 'banner',
    ...made(context),
    at: middle(context, Math.min(2.3, context.spot.heightM * 0.8)),
    text: 'LANTERN',
    letterIn: 9,
    pitchM: 0.35,
    balloon: five,
    balloonsEach: 3,
    colours: context.colours.slice(0, 2),
  }),
  accent: (context) => ({
    kind: 'accent',
    ...made(context),
    at: middle(context, Math.min(1.6, context.spot.heightM * 0.6)),
    count: 1,
    look: {
      what: 'round',
      balloon: { nominalIn: 36, inflatedIn: 30 },
      colour: context.colours[0],
      fill: 'plain',
    },
    planB: '',
  }),
  backdrop: (context) => ({
    kind: 'backdrop',
    ...head(context),
    at: middle(context),
    what: 'curtain',
    widthM: tidy(Math.min(context.spot.widthM * 0.8, 10 * METRES_PER_FOOT)),
    heightM: low(context, 8 * METRES_PER_FOOT),
    unitWidthM: 1.5,
    unitHeightM: 0.6,
    fullness: 2,
    colour: context.colours[0],
    text: '',
  }),
  furnishing: (context) => ({
    kind: 'furnishing',
    ...head(context),
    at: { xM: tidy(context.spot.widthM * 0.2), yM: 0 },
    items: [
      { name: 'Table, 6 ft', count: 1, minutesEach: 4, massKg: 14, widthM: 1.83, heightM: 0.74 },
      { name: 'Tablecloth', count: 1, minutesEach: 2, massKg: 1, widthM: 0.3, heightM: 0.05 },
    ],
  }),
};

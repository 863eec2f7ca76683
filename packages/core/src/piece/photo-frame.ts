import type { PhotoFrame, PipeId, Schools } from '@early-lantern/contract';
import { chainLength, type XY } from '../geometry/line.ts';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { amounts, material, unitsFor } from '../materials/materials.ts';
import { jointTape } from '../materials/piping.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { dressedPicture, dressedPlacement } from './dressed.ts';
import { type Dressing, dress, sumDressings } from './dressing.ts';
import {
  dressingAssemblies,
  dressingMaking,
  dressingMaterials,
  dressingWork,
  schoolNotes,
} from './dressing-making.ts';
import { type Fitting, noHardware, type PipeRun } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, type Layer, layerPitchM } from './layers.ts';
import { type Part, straight } from './part.ts';
import { basePlate, type DrawnBalloon, type DrawnShape } from './picture.ts';
import type { Material, Need, Recipe, SiteWork } from './recipe.ts';

const PRESS_FACTOR = 0.97;
const CORNERS = 4;
/** A strung garland is tied to its bar about every 2 ft. Common practice, no source. */
const TIE_SPACING_M = 0.6096;

/** A rectangle of poles and pipe to be photographed in, dressed organically or in patterned quads. */
export const photoFrame: Kind<PhotoFrame> = {
  hardware: (piece) => ({ ...noHardware(), pipes: barsOf(piece), fittings: cornersOf(piece) }),
  depthM: ({ dress: style }) =>
    style.style === 'organic' ? style.widthM : inchesToMetres(ringOuterDiameter(4, style.balloon.inflatedIn)),
  recipe(piece, schools) {
    const { dress: style, heightM, legs } = piece;
    const common = {
      sections: [1],
      hangPoints: 0,
      topM: heightM + (style.style === 'organic' ? style.widthM / 2 : 0.1),
      handsUpToM: heightM,
      materials: frameMaterials(piece),
      making: [
        'Cut one pipe in two for the bars; tees at the lower corners, elbows at the upper ones; tape every joint.',
      ],
    };
    const frame: SiteWork = {
      id: 'frame',
      stage: 'frame',
      label: 'set the frame',
      weighted: 'set the frame, weight both bases',
      rate: 'frame-stand',
      amount: 1,
      pair: true,
      how: [
        'Lamp bases only indoors and with light traffic, else a plate of 2 ft by 2 ft at least.',
        'See that a tall guest fits under it.',
        ...(legs === 'bare' ? ['The legs stay bare.'] : []),
      ],
    };
    if (style.style === 'organic') {
      const dressing = organicDressing(piece);
      // Strung garlands are tied to the bars; clusters that are twisted on are never strung.
      const isStrung = schools.onPipe === 'press';
      const ties = Math.ceil(dressing.lengthM / TIE_SPACING_M) + 1;
      return {
        ...dressing,
        ...common,
        assemblies: dressingAssemblies(dressing, schools, 'frame').map((one) =>
          one.part === 'frame' && !isStrung ? { ...one, join: 'twist-on-pipe', joinAt: 'site' } : one,
        ),
        siteWork: [
          frame,
          isStrung
            ? {
                id: 'hang',
                stage: 'hang',
                label: `tie the strung garlands to the bars, ${plural(ties, 'point')}`,
                rate: 'hang-point',
                amount: ties,
                how: ['Sides first, from the foot up, then the top; a 260 round bar and garland every 2 ft.'],
              }
            : {
                id: 'hang',
                stage: 'hang',
                label: `twist ${plural(dressing.spineClusters, 'cluster')} round the bars`,
                rate: 'twist-on-pipe',
                amount: dressing.spineClusters,
                how: ['Sides first, from the foot up, then the top; two balloons of each round the pipe.'],
              },
          ...dressingWork(dressing, schools, ['Raise the corners.']),
        ],
        materials: [
          ...common.materials,
          ...dressingMaterials(dressing, isStrung ? schools : { ...schools, joining: 'string-neck' }),
          ...(isStrung
            ? [
                material(
                  'modelling-260',
                  ties,
                  '⌈L / 2 ft⌉ + 1',
                  [['L', dressing.lengthM, 'm']],
                  COMMON_PRACTICE,
                  { what: '260s round bar and garland' },
                ),
              ]
            : []),
        ],
        making: [...common.making, ...dressingMaking(dressing, schools, isStrung ? undefined : 'unstrung')],
        notes: [...dressing.notes, ...schoolNotes(schools)],
      };
    }
    return {
      ...quadRecipe(piece, schools),
      ...common,
      making: [...common.making, 'Tie each quad of one colour, in the order of the pattern.'],
      siteWork: [frame, ...quadWork(piece, schools)],
    };
  },
  parts(piece): Part[] {
    const { at, widthM, heightM, legM } = piece;
    const [left, right] = [at.xM - widthM / 2, at.xM + widthM / 2];
    const bars = [
      straight(left, at.yM + heightM, right, at.yM + heightM),
      straight(left, at.yM + legM, right, at.yM + legM),
    ];
    const uprights = [left, right].map((xM) => straight(xM, at.yM, xM, at.yM + heightM));
    return [
      { id: 'bar', label: 'bars', made: 'bar', lines: bars, after: 'frame' },
      { id: 'upright', label: 'uprights', made: 'pole', lines: uprights, after: 'frame' },
      {
        id: 'body',
        label: 'dressing',
        made: 'balloons',
        lines: [...bars, ...uprights],
        after: 'dress',
        before: 'fill',
      },
    ];
  },
  placement(piece, recipe) {
    if (piece.dress.style === 'organic')
      return { ...dressedPlacement(organicLines(piece)), shapes: frameShapes(piece) };
    return { shapes: frameShapes(piece), balloons: quadBalloons(piece, recipe) };
  },
  picture: (piece, recipe, placed) => ({
    shapes: frameShapes(piece),
    balloons:
      piece.dress.style === 'organic'
        ? dressedPicture(organicLines(piece), placed)
        : quadBalloons(piece, recipe),
  }),
};

/** Bases, uprights and bars. */
function frameShapes(piece: PhotoFrame): DrawnShape[] {
  const { at, legM, widthM } = piece;
  const half = widthM / 2;
  const pipe = (points: XY[]): DrawnShape => ({ shape: 'line', points, widthM: 0.027, tone: 'pipe' });
  return [
    basePlate(at.xM - half, at.yM),
    basePlate(at.xM + half, at.yM),
    pipe(uprights(piece)),
    pipe([
      { x: at.xM - half, y: at.yM + legM },
      { x: at.xM + half, y: at.yM + legM },
    ]),
  ];
}

/** Up the left side, across the top, down the right, feet and all. */
function uprights({ at, widthM, heightM }: PhotoFrame): XY[] {
  const half = widthM / 2;
  return [
    { x: at.xM - half, y: at.yM },
    { x: at.xM - half, y: at.yM + heightM },
    { x: at.xM + half, y: at.yM + heightM },
    { x: at.xM + half, y: at.yM },
  ];
}

/** What is dressed: with dressed legs the uprights from the floor and the lower bar; else the rectangle alone. */
function dressedRuns(piece: PhotoFrame): XY[][] {
  const { at, widthM, legM, legs } = piece;
  const half = widthM / 2;
  const lower = [
    { x: at.xM + half, y: at.yM + legM },
    { x: at.xM - half, y: at.yM + legM },
  ];
  const outer = uprights(piece).map((point) =>
    legs === 'bare' ? { x: point.x, y: Math.max(point.y, at.yM + legM) } : point,
  );
  if (legs === 'bare') return [[...outer, ...lower.slice(1)]];
  return legM > 0 ? [outer, lower] : [outer];
}

function organicLines(piece: PhotoFrame) {
  const { dress: style } = piece;
  if (style.style !== 'organic') return [];
  return dressedRuns(piece).map((run) => ({
    chain: run,
    widthM: style.widthM,
    taper: 1,
    mix: style.mix,
    backing: 'free' as const,
    onPole: true,
  }));
}

const organicDressing = (piece: PhotoFrame): Dressing =>
  sumDressings(organicLines(piece).map(dress) as [Dressing, ...Dressing[]]);

/** Quads of each run, one colour to a quad, the pattern running on from run to run. */
function quadLayers(piece: PhotoFrame): { run: XY[]; layers: Layer[] }[] {
  const { dress: style } = piece;
  if (style.style !== 'quads') return [];
  const { balloon, repeat } = style;
  const pitchM = layerPitchM(4, balloon.inflatedIn, PRESS_FACTOR);
  let passed = 0;
  return dressedRuns(piece).map((run) => {
    const lengthM = chainLength(run);
    const count = Math.max(1, Math.round(lengthM / pitchM));
    const layers = Array.from({ length: count }, (_, i): Layer => {
      const colour = repeat[(passed + i) % repeat.length] as string;
      return {
        word: Array<string>(4).fill(colour),
        halfSteps: i % 2,
        ...balloon,
        atM: ((i + 0.5) * lengthM) / count,
      };
    });
    passed += count;
    return { run, layers };
  });
}

function quadRecipe(
  piece: PhotoFrame,
  schools: Schools,
): Omit<Recipe, 'sections' | 'hangPoints' | 'topM' | 'materials' | 'making' | 'siteWork'> {
  const { dress: style, widthM } = piece;
  if (style.style !== 'quads') throw new RangeError('this frame is dressed organically');
  const { balloon, repeat } = style;
  const runs = quadLayers(piece);
  const count = runs.reduce((sum, { layers }) => sum + layers.length, 0);
  const lengthM = runs.reduce((sum, { run }) => sum + chainLength(run), 0);
  const blown = { min: balloon.inflatedIn, max: balloon.inflatedIn };
  const corners = CORNERS * amounts.cornerBalloons.value;
  const needs = [
    ...repeatCounts(repeat, count).map(
      ({ colour, count: quads }): Need => ({
        role: 'base',
        nominalIn: balloon.nominalIn,
        inflatedIn: blown,
        colour,
        count: quads * 4,
        cluster: 'quads',
      }),
    ),
    ...repeatCounts(repeat, corners).map(
      ({ colour, count: balloons }): Need => ({
        role: 'filler',
        nominalIn: balloon.nominalIn,
        inflatedIn: blown,
        colour,
        count: balloons,
        cluster: 'corner duplets and quads',
      }),
    ),
  ];
  return {
    lengthM,
    visibleWidthM: widthM,
    clusterSize: 4,
    spineClusters: count,
    sideClusters: 0,
    fillerClusters: 0,
    needs,
    assemblies: [
      {
        name: 'quads',
        size: 4,
        count,
        part: 'frame',
        make: 'twist-quad',
        join: schools.onPipe === 'press' ? 'press-quad' : 'twist-on-pipe',
        joinAt: 'site',
      },
      {
        name: 'corner duplets and quads',
        size: amounts.cornerBalloons.value,
        count: CORNERS,
        part: 'corners',
        make: 'twist-quad',
        join: undefined,
        joinAt: 'bench',
      },
    ],
    notes: [],
    working: [
      working(
        'Quads round the frame',
        'dressed length / (press factor · h(4) · d), rounded for each run',
        [
          ['dressed length', lengthM, 'm'],
          ['press factor', PRESS_FACTOR],
          ['d', inchesToMetres(balloon.inflatedIn), 'm'],
        ],
        { value: count, unit: 'quads' },
        DERIVED,
      ),
      working(
        'Pattern',
        'repeated quad by quad',
        [['repeat', repeat.join(', ')]],
        { value: repeat.length, unit: 'quads a repeat' },
        COMMON_PRACTICE,
      ),
      working(
        'Balloons at the corners',
        'corners · balloons per corner',
        [
          ['corners', CORNERS],
          ['balloons per corner', amounts.cornerBalloons.value],
        ],
        { value: corners, unit: 'balloons' },
        amounts.cornerBalloons.tag,
      ),
    ],
  };
}

function quadWork(piece: PhotoFrame, schools: Schools): Recipe['siteWork'] {
  const quads = quadLayers(piece).reduce((sum, { layers }) => sum + layers.length, 0);
  return [
    {
      id: 'quads',
      stage: 'hang',
      label: `${schools.onPipe === 'press' ? 'press on' : 'twist on'} ${plural(quads, 'quad')}`,
      rate: schools.onPipe === 'press' ? 'press-quad' : 'twist-on-pipe',
      amount: quads,
      how: ['Sides first, then the bars; the pattern runs on from side to side.'],
    },
    {
      id: 'corners',
      stage: 'fill',
      label: 'fill the corners',
      rate: 'fix-filler',
      amount: CORNERS * 2,
      how: ['A duplet and a quad over each joint.'],
    },
  ];
}

function quadBalloons(piece: PhotoFrame, recipe: Recipe): DrawnBalloon[] {
  const balloons = quadLayers(piece).flatMap(({ run, layers }) => drawLayers(run, layers));
  return [...balloons, ...cornerBalloons(piece, recipe)];
}

/** The corner balloons in small knots over the joints. */
function cornerBalloons(piece: PhotoFrame, recipe: Recipe): DrawnBalloon[] {
  const { at, widthM, heightM, legM, dress: style } = piece;
  if (style.style !== 'quads') return [];
  const rM = inchesToMetres(style.balloon.inflatedIn) / 2;
  const colours = recipe.needs
    .filter((need) => need.role === 'filler')
    .flatMap((need) => Array<string>(need.count).fill(need.colour));
  const spots = [
    [-1, legM],
    [-1, heightM],
    [1, heightM],
    [1, legM],
  ] as const;
  return colours.map((colour, i) => {
    const [side, y] = spots[i % spots.length] as (typeof spots)[number];
    const angle = (Math.floor(i / spots.length) / amounts.cornerBalloons.value) * 2 * Math.PI;
    return {
      xM: at.xM + (side * widthM) / 2 + Math.cos(angle) * rM * 1.3,
      yM: at.yM + y + Math.sin(angle) * rM * 1.3,
      rM,
      colour,
      role: 'filler',
    };
  });
}

/** Bars are of this where nothing else is chosen: it goes over thin lamp poles. Common practice, no source. */
export const BAR_PIPE: PipeId = 'pvc-half';
/** A thin lamp pole, ½ in. pipe going over it (common practice, no source); the figure from memory. */
export const THIN_POLE_IN = 0.6;

const barsOf = ({ barPipe = BAR_PIPE, widthM }: PhotoFrame): PipeRun[] =>
  ['upper bar', 'lower bar'].map((label) => ({ pipe: barPipe, label, lengthM: widthM }));

/** Tees at the lower corners, elbows at the upper ones: a bar and an upright meet in each. */
function cornersOf({ barPipe = BAR_PIPE, poleIn = THIN_POLE_IN }: PhotoFrame): Fitting[] {
  const pole = { label: 'upright', odM: inchesToMetres(poleIn) };
  return (['tee', 'elbow'] as const).map((item) => ({ item, pipe: barPipe, count: 2, pole }));
}

/** Bars cut from stock pipe, uprights of pole sections, tees below, elbows above. */
function frameMaterials(piece: PhotoFrame): Material[] {
  const { heightM, widthM, barPipe = BAR_PIPE } = piece;
  const sections = unitsFor(heightM, amounts.poleSectionM.value);
  const perBar = unitsFor(widthM, amounts.stockPipeM.value);
  const couplings = 2 * (perBar - 1);
  return [
    material(
      `pipe-${barPipe}`,
      perBar > 1 ? 2 * perBar : unitsFor(2 * widthM, amounts.stockPipeM.value),
      perBar > 1 ? 'bars · ⌈width / stock length⌉' : '⌈bars · width / stock length⌉',
      [
        ['bars', 2],
        ['width', widthM, 'm'],
        ['stock length', amounts.stockPipeM.value, 'm'],
      ],
      COMMON_PRACTICE,
    ),
    material('coupling', couplings, '2 · (lengths of a bar − 1)', [['lengths of a bar', perBar]]),
    material(
      'pole-section',
      2 * sections,
      '2 · ⌈height / section⌉',
      [
        ['height', heightM, 'm'],
        ['section', amounts.poleSectionM.value, 'm'],
      ],
      amounts.poleSectionM.tag,
    ),
    ...cornersOf(piece).map(({ item, count }) =>
      material(
        item,
        count,
        item === 'tee' ? 'at the lower corners' : 'at the upper corners',
        [],
        COMMON_PRACTICE,
      ),
    ),
    material('weighted-base', 2, 'one under each upright', [], COMMON_PRACTICE),
    material('base-cover', 2, 'one for each base', [], COMMON_PRACTICE),
    jointTape(CORNERS + couplings, plural(CORNERS + couplings, 'joint')),
  ];
}

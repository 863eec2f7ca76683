import type { PhotoFrame, Schools } from '@early-lantern/contract';
import { chainLength, type XY } from '../geometry/line.ts';
import { amounts } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { drawLayers, type Layer, layerPitchM } from './layers.ts';
import { CORNERS, dressedRuns } from './photo-frame-runs.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Need, Recipe } from './recipe.ts';

const PRESS_FACTOR = 0.97;

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

export function quadRecipe(
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

export function quadWork(piece: PhotoFrame, schools: Schools): Recipe['siteWork'] {
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

export function quadBalloons(piece: PhotoFrame, recipe: Recipe): DrawnBalloon[] {
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

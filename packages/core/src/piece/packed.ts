import type { RateKey, Schools, Topper } from '@early-lantern/contract';
import { amounts, material, unitsFor } from '../materials/materials.ts';
import { groupBy } from '../quantity/group.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
import type { Layer } from './layers.ts';
import { layerName, layerNeeds, layerPitchM, topOf } from './layers.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Assembly, Material, Need, Recipe, SiteWork } from './recipe.ts';

/** What packed pieces of every shape have in common. */
interface PackedParts {
  layers: readonly Layer[];
  schools: Schools;
  lengthM: number;
  widthM: number;
  topM: number;
  handsUpToM?: number;
  /** Setting up what carries it. */
  frame: SiteWork[];
  materials: Material[];
  /** How the layers go on, besides what is usual. */
  layersHow: string[];
  /** What the step of the layers is called and counts, where that is not all of them alike. */
  layersStep?: { label: string; amount: number };
  notes?: string[];
  working: Recipe['working'];
  topper?: Topper | null;
  /** Balloons besides the layers. */
  extra?: { needs: Need[]; assemblies: Assembly[]; siteWork?: SiteWork[] };
  /** How many alike. */
  times?: number;
}

/** The recipe of layers on a pole or pipe, topper and all. */
export function packedRecipe(parts: PackedParts): Recipe {
  const { layers, schools, topper, times = 1 } = parts;
  const n = layers[0]?.word.length ?? 0;
  const top = topper ? topperParts(topper) : undefined;
  const count = layers.length * times;
  const needs = layerNeeds(layers, layerName).map((need) => ({ ...need, count: need.count * times }));
  return {
    lengthM: parts.lengthM,
    visibleWidthM: parts.widthM,
    clusterSize: n,
    spineClusters: count,
    sideClusters: 0,
    fillerClusters: 0,
    sections: [1],
    hangPoints: 0,
    topM: parts.topM,
    ...(parts.handsUpToM === undefined ? {} : { handsUpToM: parts.handsUpToM }),
    needs: [...needs, ...(parts.extra?.needs ?? []), ...(top?.needs ?? [])],
    assemblies: [
      ...[...groupBy(layers, ({ word }) => word.length)].map(
        ([size, alike], i): Assembly => ({
          ...(i > 0 ? { withBefore: true } : {}),
          name: layerName(size),
          size,
          count: alike.length * times,
          part: 'layers',
          make: size > 5 ? 'twist-six' : 'twist-quad',
          join: schools.onPipe === 'press' ? 'press-quad' : 'twist-on-pipe',
          joinAt: 'site',
        }),
      ),
      ...(parts.extra?.assemblies ?? []),
      ...(top?.assemblies ?? []),
    ],
    siteWork: [
      ...parts.frame,
      {
        id: 'layers',
        stage: 'hang',
        label: `${schools.onPipe === 'press' ? 'press on' : 'twist on'} ${parts.layersStep?.label ?? plural(count, 'layer')}`,
        rate: schools.onPipe === 'press' ? 'press-quad' : 'twist-on-pipe',
        amount: parts.layersStep?.amount ?? count,
        how: [
          ...parts.layersHow,
          schools.onPipe === 'press'
            ? 'Press each layer on and down to the one below, turned half a step.'
            : 'Twist two balloons of each layer round the pipe, so that it cannot turn.',
        ],
      },
      ...(parts.extra?.siteWork ?? []),
      ...(top?.siteWork ?? []),
    ],
    materials: [...parts.materials, ...(top?.materials ?? [])],
    making: [
      'Blow every balloon through its template hole; uniform layers sit level.',
      'Tie each duplet from the colour pair on the pattern card, then twist the duplets into layers.',
      ...(layers.some(({ word }) => word.length === 5) ? ['A ring of five is a trio and a duplet.'] : []),
    ],
    notes: parts.notes ?? [],
    working: parts.working,
  };
}

/** Setting up what carries layers: one step, by two people. */
export const oneFrame = (
  rate: RateKey,
  label: string,
  { weighted, amount = 1, how }: Partial<Pick<SiteWork, 'weighted' | 'amount' | 'how'>> = {},
): SiteWork[] => [
  {
    id: 'frame',
    stage: 'frame',
    label,
    ...(weighted ? { weighted } : {}),
    rate,
    amount,
    pair: true,
    ...(how ? { how } : {}),
  },
];

/** How high layers set one by one come out. */
export const ownLayersWorking = (layers: readonly Layer[], pressFactor: number): Recipe['working'] => [
  working(
    'Height of the layers',
    'half the lowest + Σ press factor · sqrt(s² − ra² − rb² + 2 ra rb cos(π/n)) + half the topmost',
    [
      ['layers', layers.length],
      ['press factor', pressFactor],
    ],
    { value: topOf(layers), unit: 'm' },
    DERIVED,
  ),
];

/** Layers of equal balloons on a length: the count and its inputs. */
export function equalLayersWorking(
  lengthM: number,
  n: number,
  inflatedIn: number,
  pressFactor: number,
  layers: number,
): Recipe['working'] {
  return [
    working(
      'Pitch of the layers',
      'press factor · h(n) · d',
      [
        ['press factor', pressFactor],
        ['n', n],
        ['h(n)', layerPitchM(n, inflatedIn, 1) / inchesToMetres(inflatedIn)],
        ['d', inchesToMetres(inflatedIn), 'm'],
      ],
      { value: layerPitchM(n, inflatedIn, pressFactor), unit: 'm' },
      `${DERIVED} from touching spheres; the press factor is learned from practice`,
    ),
    working(
      'Layers',
      'L / pitch, rounded',
      [
        ['L', lengthM, 'm'],
        ['pitch', layerPitchM(n, inflatedIn, pressFactor), 'm'],
      ],
      { value: layers, unit: 'layers' },
      `${DERIVED}; 50 quads of 11 in. on 30 ft of pipe: common practice, no source`,
    ),
  ];
}

function topperParts(topper: Topper) {
  const { nominalIn, inflatedIn, colour } = topper;
  const { value, tag } = amounts.topperTies260;
  return {
    needs: [
      {
        role: 'accent' as const,
        nominalIn,
        inflatedIn: { min: inflatedIn, max: inflatedIn },
        colour,
        count: 1,
        cluster: 'singles',
      },
    ],
    assemblies: [],
    siteWork: [
      {
        id: 'topper',
        stage: 'accent' as const,
        label: 'tie the topper down',
        rate: 'tie-topper' as const,
        amount: 1,
        how: ['With 260s, criss-crossed in two or three places some layers lower.'],
      },
    ],
    materials: [
      material(
        'modelling-260',
        value,
        'toppers · ties per topper',
        [
          ['toppers', 1],
          ['ties per topper', value],
        ],
        tag,
        { what: 'Ties of the topper' },
      ),
    ],
  };
}

/** The topper resting on the uppermost layer. */
export function drawTopper(topper: Topper | null, xM: number, onM: number): DrawnBalloon[] {
  if (!topper) return [];
  const rM = inchesToMetres(topper.inflatedIn) / 2;
  return [{ xM, yM: onM + rM * 0.9, rM, colour: topper.colour, role: 'accent' }];
}

/** A pole on a weighted base, with what protects the floor below it. */
export function standMaterials(
  count: number,
  poleM: number,
  base: 'lamp-base' | 'weighted-base',
): Material[] {
  const sections = unitsFor(poleM, amounts.poleSectionM.value);
  const inputs: [string, number][] = [['stands', count]];
  return [
    material(
      'pole-section',
      count * sections,
      'stands · ⌈height / section⌉',
      [
        ['stands', count],
        ['height', poleM, 'm'],
        ['section', amounts.poleSectionM.value, 'm'],
      ],
      amounts.poleSectionM.tag,
    ),
    material(base, count, 'one for each stand', inputs),
    material('base-cover', count, 'one for each base', inputs),
  ];
}

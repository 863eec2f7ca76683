import type { ColourId, Tower } from '@early-lantern/contract';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { material } from '../materials/materials.ts';
import { layerColours } from '../pattern/layers.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { poleOf } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, gradedLayers, type Layer, onTemplate, ownLayers, topOf } from './layers.ts';
import { packedRecipe, standMaterials } from './packed.ts';
import { columnParts } from './part.ts';
import { basePlate, type DrawnBalloon, upright } from './picture.ts';
import type { Need } from './recipe.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** Of the flower on a roof, where it is not said. Common practice, no source. */
const PETALS = 5;
/** Each ring of the roof is blown to this share of the one below. From memory, an editable default. */
const ROOF_STEP = 0.86;

/** Rings seated in the gaps of the ones below on a weighted stand, with a roof of ever smaller rings. */
export const tower: Kind<Tower> = {
  traits: standing,
  sizeM: (_, { visibleWidthM, topM }) => ({ widthM: visibleWidthM, heightM: topM }),
  upon: standsAt,
  hardware: ({ heightM }) => poleOf(heightM),
  lookOver: () => [
    'It stands plumb: look along a wall or a door frame.',
    'Its layers are level and get smaller evenly.',
  ],
  recipe(piece, schools) {
    const { heightM, layerSize, bottomIn, topIn, roof, pressFactor } = piece;
    const layers = towerLayers(piece);
    const bodyCount = layers.length - (roof?.rings ?? 0);
    const petals = roof?.petals ?? PETALS;
    const flower = roof ? flowerNeeds(roof.flower, petals) : [];
    const topM = topOf(layers) + (roof ? inchesToMetres(roof.flower.inflatedIn) : 0);
    return packedRecipe({
      layers,
      schools,
      lengthM: topOf(layers),
      widthM: widthOf(piece),
      topM,
      frame: [
        {
          id: 'frame',
          stage: 'frame',
          label: 'set the base',
          weighted: 'set the base, put its weights on',
          rate: 'column-stand',
          amount: 1 - POLE_SHARE,
          pair: true,
        },
        {
          id: 'pole',
          stage: 'frame',
          label: 'screw the pole together on its base',
          rate: 'column-stand',
          amount: POLE_SHARE,
          after: ['frame'],
        },
      ],
      materials: [...standMaterials(1, topOf(layers), 'weighted-base'), ...roofTie(piece)],
      layersHow: ['Seat each ring in the gaps of the one below; set uniform diameters with the template.'],
      layersStep: { label: plural(bodyCount, 'ring'), amount: bodyCount },
      working: [
        working(
          'Rise from ring to ring',
          'press factor · sqrt(s² − ra² − rb² + 2 ra rb cos(π/n))',
          [
            ['n', layerSize],
            ['lowest', inchesToMetres(bottomIn), 'm'],
            ['topmost', inchesToMetres(topIn), 'm'],
            ['press factor', pressFactor],
          ],
          { value: heightM, unit: 'm' },
          DERIVED,
        ),
        working(
          'Rings',
          'as many as the height takes, and the roof',
          [
            ['height', heightM, 'm'],
            ['rings of the roof', roof?.rings ?? 0],
          ],
          { value: layers.length, unit: 'rings' },
          DERIVED,
        ),
      ],
      extra: {
        needs: flower,
        assemblies: roof
          ? [
              {
                name: 'flowers',
                size: petals,
                count: 1,
                part: 'roof',
                make: 'tie-bunch',
                join: undefined,
                joinAt: 'bench',
              },
            ]
          : [],
        siteWork: roof
          ? [
              {
                id: 'roof',
                stage: 'roof',
                label: `set the roof on: ${roof.rings > 0 ? `${plural(roof.rings, 'ring')} and ` : ''}the flower`,
                rate: 'tie-topper',
                amount: 1,
                how: [
                  `Ever smaller rings, closed by a flower of ${petals} petals, tied together by a 260 and set on as one.`,
                ],
              },
            ]
          : [],
      },
    });
  },
  picture(piece) {
    const { at, roof } = piece;
    const layers = towerLayers(piece);
    const topM = topOf(layers);
    const axis = [
      { x: at.xM, y: at.yM },
      { x: at.xM, y: at.yM + topM },
    ];
    return {
      shapes: [basePlate(at.xM, at.yM), upright(at.xM, at.yM, at.yM + topM)],
      balloons: [
        ...drawLayers(axis, layers),
        ...(roof ? drawFlower(at.xM, at.yM + topM, roof.flower, roof.petals ?? PETALS) : []),
      ],
    };
  },
  parts(piece) {
    return columnParts(piece.at, topOf(towerLayers(piece)), widthOf(piece));
  },
};

/** Of its fullest ring. */
const widthOf = ({ ownLayers: own, layerSize, bottomIn, topIn }: Tower): number =>
  inchesToMetres(
    Math.max(
      ...(own ?? [{ balloons: layerSize, inflatedIn: Math.max(bottomIn, topIn) }]).map((ring) =>
        ringOuterDiameter(ring.balloons, ring.inflatedIn),
      ),
    ),
  );

/** Of setting a tower's stand, what is screwing its pole together. From memory, an editable default. */
const POLE_SHARE = 0.4;

/** One 260 ties the roof's rings and its flower together. */
const roofTie = ({ roof }: Tower) =>
  roof
    ? [material('modelling-260', 1, 'one for the roof', [], COMMON_PRACTICE, { what: 'Tie of the roof' })]
    : [];

/** The rings of the body and of the roof, the lowest first. */
export function towerLayers(piece: Tower): Layer[] {
  const { heightM, layerSize, nominalIn, bottomIn, topIn, pressFactor, pattern, roof } = piece;
  const body = piece.ownLayers
    ? ownLayers(piece.ownLayers, nominalIn, pressFactor)
    : gradedLayers(heightM, layerSize, nominalIn, bottomIn, topIn, pressFactor, pattern);
  const rings = roof?.rings ?? 0;
  const ringSize = body.at(-1)?.word.length ?? layerSize;
  const colours = layerColours(pattern, ringSize, body.length + rings);
  const layers = [...body];
  for (let i = 0; i < rings; i++) {
    const below = layers.at(-1) as Layer;
    const inflatedIn = Math.max(1, onTemplate(below.inflatedIn * ROOF_STEP));
    // A smaller ring sinks into the one below: half its own diameter higher is where the eye wants it.
    const atM = below.atM + pressFactor * inchesToMetres((below.inflatedIn + inflatedIn) / 2) * 0.7;
    layers.push({ ...(colours[body.length + i] as (typeof colours)[number]), nominalIn, inflatedIn, atM });
  }
  return layers;
}

function flowerNeeds(
  flower: { nominalIn: number; inflatedIn: number; colour: ColourId },
  petals: number,
): Need[] {
  return [
    {
      role: 'accent',
      nominalIn: flower.nominalIn,
      inflatedIn: { min: flower.inflatedIn, max: flower.inflatedIn },
      colour: flower.colour,
      count: petals,
      cluster: 'flowers',
    },
  ];
}

/** Petals of a flower seen from the front, the middle ones nearest. */
function drawFlower(
  xM: number,
  yM: number,
  { nominalIn, inflatedIn, colour }: { nominalIn: number; inflatedIn: number; colour: ColourId },
  petals: number,
): DrawnBalloon[] {
  const rM = inchesToMetres(inflatedIn) / 2;
  const places = petals === 6 ? [-1.6, 1.6, -1, 1, -0.35, 0.35] : [-1.5, 1.5, -0.8, 0.8, 0];
  return places.map((across) => ({
    xM: xM + across * rM,
    yM: yM + rM * (1 - Math.abs(across) * 0.25),
    rM,
    colour,
    role: 'accent' as const,
    nominalIn,
  }));
}

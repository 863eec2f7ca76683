import type { OrganicGarland } from '@early-lantern/contract';
import { smoothLine, snaked, type XY } from '../geometry/line.ts';
import { material } from '../materials/materials.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { type Dressing, type DressLine, dress } from './dressing.ts';
import {
  dressingAssemblies,
  dressingMaterials,
  dressingSteps,
  dressingWork,
  schoolNotes,
} from './dressing-making.ts';
import { dressingPicture } from './dressing-picture.ts';
import type { Kind } from './kind.ts';
import type { Material, Recipe } from './recipe.ts';

/** Two armfuls to a 12 ft garland, three to a 15 ft one. */
const SECTION_M = 6.5 * METRES_PER_FOOT;
const HANG_SPACING_M = 2 * METRES_PER_FOOT;
/** A corner sharper than this is raised. */
const SHARP_RAD = (40 * Math.PI) / 180;
const CLUSTERS_PER_CORNER = 2;
/** A tail spreads on the floor: clusters more for each metre of it. From memory, an editable default. */
const TAIL_CLUSTERS_PER_M = 1.5;

/** Clusters of assorted diameters along a free line. */
export const organicGarland: Kind<OrganicGarland> = {
  recipe(piece, schools) {
    const corners = piece.raisedCorners ? sharpCorners(piece) : 0;
    const dressing = dress(dressLine(piece));
    const sections = sectionShares(dressing.lengthM, piece);
    const hangPoints = Math.max(3, Math.ceil(dressing.lengthM / HANG_SPACING_M) + 1);
    return {
      ...dressing,
      visibleWidthM: dressing.visibleWidthM + 2 * (piece.snake?.amplitudeM ?? 0),
      sections,
      hangPoints,
      topM: Math.max(...piece.line.map((point) => point.yM)),
      assemblies: dressingAssemblies(dressing, schools, 'base'),
      siteWork: [
        {
          id: 'hang',
          stage: 'hang',
          label: 'hang the base',
          rate: 'hang-point',
          amount: hangPoints,
        },
        ...dressingWork(dressing, schools),
      ],
      materials: [...dressingMaterials(dressing, schools), hangMaterial(hangPoints, dressing.lengthM)],
      steps: [
        ...dressingSteps(dressing, schools),
        ...(corners ? [`Raise the ${plural(corners, 'corner')}: two clusters on top of each.`] : []),
        ...(piece.tailM
          ? ['Let the tail spread on the floor; pin or tie its end so that it does not lift.']
          : []),
        ...(sections.length > 1
          ? [`Build and bag ${plural(sections.length, 'section')}; join them on the spot.`]
          : []),
      ],
      notes: [...dressing.notes, ...schoolNotes(schools)],
      working: [...dressing.working, ...sectionWorking(dressing, sections.length)],
    } satisfies Recipe;
  },
  picture: (piece, recipe) => ({ shapes: [], balloons: dressingPicture(dressLine(piece), recipe) }),
};

function dressLine(piece: OrganicGarland): DressLine {
  const { clusterSize, strung, sizePolicy, sizes, colours, colourPlan, fillers, seed } = piece;
  const corners = piece.raisedCorners ? sharpCorners(piece) : 0;
  return {
    chain: garlandChain(piece),
    widthM: piece.widthM,
    taper: piece.taper,
    mix: { clusterSize, strung, sizePolicy, sizes, colours, colourPlan, fillers, seed },
    extraClusters: corners * CLUSTERS_PER_CORNER + Math.round((piece.tailM ?? 0) * TAIL_CLUSTERS_PER_M),
  };
}

/** The line the clusters sit on: smoothed, its tail laid along the floor, swung from side to side. Metres. */
function garlandChain({ line, tailM = 0, snake }: OrganicGarland): XY[] {
  const points = line.map(({ xM, yM }) => ({ x: xM, y: yM }));
  const [first, second] = points as [XY, XY];
  const away = second.x > first.x ? -1 : 1;
  const tail = tailM > 0 ? [{ x: first.x + away * tailM, y: Math.max(0.05, first.y) }] : [];
  const chain = smoothLine([...tail, ...points]);
  return snake && snake.amplitudeM > 0 ? snaked(chain, snake.amplitudeM, snake.wavelengthM) : chain;
}

function sharpCorners({ line }: OrganicGarland): number {
  return line.filter((point, i) => {
    const [before, after] = [line[i - 1], line[i + 1]];
    if (!before || !after) return false;
    const into = Math.atan2(point.yM - before.yM, point.xM - before.xM);
    const out = Math.atan2(after.yM - point.yM, after.xM - point.xM);
    const turn = Math.abs(((out - into + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
    return turn > SHARP_RAD;
  }).length;
}

/** Equal lengths; a garland that thins has most of its balloons in the first: shares go with the width squared. */
function sectionShares(lengthM: number, { sections, taper }: OrganicGarland): number[] {
  const count = sections ?? Math.max(1, Math.ceil(lengthM / SECTION_M));
  const width = (t: number) => 1 - (1 - taper) * t;
  const upTo = (t: number) => (taper === 1 ? t : (1 - width(t) ** 3) / (1 - width(1) ** 3));
  return Array.from({ length: count }, (_, i) => upTo((i + 1) / count) - upTo(i / count));
}

const sectionWorking = ({ lengthM }: Dressing, count: number) => [
  working(
    'Sections',
    '⌈L / 6.5 ft⌉, or as set',
    [['L', lengthM, 'm']],
    { value: count, unit: 'sections' },
    `two armfuls to a 12 ft garland: ${COMMON_PRACTICE}`,
  ),
];

/** Fixings at the points the garland hangs from. */
const hangMaterial = (points: number, lengthM: number): Material =>
  material(
    'tie-point',
    points,
    'one about every 2 ft, three at least',
    [['L', lengthM, 'm']],
    COMMON_PRACTICE,
  );

import type { OrganicGarland, PartId } from '@early-lantern/contract';
import { chainLength, nearestOnChain, sharpTurns, smoothLine, snaked, type XY } from '../geometry/line.ts';
import { material } from '../materials/materials.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { withByHand } from './by-hand.ts';
import { cutsOf, SECTION_M } from './cuts.ts';
import type { DressLine } from './dress-line.ts';
import { dressedPicture, dressedPlacement } from './dressed.ts';
import { type Dressing, dress } from './dressing.ts';
import {
  dressingAssemblies,
  dressingMaking,
  dressingMaterials,
  dressingWork,
  schoolNotes,
} from './dressing-making.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { type Backing, flatness } from './organic-law.ts';
import type { Part, PartMade } from './part.ts';
import type { Material, Recipe, SiteWork } from './recipe.ts';
import { hanging } from './traits.ts';

const HANG_SPACING_M = 2 * METRES_PER_FOOT;
/** A corner sharper than this is raised. */
const SHARP_RAD = (40 * Math.PI) / 180;
const CLUSTERS_PER_CORNER = 2;
/** A tail spreads on the floor: clusters more for each metre of it. From memory, an editable default. */
const TAIL_CLUSTERS_PER_M = 1.5;

/** Clusters of assorted diameters along a free line. */
export const organicGarland: Kind<OrganicGarland> = {
  traits: hanging,
  upon(piece) {
    const line = smoothLine(piece.line.map(({ xM, yM }) => ({ x: xM, y: yM })));
    const step = Math.max(1, Math.floor(line.length / SAMPLES));
    return { goesOn: GARLAND_ON, samples: line.filter((_, i) => i % step === 0), things: 1, line };
  },
  hardware: noHardware,
  depthM: (piece, { visibleWidthM }) => flatness(backingOf(piece)) * visibleWidthM,
  recipe(piece, schools) {
    const corners = piece.raisedCorners ? sharpCorners(piece).length : 0;
    const dressing = dress(dressLine(piece));
    const cuts = cutsOf(piece, dressing.lengthM);
    const sections = sectionShares(cuts, piece);
    const hangPoints = Math.max(3, Math.ceil(dressing.lengthM / HANG_SPACING_M) + 1);
    return {
      ...dressing,
      visibleWidthM: dressing.visibleWidthM + 2 * (piece.snake?.amplitudeM ?? 0),
      sections,
      cuts,
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
          byPoints: true,
        },
        ...joinWork(piece, sections.length),
        ...dressingWork(dressing, schools, [
          ...(corners ? [`Raise the ${plural(corners, 'corner')}: two clusters on top of each.`] : []),
          ...(piece.tailM ? ['Let the tail spread on the floor.'] : []),
        ]),
      ],
      materials: [
        ...dressingMaterials(dressing, schools),
        hangMaterial(hangPoints, dressing.lengthM),
        ...joinMaterials(piece, sections.length),
      ],
      making: [
        ...dressingMaking(dressing, schools),
        ...(sections.length > 1 ? [`Build and bag ${plural(sections.length, 'section')}.`] : []),
      ],
      notes: [...dressing.notes, ...schoolNotes(schools)],
      working: [...dressing.working, ...sectionWorking(dressing, piece, sections.length)],
    } satisfies Recipe;
  },
  placement: (piece) => dressedPlacement([dressLine(piece)]),
  picture: (piece, _, placed) => ({ shapes: [], balloons: dressedPicture([dressLine(piece)], placed) }),
  parts(piece) {
    const chain = garlandChain(piece);
    const [first, last] = [chain[0] as XY, chain.at(-1) as XY];
    const part = (id: PartId, label: string, line: XY[], stages: Pick<Part, 'after' | 'before'>): Part => ({
      id,
      label,
      made: 'balloons',
      lines: [line],
      ...stages,
    });
    // What is tied into it goes on when its base is as wide as it will be, before the small ones close the gaps.
    return [
      part('body', 'body', chain, { after: 'dress', before: 'fill' }),
      part('start', 'thick end', [first, first], { after: 'hang' }),
      part('end', 'tip', [last, last], { after: 'hang' }),
      part('foot', 'foot', [first, first], { after: 'dress' }),
    ];
  },
};

/** What a garland is hung on. Common practice, no source. */
const GARLAND_ON: readonly PartMade[] = [
  'bar',
  'gap',
  'mesh',
  'frame-behind',
  'pole',
  'board',
  'table-edge',
  'balloons',
  'cloth',
  'leg',
];

/** Points of its line that are looked at for what it lies on. */
const SAMPLES = 24;

/** Ends that another garland is joined to. */
const ENDS: readonly PartId[] = ['start', 'end', 'foot', 'body'];

/** Ends of it that are joined on the spot: section to section, and to the garland it goes on from. */
const joinsOf = ({ alsoOn }: OrganicGarland, sections: number): number =>
  sections - 1 + (alsoOn && ENDS.includes(alsoOn.part) ? 1 : 0);

function joinWork(piece: OrganicGarland, sections: number): SiteWork[] {
  const joins = joinsOf(piece, sections);
  if (joins === 0) return [];
  return [
    {
      id: 'join',
      stage: 'join',
      label: `join ${plural(joins, 'pair')} of ends`,
      rate: 'join-ends',
      amount: joins,
      how: ['Both ends on their own points and touching, then one 260 round both.'],
    },
  ];
}

function joinMaterials(piece: OrganicGarland, sections: number): Material[] {
  const joins = joinsOf(piece, sections);
  return joins === 0
    ? []
    : [
        material('modelling-260', joins, 'one round both ends', [['joins', joins]], COMMON_PRACTICE, {
          what: '260s at joins',
        }),
      ];
}

/** Against a wall, where nobody has said that it hangs free. */
const backingOf = ({ backing = 'wall' }: OrganicGarland): Backing => backing;

function dressLine(piece: OrganicGarland): DressLine {
  const chain = garlandChain(piece);
  const extraAt = extraPlaces(piece, chain);
  return withByHand({
    chain,
    widthM: piece.widthM,
    taper: piece.taper,
    // A garland is its own mix.
    mix: piece,
    backing: backingOf(piece),
    extraClusters: extraAt.length,
    extraAt,
  });
}

/** Where clusters are tied besides: two on each corner that is raised, and along the tail. Shares of the line. */
function extraPlaces(piece: OrganicGarland, chain: readonly XY[]): number[] {
  const lengthM = chainLength(chain);
  const corners = piece.raisedCorners ? sharpCorners(piece) : [];
  const { tailM = 0 } = piece;
  const inTail = Math.round(tailM * TAIL_CLUSTERS_PER_M);
  return [
    ...corners.flatMap(({ xM, yM }) => {
      const share = nearestOnChain(chain, { x: xM, y: yM }).along / lengthM;
      return Array.from({ length: CLUSTERS_PER_CORNER }, () => share);
    }),
    ...Array.from({ length: inTail }, (_, i) => ((i + 0.5) / inTail) * Math.min(1, tailM / lengthM)),
  ];
}

/** The line the clusters sit on: smoothed, its tail laid along the floor, swung from side to side. Metres. */
export function garlandChain({ line, tailM = 0, snake }: OrganicGarland): XY[] {
  const points = line.map(({ xM, yM }) => ({ x: xM, y: yM }));
  const [first, second] = points as [XY, XY];
  const away = second.x > first.x ? -1 : 1;
  const tail = tailM > 0 ? [{ x: first.x + away * tailM, y: Math.max(0.05, first.y) }] : [];
  const chain = smoothLine([...tail, ...points]);
  return snake && snake.amplitudeM > 0
    ? snaked(chain, snake.amplitudeM, snake.wavelengthM, snake.from, snake.to)
    : chain;
}

/** Corners that are raised: what hangs over them by itself would slump. */
export const sharpCorners = ({ line }: OrganicGarland): OrganicGarland['line'] => sharpTurns(line, SHARP_RAD);

/** A garland that thins has most of its balloons in the first section: shares go with the width squared. */
function sectionShares(cuts: readonly number[], { taper }: OrganicGarland): number[] {
  const width = (t: number) => 1 - (1 - taper) * t;
  const upTo = (t: number) => (taper === 1 ? t : (1 - width(t) ** 3) / (1 - width(1) ** 3));
  const ends = [0, ...cuts, 1];
  return ends.slice(1).map((end, i) => upTo(end) - upTo(ends[i] as number));
}

const sectionWorking = ({ lengthM }: Dressing, { cuts }: OrganicGarland, count: number) => [
  cuts
    ? working('Sections', 'cut by hand', [], { value: count, unit: 'sections' }, 'as drawn')
    : working(
        'Sections',
        '⌈L / longest⌉, or as set',
        [
          ['L', lengthM, 'm'],
          ['longest', SECTION_M, 'm'],
        ],
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

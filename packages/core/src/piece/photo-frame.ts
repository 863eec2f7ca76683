import type { PhotoFrame } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { material } from '../materials/materials.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE } from '../working.ts';
import { withByHand } from './by-hand.ts';
import type { DressLine } from './dress-line.ts';
import { dressedPicture, dressedPlacement } from './dressed.ts';
import { type Dressing, dress, sumDressings } from './dressing.ts';
import {
  dressingAssemblies,
  dressingMaking,
  dressingMaterials,
  dressingWork,
  schoolNotes,
} from './dressing-making.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { type Part, straight } from './part.ts';
import { barsOf, cornersOf, frameMaterials } from './photo-frame-pipes.ts';
import { quadBalloons, quadRecipe, quadWork } from './photo-frame-quads.ts';
import { dressedRuns, uprights } from './photo-frame-runs.ts';
import { basePlate, type DrawnShape } from './picture.ts';
import type { SiteWork } from './recipe.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** A strung garland is tied to its bar about every 2 ft. Common practice, no source. */
const TIE_SPACING_M = 0.6096;

/** A rectangle of poles and pipe to be photographed in, dressed organically or in patterned quads. */
export const photoFrame: Kind<PhotoFrame> = {
  traits: standing,
  sizeM: ({ widthM, heightM }) => ({ widthM, heightM }),
  upon: standsAt,
  hardware: (piece) => ({ ...noHardware(), pipes: barsOf(piece), fittings: cornersOf(piece) }),
  depthM: ({ dress: style }) =>
    style.style === 'organic' ? style.widthM : inchesToMetres(ringOuterDiameter(4, style.balloon.inflatedIn)),
  lookOver: () => [
    'Its bars are level and its uprights plumb.',
    'Through a camera at guests’ height nothing of the frame shows inside.',
  ],
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

function organicLines(piece: PhotoFrame): DressLine[] {
  const { dress: style } = piece;
  if (style.style !== 'organic') return [];
  const { widthM, mix } = style;
  return dressedRuns(piece).map((chain, i) =>
    withByHand({ chain, widthM, taper: 1, mix, backing: 'free', onPole: true }, i),
  );
}

const organicDressing = (piece: PhotoFrame): Dressing =>
  sumDressings(organicLines(piece).map(dress) as [Dressing, ...Dressing[]]);

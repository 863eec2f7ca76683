import type { StandingGarland } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import { plural } from '../quantity/plural.ts';
import { withByHand } from './by-hand.ts';
import type { DressLine } from './dress-line.ts';
import { dressedPicture, dressedPlacement } from './dressed.ts';
import { dress } from './dressing.ts';
import {
  dressingAssemblies,
  dressingMaking,
  dressingMaterials,
  dressingWork,
  schoolNotes,
} from './dressing-making.ts';
import { poleOf } from './hardware.ts';
import type { Kind } from './kind.ts';
import { standMaterials } from './packed.ts';
import { type Part, straight } from './part.ts';
import { basePlate, type DrawnShape, upright } from './picture.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** A lamp-type stand carries about this; taller or wider needs a heavy plate. Common practice, no source. */
const LAMP_POLE_M = 2.3;
const LAMP_WIDTH_M = 0.65;
/** How far the part beyond the pole's top bends over. */
const CURVE_RAD = 0.75 * Math.PI;

/** Clusters up a pole and, beyond its top, hanging neck to neck in a curve. */
export const standingGarland: Kind<StandingGarland> = {
  traits: standing,
  upon: standsAt,
  hardware: ({ poleM }) => poleOf(poleM),
  recipe(piece, schools) {
    const { poleM, gapM, widthM, curve } = piece;
    const dressing = dress(dressLine(piece));
    const isHeavy = poleM > LAMP_POLE_M || widthM > LAMP_WIDTH_M;
    // By length: what is beyond the pole's top has nothing to clip to.
    const beyond = Math.round((dressing.spineClusters * curve.lengthM) / Math.max(0.1, dressing.lengthM));
    const onPole = dressing.spineClusters - beyond;
    return {
      ...dressing,
      sections: [1],
      hangPoints: 0,
      topM: Math.max(...dressLine(piece).chain.map((point) => point.y)) + widthM / 2,
      assemblies: dressingAssemblies(dressing, { ...schools, joining: 'string-neck' }, 'pole').map((one) =>
        one.part === 'pole' ? { ...one, join: 'twist-on-pipe', joinAt: 'site' } : one,
      ),
      siteWork: [
        {
          id: 'frame',
          stage: 'frame',
          label: 'set the pole',
          weighted: 'set the pole, weight its base',
          rate: 'column-stand',
          amount: 1,
          ...(isHeavy
            ? { how: ['A rigid pole on a heavy plate: more than a lamp-type stand carries.'] }
            : {}),
        },
        {
          id: 'hang',
          stage: 'hang',
          label: `clip ${plural(onPole, 'cluster')} to the pole`,
          rate: 'twist-on-pipe',
          amount: onPole,
          how: [
            'From the foot up: spread two balloons round the pole and twist them together.',
            ...(gapM > 0
              ? ['Leave the gap at the foot free: balloons pushed against the floor lift the base.']
              : []),
          ],
        },
        ...(beyond > 0
          ? [
              {
                id: 'curve',
                stage: 'hang' as const,
                label: `hang ${plural(beyond, 'cluster')} neck to neck beyond the top`,
                rate: 'string-neck' as const,
                amount: beyond,
                after: ['hang'],
                how: ['Knot each to the long neck of the one before, so that it curves over.'],
              },
            ]
          : []),
        ...dressingWork(dressing, schools),
      ],
      materials: [
        ...standMaterials(1, poleM, isHeavy ? 'weighted-base' : 'lamp-base'),
        ...dressingMaterials(dressing, { ...schools, joining: 'string-neck' }),
      ],
      making: dressingMaking(dressing, schools, 'unstrung'),
      notes: [
        ...dressing.notes,
        ...schoolNotes(schools),
        ...(isHeavy ? ['More than a lamp-type stand carries: counted with a heavy weighted plate.'] : []),
      ],
      working: dressing.working,
    };
  },
  placement: (piece) => ({ ...dressedPlacement([dressLine(piece)]), shapes: poleShapes(piece) }),
  picture: (piece, _, placed) => ({
    shapes: poleShapes(piece),
    balloons: dressedPicture([dressLine(piece)], placed),
  }),
  parts(piece): Part[] {
    const { at, poleM } = piece;
    const { chain } = dressLine(piece);
    const [first, last] = [chain[0] as XY, chain.at(-1) as XY];
    return [
      {
        id: 'pole',
        label: 'pole',
        made: 'pole',
        lines: [straight(at.xM, at.yM, at.xM, at.yM + poleM)],
        after: 'frame',
        // Once it is clothed nobody reaches it.
        before: 'hang',
      },
      { id: 'body', label: 'body', made: 'balloons', lines: [[...chain]], after: 'dress', before: 'fill' },
      { id: 'start', label: 'foot end', made: 'balloons', lines: [[first, first]], after: 'hang' },
      { id: 'end', label: 'tip', made: 'balloons', lines: [[last, last]], after: 'hang' },
    ];
  },
};

/** From the foot gap up the pole, then bending over to its side. */
function dressLine({ at, poleM, gapM, curve, widthM, taper, mix }: StandingGarland): DressLine {
  const side = curve.side === 'left' ? -1 : 1;
  const radius = curve.lengthM / CURVE_RAD;
  const bend: XY[] = Array.from({ length: 16 }, (_, i) => {
    const angle = Math.PI - (CURVE_RAD * (i + 1)) / 16;
    return {
      x: at.xM + side * radius * (1 + Math.cos(angle)),
      y: at.yM + poleM + radius * Math.sin(angle),
    };
  });
  const chain = [
    { x: at.xM, y: at.yM + gapM },
    { x: at.xM, y: at.yM + Math.max(poleM, gapM + 0.1) },
    ...(curve.lengthM > 0 ? bend : []),
  ];
  return withByHand({ chain, widthM, taper, mix, backing: 'free', onPole: true });
}

const poleShapes = ({ at, poleM }: StandingGarland): DrawnShape[] => [
  basePlate(at.xM, at.yM),
  upright(at.xM, at.yM, at.yM + poleM),
];

import type { Topiary } from '@early-lantern/contract';
import { amounts, material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { clusterName, fillerName, twistRate } from './cluster-names.ts';
import { poleOf } from './hardware.ts';
import type { Kind } from './kind.ts';
import { standMaterials } from './packed.ts';
import { straight } from './part.ts';
import { basePlate, type DrawnBalloon, type DrawnShape, upright } from './picture.ts';
import type { Need } from './recipe.ts';
import { standing } from './traits.ts';
import { goesOn } from './upon.ts';

/** Share of the sphere through the centres that caps of touching balloons cover. */
const CAP_COVER = 0.82;
/** `auto` clusters of a ball: quads sit closest. */
const USUAL_CLUSTER = 4;

/**
 * Balloons of diameter `d` that cover a ball of outer diameter `D`: `N = 4 · 0.82 · ((D − d)/d)²`, from the area of
 * the sphere through their centres. Holds for about ten balloons and more (within 4 % of the best known packings of
 * caps on a sphere).
 */
export function ballCount(ballM: number, balloonM: number): number {
  return Math.max(4, 4 * CAP_COVER * (Math.max(0, ballM - balloonM) / balloonM) ** 2);
}

/** A ball of clusters on a stand, with a skirt of curtain below. */
export const topiary: Kind<Topiary> = {
  traits: standing,
  sizeM: ({ ballM, standM }) => ({ widthM: ballM, heightM: standM + ballM / 2 }),
  upon: goesOn('table-top'),
  hardware: ({ standM }) => poleOf(standM),
  lookOver: () => [
    'It is round from every side: walk round it, press in what sticks out.',
    'Its stand is upright, and the skirt falls evenly.',
  ],
  recipe(piece, schools) {
    const { standM, ballM, balloon, colours, fillers, skirtM, at } = piece;
    const size = piece.clusterSize === 'auto' ? USUAL_CLUSTER : piece.clusterSize;
    const dM = inchesToMetres(balloon.inflatedIn);
    const clusters = Math.max(1, Math.round(ballCount(ballM, dM) / size));
    const trios = fillers ? clusters : 0;
    const skirted = skirtM > 0 ? ', drape the skirt' : '';
    const need = (from: typeof balloon, count: number, role: Need['role'], cluster: string) =>
      repeatCounts(colours, count).map(
        (one): Need => ({
          role,
          nominalIn: from.nominalIn,
          inflatedIn: { min: from.inflatedIn, max: from.inflatedIn },
          colour: one.colour,
          count: one.count,
          cluster,
        }),
      );
    return {
      lengthM: ballM,
      visibleWidthM: ballM,
      clusterSize: size,
      spineClusters: clusters,
      sideClusters: 0,
      fillerClusters: trios,
      sections: [1],
      hangPoints: 0,
      topM: at.yM + standM + ballM / 2,
      needs: [
        ...need(balloon, clusters * size, 'base', clusterName(size)),
        ...(fillers ? need(fillers, trios * 3, 'filler', fillerName(3)) : []),
      ],
      assemblies: [
        {
          name: clusterName(size),
          size,
          count: clusters,
          part: 'ball',
          make: twistRate(size),
          join: 'twist-on-pipe',
          joinAt: 'site',
        },
        ...(trios
          ? [
              {
                name: fillerName(3),
                size: 3,
                count: trios,
                part: 'fillers',
                make: 'twist-quad' as const,
                join: undefined,
                joinAt: 'bench' as const,
              },
            ]
          : []),
      ],
      siteWork: [
        {
          id: 'frame',
          stage: 'frame',
          label: `set the stand${skirted}`,
          weighted: `set the stand, weight its base${skirted}`,
          rate: 'column-stand',
          amount: 1,
          ...(skirtM > 0 ? { how: ['Drape the skirt below and tie it above.'] } : {}),
        },
        {
          id: 'ball',
          stage: 'hang',
          label: `build the ball from ${plural(clusters, 'cluster')}`,
          rate: 'twist-on-pipe',
          amount: clusters,
          how: [
            'Soft balloons over cut zip-tie ends first, so that nothing pops.',
            'Round the top of the pole; turn it as you go.',
          ],
        },
        ...(trios
          ? [
              {
                id: 'fill',
                stage: 'fill' as const,
                label: `close gaps with ${plural(trios, 'trio')}`,
                rate: schools.fillerFixing === 'dash' ? ('fix-dash' as const) : ('fix-filler' as const),
                amount: trios,
              },
            ]
          : []),
      ],
      materials: [
        ...standMaterials(1, standM, 'weighted-base'),
        ...(skirtM > 0
          ? [
              material(
                'skirt-cloth',
                amounts.skirtHemM.value,
                'hem round the stand',
                [],
                amounts.skirtHemM.tag,
              ),
              material('zip-tie', 2, 'above and below', [], COMMON_PRACTICE),
            ]
          : []),
        ...(trios
          ? [
              material(
                'modelling-260',
                Math.ceil(trios / 4),
                '⌈trios / 4⌉',
                [['trios', trios]],
                COMMON_PRACTICE,
                { what: 'Halves of 260s for fillers' },
              ),
            ]
          : []),
      ],
      making: [`Blow to ${balloon.inflatedIn} in.; twist into ${clusterName(size)}.`],
      notes: [],
      working: [
        working(
          'Balloons that cover the ball',
          'N = 4 · 0.82 · ((D − d)/d)², rounded to whole clusters',
          [
            ['D', ballM, 'm'],
            ['d', dM, 'm'],
          ],
          { value: clusters * size, unit: 'balloons, in whole clusters' },
          `${DERIVED}: caps of balloons on the sphere through their centres`,
        ),
        ...(trios
          ? [
              working(
                'Filler trios',
                'one a cluster',
                [['clusters', clusters]],
                { value: trios, unit: 'trios' },
                'from memory, an editable default',
              ),
            ]
          : []),
      ],
    };
  },
  picture(piece, recipe) {
    const { at, standM, skirtM } = piece;
    const skirt: DrawnShape[] =
      skirtM > 0
        ? [
            {
              shape: 'box',
              xM: at.xM - 0.22,
              yM: at.yM,
              widthM: 0.44,
              heightM: Math.min(skirtM, standM),
              tone: 'cloth',
            },
          ]
        : [];
    return {
      shapes: [basePlate(at.xM, at.yM), upright(at.xM, at.yM, at.yM + standM), ...skirt],
      balloons: drawBall(piece, recipe.needs),
    };
  },
  parts({ at, standM, ballM }) {
    const topM = at.yM + standM + ballM / 2;
    const ball = { xM: at.xM - ballM / 2, yM: topM - ballM, widthM: ballM, heightM: ballM };
    return [
      {
        id: 'top',
        label: 'top of the ball',
        made: 'balloons',
        lines: [straight(at.xM, topM, at.xM, topM)],
        after: 'hang',
        before: 'fill',
      },
      {
        id: 'body',
        label: 'ball',
        made: 'balloons',
        lines: [straight(at.xM, topM - ballM / 2, at.xM, topM - ballM / 2)],
        area: ball,
        after: 'hang',
        before: 'fill',
      },
    ];
  },
};

/** Balloons on a sphere by the golden angle, small ones in front of the gaps. */
function drawBall({ at, standM, ballM, colours }: Topiary, needs: readonly Need[]): DrawnBalloon[] {
  const balls = (['base', 'filler'] as const).flatMap((role) => {
    const own = needs.filter((need) => need.role === role);
    const all = own.flatMap((need) => Array<Need>(need.count).fill(need));
    return all.map((need, i) => {
      const rM = inchesToMetres(need.inflatedIn.max) / 2;
      const up = 1 - (2 * i + 1) / all.length;
      const turn = i * 2.399963;
      const reach = ballM / 2 - rM;
      const ring = Math.sqrt(1 - up * up) * reach;
      return {
        xM: at.xM + Math.cos(turn) * ring,
        yM: at.yM + standM + up * reach,
        zM: Math.sin(turn) * ring,
        rM,
        // In turn round the ball, as they were counted.
        colour: colours[i % colours.length] as string,
        role,
      };
    });
  });
  return balls.sort((a, b) => a.zM - b.zM);
}

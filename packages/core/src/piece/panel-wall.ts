import type { PanelWall } from '@early-lantern/contract';
import { amounts, material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { withByHand } from './by-hand.ts';
import type { DressLine } from './dress-line.ts';
import { dressedPicture, dressedPlacement } from './dressed.ts';
import { type Dressing, dress, sumDressings } from './dressing.ts';
import { dressingAssemblies, dressingMaking, dressingMaterials, dressingWork } from './dressing-making.ts';
import { boardOf } from './hardware.ts';
import type { Kind } from './kind.ts';
import { type Part, straight } from './part.ts';
import type { DrawnBalloon, DrawnShape } from './picture.ts';
import type { Need } from './recipe.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** Rigid square panels on a stand, gaps closed with single balloons, legs clothed with garlands. */
export const panelWall: Kind<PanelWall> = {
  traits: standing,
  sizeM: (piece) => sizeOf(piece),
  upon: standsAt,
  hardware: ({ panelIn, rows }) =>
    boardOf('backing board', rows * inchesToMetres(panelIn), inchesToMetres(panelIn)),
  // One balloon thick.
  depthM: ({ edge }) => inchesToMetres(edge.balloon.inflatedIn),
  isOpen: ({ sides }) => sides === null,
  lookOver: () => [
    'Every seam and the top edge are covered: a single balloon on a dash where one shows.',
    'The panels hang level, every other one turned by 90°.',
  ],
  recipe(piece, schools) {
    const { columns, rows, edge, panel } = piece;
    const { widthM, heightM } = sizeOf(piece);
    const panels = columns * rows;
    const halves = panels * amounts.halfDashesPerPanel.value;
    const singles = edgeCount(piece);
    const sides = sideLines(piece).map(dress);
    const dressing = sides.length ? sumDressings(sides as [Dressing, ...Dressing[]]) : undefined;
    const blown = { min: edge.balloon.inflatedIn, max: edge.balloon.inflatedIn };
    const singleNeeds = repeatCounts(edge.colours, singles).map(
      ({ colour, count }): Need => ({
        role: 'accent',
        nominalIn: edge.balloon.nominalIn,
        inflatedIn: blown,
        colour,
        count,
        cluster: 'singles',
      }),
    );
    return {
      lengthM: widthM,
      visibleWidthM: widthM,
      clusterSize: dressing?.clusterSize ?? 0,
      spineClusters: dressing?.spineClusters ?? 0,
      sideClusters: dressing?.sideClusters ?? 0,
      fillerClusters: dressing?.fillerClusters ?? 0,
      sections: [1],
      hangPoints: 0,
      topM: heightM,
      handsUpToM: heightM,
      needs: [...(dressing?.needs ?? []), ...singleNeeds],
      assemblies: dressing ? dressingAssemblies(dressing, schools, 'sides') : [],
      siteWork: [
        {
          id: 'frame',
          stage: 'frame',
          label: 'set the backdrop stand',
          weighted: 'set the backdrop stand and weight it',
          rate: 'backdrop-stand',
          amount: 1,
          pair: true,
        },
        {
          id: 'panels',
          stage: 'frame',
          label: `stick ${plural(panels, 'panel')} to their boards`,
          rate: 'panel-mount',
          amount: panels * STICK_SHARE,
          how: ['By the corners with four half dashes each; turn every other panel by 90°.'],
        },
        ...(dressing
          ? [
              {
                id: 'hang',
                stage: 'hang' as const,
                label: 'hang the side garlands on the legs of the stand',
                rate: 'hang-point' as const,
                amount: 2 * POINTS_PER_LEG,
                how: ['Bottom, middle and top of each leg.'],
              },
            ]
          : []),
        {
          id: 'lean',
          stage: 'hang',
          label: `lean ${plural(columns, 'column')} on the crossbar and tape them`,
          rate: 'panel-mount',
          amount: panels * (1 - STICK_SHARE),
          pair: true,
          ...(dressing ? { after: ['hang'], how: ['Between the garlands that clothe the legs.'] } : {}),
        },
        {
          id: 'edges',
          stage: 'accent',
          label: `close the edges with ${plural(singles, 'single')}`,
          rate: 'fix-single',
          amount: singles,
          how: ['Each on a dash: find the touching point first.'],
        },
        ...(dressing ? dressingWork(dressing, schools) : []),
      ],
      materials: [
        material('backdrop-stand', 1, 'one for the wall', [], COMMON_PRACTICE),
        material(
          'panel-20',
          panels,
          'columns · rows',
          [
            ['columns', columns],
            ['rows', rows],
          ],
          DERIVED,
          { detail: `${panel}, ${piece.panelIn} in.` },
        ),
        material('backing-board', columns, 'one a column', [['columns', columns]], COMMON_PRACTICE),
        material(
          'adhesive-dash',
          Math.ceil(halves / 2),
          '⌈panels · halves on a panel / 2⌉',
          [
            ['panels', panels],
            ['halves on a panel', amounts.halfDashesPerPanel.value],
          ],
          amounts.halfDashesPerPanel.tag,
          { what: 'Dashes for the panels' },
        ),
        material('adhesive-dash', singles, 'one a single', [['singles', singles]], COMMON_PRACTICE, {
          what: 'Dashes for the edges',
        }),
        material(
          'tape',
          columns * amounts.boardTapeM.value,
          'columns · tape per column',
          [
            ['columns', columns],
            ['tape per column', amounts.boardTapeM.value, 'm'],
          ],
          amounts.boardTapeM.tag,
          { what: 'Tape from boards to crossbar' },
        ),
        ...(dressing ? dressingMaterials(dressing, schools) : []),
      ],
      making: dressing ? dressingMaking(dressing, schools) : [],
      notes: dressing?.notes ?? [],
      working: [
        working(
          'Size of the wall',
          'columns · panel by rows · panel',
          [
            ['columns', columns],
            ['rows', rows],
            ['panel', inchesToMetres(piece.panelIn), 'm'],
          ],
          { value: `${widthM.toFixed(2)} × ${heightM.toFixed(2)}`, unit: 'm' },
          DERIVED,
        ),
        working(
          'Singles at the edges',
          '((columns − 1) · height + width) / d, rounded up',
          [
            ['columns', columns],
            ['height', heightM, 'm'],
            ['width', widthM, 'm'],
            ['d', inchesToMetres(edge.balloon.inflatedIn), 'm'],
          ],
          { value: singles, unit: 'balloons' },
          `${DERIVED}: side by side along the inner seams and the top`,
        ),
        ...(dressing?.working ?? []),
      ],
    };
  },
  placement(piece) {
    const sides = dressedPlacement(sideLines(piece));
    return {
      ...sides,
      shapes: panelShapes(piece),
      balloons: [...sides.balloons, ...edgeBalloons(piece)],
    };
  },
  picture: (piece, _, placed) => ({
    shapes: panelShapes(piece),
    balloons: [...dressedPicture(sideLines(piece), placed), ...edgeBalloons(piece)],
  }),
  parts(piece): Part[] {
    const { widthM, heightM } = sizeOf(piece);
    const { at, columns } = piece;
    const left = at.xM - widthM / 2;
    const area = { xM: left, yM: at.yM, widthM, heightM };
    const seams = Array.from({ length: columns - 1 }, (_, i) => left + ((i + 1) * widthM) / columns);
    const parts: Part[] = [
      {
        id: 'crossbar',
        label: 'crossbar',
        made: 'bar',
        lines: [straight(left, at.yM + heightM, left + widthM, at.yM + heightM)],
        after: 'frame',
      },
      { id: 'face', label: 'faces', made: 'panel', lines: [], area, shields: 1, after: 'hang' },
    ];
    const gap: Part = {
      id: 'gap',
      label: 'gap between columns',
      made: 'gap',
      lines: seams.map((xM) => straight(xM, at.yM, xM, at.yM + heightM)),
      after: 'hang',
    };
    return seams.length > 0 ? [...parts, gap] : parts;
  },
};

/** Of the work on a panel, what is sticking it; the rest is leaning and taping its column. From memory. */
const STICK_SHARE = 0.6;
/** Bottom, middle and top of an upright garland. Common practice, no source. */
const POINTS_PER_LEG = 3;

const sizeOf = ({ columns, rows, panelIn }: PanelWall) => ({
  widthM: columns * inchesToMetres(panelIn),
  heightM: rows * inchesToMetres(panelIn),
});

/** Single balloons side by side along the inner seams and the top edge. */
function edgeCount(piece: PanelWall): number {
  const { widthM, heightM } = sizeOf(piece);
  const seamM = (piece.columns - 1) * heightM + widthM;
  return Math.ceil(seamM / inchesToMetres(piece.edge.balloon.inflatedIn));
}

function edgeBalloons(piece: PanelWall): DrawnBalloon[] {
  const { widthM, heightM } = sizeOf(piece);
  const { at, edge, columns } = piece;
  const count = edgeCount(piece);
  const dM = ((columns - 1) * heightM + widthM) / count;
  const left = at.xM - widthM / 2;
  return Array.from({ length: count }, (_, i) => {
    const along = (i + 0.5) * dM;
    const seam = Math.floor(along / heightM);
    const onSeam = along < (columns - 1) * heightM;
    return {
      xM: onSeam ? left + ((seam + 1) * widthM) / columns : left + along - (columns - 1) * heightM,
      yM: at.yM + (onSeam ? along - seam * heightM : heightM),
      rM: inchesToMetres(edge.balloon.inflatedIn) / 2,
      colour: edge.colours[i % edge.colours.length] as string,
      role: 'accent',
    };
  });
}

function panelShapes(piece: PanelWall): DrawnShape[] {
  const { widthM, heightM } = sizeOf(piece);
  const { at, columns, rows } = piece;
  const sideM = inchesToMetres(piece.panelIn);
  return Array.from({ length: columns * rows }, (_, i) => ({
    shape: 'box',
    xM: at.xM - widthM / 2 + (i % columns) * sideM,
    yM: at.yM + heightM - (Math.floor(i / columns) + 1) * sideM,
    widthM: sideM,
    heightM: sideM,
    tone: 'panel',
  }));
}

/** A garland up each leg of the stand. */
function sideLines(piece: PanelWall): DressLine[] {
  const { sides, at } = piece;
  if (!sides) return [];
  const { widthM, heightM } = sizeOf(piece);
  return [-1, 1].map((side, i) =>
    withByHand(
      {
        chain: [0.1, heightM + 0.1].map((y) => ({
          x: at.xM + side * (widthM / 2 + sides.widthM * 0.35),
          y: at.yM + y,
        })),
        widthM: sides.widthM,
        taper: 0.8,
        mix: sides.mix,
        backing: 'free',
        onPole: true,
      },
      i,
    ),
  );
}

import type { PairArch, Point } from '@early-lantern/contract';
import { bowSpan, dupletsFor, type PairBow, pairBow } from '../geometry/pair-arch.ts';
import { amounts, material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { GRAVITY } from '../quantity/force.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { asPoint, tidy } from './moved.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Need } from './recipe.ts';
import { standing } from './traits.ts';

/** Pull of a string drawn tight by hand, N. From memory, an editable default. */
const STRING_PULL_N = 20;
/** Its ends pull like a line that sags so far, m. From memory. */
const SAG_M = 0.3;
/** In a figure of eight, two before and two behind the tower. Common practice, no source. */
const FIGURE_OF_EIGHT = 4;
/** Of a tower or column it ends so far up: two layers below the roof. Common practice, no source. */
const BELOW_TOP = 0.85;
const LEAST_SPAN_M = 0.3;
/** One duplet of latex, kg, and rise and length over the span, as a flat arch has them. From memory. */
const DUPLET_KG = 0.006;
const LENGTH_OVER_SPAN = 1.1;
const RISE_OVER_LENGTH = 0.12;

/** As a flat arch pulls at its ends, N: weight · span / (8 · rise), and the string drawn tight. */
function pullN({ outside, inside, spanM }: PairArch): number {
  const bow = pairBow(inchesToMetres(outside.inflatedIn), inchesToMetres(inside.inflatedIn));
  const lengthM = spanM * LENGTH_OVER_SPAN;
  const weightN = (lengthM / bow.pitch) * DUPLET_KG * GRAVITY;
  return (weightN * spanM) / (8 * Math.max(0.1, lengthM * RISE_OVER_LENGTH)) + STRING_PULL_N;
}

/** Crossed duplets on a tight string between two towers: the difference in size gives the curve. */
export const pairArch: Kind<PairArch> = {
  traits: standing,
  upon(piece) {
    const { at, spanM } = piece;
    const [from, to] = [-1, 1].map((side) => ({ xM: at.xM + (side * spanM) / 2, yM: at.yM })) as [
      Point,
      Point,
    ];
    return {
      goesOn: ['balloons', 'pole', 'bar'],
      samples: [from, to].map(({ xM, yM }) => ({ x: xM, y: yM })),
      things: 1,
      ends: {
        from,
        to,
        sagM: SAG_M,
        stringN: STRING_PULL_N,
        pullN: pullN(piece),
        feet: [],
        balloonsRound: FIGURE_OF_EIGHT,
        onFixedOnly: true,
        setAt: BELOW_TOP,
        turn: 1,
      },
    };
  },
  // Its other end stays where it is, so its span changes.
  withEnd(piece, end, at) {
    const side = end === 'from' ? -1 : 1;
    const otherX = piece.at.xM - (side * piece.spanM) / 2;
    const spanM = tidy(Math.max(LEAST_SPAN_M, Math.abs(otherX - at.x)));
    const isTurned = side * (at.x - otherX) < 0;
    const middle = isTurned ? at.x - (side * spanM) / 2 : (at.x + otherX) / 2;
    return { ...piece, at: asPoint({ x: middle, y: at.y }), spanM };
  },
  hardware: noHardware,
  isOpen: () => true,
  lookOver: () => [
    'The bow rises evenly from both sides: pull the string tight, and turn back any pair that has rolled over.',
    'The ends sit at the same height on both sides.',
  ],
  recipe(piece, schools) {
    const { spanM, outside, inside, at } = piece;
    const { bow, duplets, reaches } = bowOf(piece);
    const { rise } = bowSpan(bow, duplets);
    const lengthM = duplets * bow.pitch;
    return {
      lengthM,
      visibleWidthM: inchesToMetres(outside.inflatedIn + inside.inflatedIn) * Math.SQRT1_2,
      clusterSize: 2,
      spineClusters: duplets,
      sideClusters: 0,
      fillerClusters: 0,
      sections: [1],
      hangPoints: 2,
      topM: at.yM + rise + inchesToMetres(outside.inflatedIn) / 2,
      needs: [
        ...lineNeeds(outside, piece.outsideColours, duplets),
        ...lineNeeds(inside, piece.insideColours, duplets),
      ],
      assemblies: [
        {
          name: 'crossed duplets',
          size: 2,
          count: duplets,
          part: 'bow',
          make: undefined,
          join: schools.joining,
          joinAt: 'bench',
        },
      ],
      siteWork: [
        {
          id: 'hang',
          stage: 'hang',
          label: 'tie both ends and pull the string tight',
          rate: 'hang-point',
          amount: 2,
          pair: true,
          how: [
            'Both towers weighted first: it pulls them inward.',
            'The tail of the string between two balloons two layers below the roof, in a figure of eight, two balloons before and two behind the tower.',
          ],
        },
      ],
      materials: [
        material(
          'modelling-260',
          Math.ceil(lengthM * amounts.string260PerM.value),
          '⌈L · balloons per metre⌉',
          [
            ['L', lengthM, 'm'],
            ['balloons per metre', amounts.string260PerM.value],
          ],
          amounts.string260PerM.tag,
          { what: 'Tight string of 260s' },
        ),
        material('tie-point', 2, 'one at each end', []),
      ],
      making: [
        'Tie each duplet of one large and one small balloon; size both with the template.',
        'String them alternately crossed, every large one on the outside, on a tight 260: a slack string droops.',
      ],
      notes: reaches
        ? []
        : [
            `These sizes curve so strongly that the bow cannot reach that far: it is counted as a half circle. Bring the two sizes closer together.`,
          ],
      working: [
        working(
          'Pitch on the outer line',
          'p = sqrt(D² − m²/2), m = (D + d)/2',
          [
            ['D', inchesToMetres(outside.inflatedIn), 'm'],
            ['d', inchesToMetres(inside.inflatedIn), 'm'],
            ['m', inchesToMetres(outside.inflatedIn + inside.inflatedIn) / 2, 'm'],
          ],
          { value: bow.pitch, unit: 'm' },
          DERIVED,
        ),
        working(
          'Radius of the inner line',
          'R = g / (D/d − 1), g = m cos 45°',
          [
            ['g', bow.gap, 'm'],
            ['D', inchesToMetres(outside.inflatedIn), 'm'],
            ['d', inchesToMetres(inside.inflatedIn), 'm'],
          ],
          { value: bow.innerRadius, unit: 'm' },
          DERIVED,
        ),
        working(
          'Duplets',
          '2 asin(span / 2R) / angle per duplet, rounded',
          [
            ['span', spanM, 'm'],
            ['angle per duplet', (bow.anglePerDuplet * 180) / Math.PI, '°'],
          ],
          { value: duplets, unit: 'duplets' },
          DERIVED,
        ),
      ],
    };
  },
  picture(piece) {
    const { bow, duplets } = bowOf(piece);
    return { shapes: [], balloons: drawBow(piece, bow, duplets) };
  },
  parts(piece) {
    const { bow, duplets } = bowOf(piece);
    const line = drawBow(piece, bow, duplets).map(({ xM, yM }) => ({ x: xM, y: yM }));
    return [{ id: 'body', label: 'bow', made: 'balloons', lines: [line], after: 'hang' }];
  },
};

function bowOf({ spanM, outside, inside }: PairArch) {
  const bow = pairBow(inchesToMetres(outside.inflatedIn), inchesToMetres(inside.inflatedIn));
  const found = dupletsFor(bow, spanM);
  return { bow, duplets: found ?? Math.round(Math.PI / bow.anglePerDuplet), reaches: found !== undefined };
}

function lineNeeds(balloon: PairArch['outside'], colours: readonly string[], duplets: number): Need[] {
  return repeatCounts(colours, duplets).map(({ colour, count }) => ({
    role: 'base',
    nominalIn: balloon.nominalIn,
    inflatedIn: { min: balloon.inflatedIn, max: balloon.inflatedIn },
    colour,
    count,
    cluster: 'crossed duplets',
  }));
}

function drawBow(piece: PairArch, bow: PairBow, duplets: number): DrawnBalloon[] {
  const middleM = bow.innerRadius + bow.gap / 2;
  const { rise } = bowSpan(bow, duplets);
  const centreY = piece.at.yM + rise - middleM;
  return Array.from({ length: duplets }, (_, i) => {
    const angle = Math.PI / 2 - bow.anglePerDuplet * (i - (duplets - 1) / 2);
    const ball = (radiusM: number, inflatedIn: number, colours: readonly string[]): DrawnBalloon => ({
      xM: piece.at.xM + radiusM * Math.cos(angle),
      yM: centreY + radiusM * Math.sin(angle),
      rM: inchesToMetres(inflatedIn) / 2,
      colour: colours[i % colours.length] as string,
      role: 'base',
    });
    return [
      ball(bow.innerRadius, piece.inside.inflatedIn, piece.insideColours),
      ball(bow.innerRadius + bow.gap, piece.outside.inflatedIn, piece.outsideColours),
    ];
  }).flat();
}

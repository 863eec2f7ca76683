import type { Chain } from '@early-lantern/contract';
import { type HungLine, hungLine } from '../geometry/catenary.ts';
import { stationsAt } from '../geometry/line.ts';
import { material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { GRAVITY } from '../quantity/force.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, layerName, ownLayers, topOf } from './layers.ts';
import { asPoint } from './moved.ts';
import { basePlate, type DrawnBalloon } from './picture.ts';
import { standing } from './traits.ts';

/** Modelling balloons are listed by their thickness blown. */
const MODELLING_IN = 2;

/** Links of modelling balloons hung in a bow between two points. */
export const chain: Kind<Chain> = {
  traits: standing,
  upon(piece) {
    const { from, to, sagM } = piece;
    return {
      goesOn: ['balloons', 'pole', 'bar'],
      samples: [from, to].map(({ xM, yM }) => ({ x: xM, y: yM })),
      things: 1,
      // Its weighted feet stand by themselves, whatever carries its other end.
      ownFirst: ['frame'],
      ends: {
        from,
        to,
        sagM,
        stringN: 0,
        pullN: pullN(piece),
        feet: endsOnFeet(piece),
        balloonsRound: PRESSED_BETWEEN,
        setAt: BELOW_TOP,
        turn: 2,
      },
    };
  },
  withEnd: (piece, end, at) => ({ ...piece, [end]: asPoint(at) }),
  hardware: noHardware,
  isOpen: () => true,
  lookOver: () => [
    'It hangs in one even bow: let out or take up an end.',
    'No link is twisted, and no empty one shows: turn or cut it.',
  ],
  recipe(piece) {
    const { linkIn, balloonsPerLink, colours, sagM, foot } = piece;
    const feet = endsOnFeet(piece).length;
    const line = lineOf(piece);
    const links = linkCount(piece, line);
    const each = linksEach(piece);
    const sets = Math.ceil(links / each);
    const footRings = foot ? feet * RINGS_OF_A_FOOT : 0;
    return {
      lengthM: line.length,
      visibleWidthM: inchesToMetres(linkIn),
      clusterSize: balloonsPerLink,
      spineClusters: links,
      sideClusters: 0,
      fillerClusters: 0,
      sections: [1],
      hangPoints: 2,
      topM: Math.max(piece.from.yM, piece.to.yM),
      needs: [
        ...repeatCounts(colours, sets).map(({ colour, count }) => ({
          role: 'base' as const,
          nominalIn: MODELLING_IN,
          inflatedIn: { min: MODELLING_IN, max: MODELLING_IN },
          colour,
          count: count * balloonsPerLink,
          cluster: 'links',
        })),
        ...(foot && footRings > 0
          ? [
              {
                role: 'base' as const,
                nominalIn: foot.balloon.nominalIn,
                inflatedIn: { min: foot.balloon.inflatedIn, max: foot.balloon.inflatedIn },
                colour: foot.colour,
                count: footRings * foot.balloons,
                cluster: 'rings of the foot',
              },
            ]
          : []),
      ],
      assemblies: [
        {
          name: 'links',
          size: balloonsPerLink,
          count: links,
          part: 'chain',
          make: 'link-chain',
          join: undefined,
          joinAt: 'bench',
        },
        ...(foot && footRings > 0
          ? [
              {
                name: layerName(foot.balloons),
                size: foot.balloons,
                count: footRings,
                part: 'foot',
                make: foot.balloons > 5 ? ('twist-six' as const) : ('twist-quad' as const),
                join: undefined,
                joinAt: 'bench' as const,
              },
            ]
          : []),
      ],
      siteWork: [
        ...(feet
          ? [
              {
                id: 'frame',
                stage: 'frame' as const,
                label: feet === 1 ? 'set the weighted foot' : 'set the weighted feet',
                rate: 'column-stand' as const,
                amount: feet / 2,
                ...(footRings > 0
                  ? { how: ['Lay two rings over its weight, the second in the gaps of the first.'] }
                  : {}),
              },
            ]
          : []),
        {
          id: 'hang',
          stage: 'hang',
          label: 'hang the chain by both ends',
          rate: 'hang-point',
          amount: 2,
          ...(piece.on
            ? {
                how: [
                  'The last link pressed between two balloons three layers below the roof; spare length hidden inside.',
                ],
              }
            : {}),
        },
      ],
      materials: [
        material(
          'tie-point',
          2 - feet,
          'ends − feet',
          [
            ['ends', 2],
            ['feet', feet],
          ],
          COMMON_PRACTICE,
        ),
        material('modelling-260', feet, 'one to each foot', [['feet', feet]], COMMON_PRACTICE),
        material('weighted-base', feet, 'one under each end that hangs on nothing else, as set', [
          ['feet', feet],
        ]),
      ],
      making: [
        `Blow modelling balloons short, ${setsInWords(sets, balloonsPerLink)}, four strokes of the pump each.`,
        `Pinch and twist each into ${plural(each, 'link')}, every link closed through the one before: ${plural(links, 'link')} in all, the colours in turn.`,
      ],
      notes: [],
      working: [
        working(
          'Length of the bow',
          'catenary y = a cosh(x/a) with the sag as set',
          [
            ['span', Math.abs(piece.to.xM - piece.from.xM), 'm'],
            ['sag', sagM, 'm'],
          ],
          { value: line.length, unit: 'm' },
          DERIVED,
        ),
        working(
          'Links',
          'L / link, rounded',
          [
            ['L', line.length, 'm'],
            ['link', inchesToMetres(linkIn), 'm'],
          ],
          { value: links, unit: 'links' },
          `5 in. links of pairs: ${COMMON_PRACTICE}`,
        ),
        working(
          'Modelling balloons',
          '⌈links / ⌊blown length / link⌋⌉ · balloons in a link',
          [
            ['links', links],
            ['blown length', piece.blownIn ?? BLOWN_IN, 'in'],
            ['link', linkIn, 'in'],
            ['balloons in a link', balloonsPerLink],
          ],
          { value: sets * balloonsPerLink, unit: 'modelling balloons' },
          `blown short: from memory, an editable default; about eight pairs from a tower to a foot 6–8 ft away: ${COMMON_PRACTICE}`,
        ),
      ],
    };
  },
  picture(piece) {
    const line = lineOf(piece);
    const links = linkCount(piece, line);
    const places = stationsAt(
      line.points,
      Array.from({ length: links }, (_, i) => ((i + 0.5) * line.length) / links),
    );
    const ends = endsOnFeet(piece).map((end) => piece[end]);
    return {
      shapes: ends.map((end) => basePlate(end.xM, 0, 0.25)),
      balloons: [
        ...ends.flatMap((end) => drawFoot(piece, end.xM)),
        ...places.map(({ x, y }, i) => ({
          xM: x,
          yM: y,
          rM: inchesToMetres(piece.linkIn) * 0.55,
          colour: piece.colours[Math.floor(i / linksEach(piece)) % piece.colours.length] as string,
          role: 'base' as const,
          form: 'link' as const,
          nominalIn: MODELLING_IN,
        })),
      ],
    };
  },
};

/** Its last link is pressed in between two balloons. Common practice, no source. */
const PRESSED_BETWEEN = 2;
/** Of a tower or column it ends so far up: three layers below the arch. Common practice, no source. */
const BELOW_TOP = 0.78;
/** A modelling balloon, kg. From memory. */
const MODELLING_KG = 0.0017;

/** As a shallow hung line pulls, N: weight · span / (8 · sag). */
function pullN({ from, to, sagM, linkIn, balloonsPerLink }: Chain): number {
  const spanM = Math.hypot(to.xM - from.xM, to.yM - from.yM);
  const weightN = (spanM / inchesToMetres(linkIn)) * balloonsPerLink * MODELLING_KG * GRAVITY;
  return (weightN * spanM) / (8 * Math.max(0.05 * spanM, sagM));
}

/** Rings over the weight of a foot. Common practice, no source. */
const RINGS_OF_A_FOOT = 2;
/** A modelling balloon blown by four strokes of a hand pump. From memory, an editable default. */
const BLOWN_IN = 15;

/** Links that one set of balloons gives: pinched at even steps along what is blown of it. */
const linksEach = ({ linkIn, blownIn = BLOWN_IN }: Chain): number =>
  Math.max(1, Math.floor(blownIn / linkIn + 1e-9));

/** "9 pairs", "9 sets of 3". */
const setsInWords = (sets: number, balloonsPerLink: number): string =>
  balloonsPerLink > 2
    ? `${plural(sets, 'set')} of ${balloonsPerLink}`
    : plural(sets, balloonsPerLink === 2 ? 'pair' : 'balloon');

/** The rings of a foot, the upper in the gaps of the lower. */
function drawFoot({ foot }: Chain, xM: number): DrawnBalloon[] {
  if (!foot) return [];
  const { balloon, balloons, colour } = foot;
  const ring = { balloons, inflatedIn: balloon.inflatedIn, colour };
  const layers = ownLayers([ring, ring], balloon.nominalIn, 1);
  return drawLayers(
    [
      { x: xM, y: 0 },
      { x: xM, y: topOf(layers) },
    ],
    layers,
  );
}

/** Ends that have a weighted foot of their own: of those that hang on nothing else, the first one first. */
const endsOnFeet = ({ on, alsoOn, bases }: Chain): ('from' | 'to')[] =>
  [...(on ? [] : (['from'] as const)), ...(alsoOn ? [] : (['to'] as const))].slice(0, bases);

const lineOf = ({ from, to, sagM }: Chain): HungLine =>
  hungLine({ x: from.xM, y: from.yM }, { x: to.xM, y: to.yM }, sagM);

const linkCount = ({ linkIn }: Chain, line: HungLine) =>
  Math.max(1, Math.round(line.length / inchesToMetres(linkIn)));

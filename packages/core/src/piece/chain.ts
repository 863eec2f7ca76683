import type { Chain } from '@early-lantern/contract';
import { type HungLine, hungLine } from '../geometry/catenary.ts';
import { stationsAt } from '../geometry/line.ts';
import { material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import type { Kind } from './kind.ts';
import { basePlate } from './picture.ts';

/** Modelling balloons are listed by their thickness blown. */
const MODELLING_IN = 2;

/** Links of modelling balloons hung in a bow between two points. */
export const chain: Kind<Chain> = {
  recipe(piece) {
    const { linkIn, balloonsPerLink, colours, sagM } = piece;
    const feet = endsOnFeet(piece).length;
    const line = lineOf(piece);
    const links = linkCount(piece, line);
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
      needs: repeatCounts(colours, links).map(({ colour, count }) => ({
        role: 'base',
        nominalIn: MODELLING_IN,
        inflatedIn: { min: MODELLING_IN, max: MODELLING_IN },
        colour,
        count: count * balloonsPerLink,
        cluster: 'links',
      })),
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
        material('tie-point', 2, 'one at each end', [], COMMON_PRACTICE),
        material('weighted-base', feet, 'one under each end that hangs on nothing else, as set', [
          ['feet', feet],
        ]),
      ],
      making: [
        'Blow pairs of modelling balloons short, four strokes of the pump, and twist them into links.',
        `Close each link through the one before: ${plural(links, 'link')}.`,
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
      balloons: places.map(({ x, y }, i) => ({
        xM: x,
        yM: y,
        rM: inchesToMetres(piece.linkIn) * 0.55,
        colour: piece.colours[i % piece.colours.length] as string,
        role: 'base',
        form: 'link',
      })),
    };
  },
};

/** Ends that have a weighted foot of their own: of those that hang on nothing else, the first one first. */
export const endsOnFeet = ({ on, alsoOn, bases }: Chain): ('from' | 'to')[] =>
  [...(on ? [] : (['from'] as const)), ...(alsoOn ? [] : (['to'] as const))].slice(0, bases);

const lineOf = ({ from, to, sagM }: Chain): HungLine =>
  hungLine({ x: from.xM, y: from.yM }, { x: to.xM, y: to.yM }, sagM);

const linkCount = ({ linkIn }: Chain, line: HungLine) =>
  Math.max(1, Math.round(line.length / inchesToMetres(linkIn)));

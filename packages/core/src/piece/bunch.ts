import type { Bunch } from '@early-lantern/contract';
import { material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import type { DrawnBalloon } from './picture.ts';
import { hanging } from './traits.ts';
import { goesOn } from './upon.ts';

/** Bunches stand this far apart in the drawing. */
const APART_M = 0.55;

/** Balloons tied into flowers on tape or thread. */
export const bunch: Kind<Bunch> = {
  traits: hanging,
  upon: (piece) => ({ ...goesOn('bar', 'balloons', 'mesh')(piece), things: piece.count, hangsAt: piece.at }),
  hardware: noHardware,
  isOpen: () => true,
  lookOver: () => [
    'Each hangs straight and at its height: take up or let out its thread.',
    'Its open side faces the guests: turn it.',
  ],
  recipe({ at, count, balloonsEach, balloon, colours, threadM, hungOn = 'thread' }) {
    const balloons = count * balloonsEach;
    return {
      lengthM: threadM,
      visibleWidthM: inchesToMetres(balloon.inflatedIn) * 2,
      clusterSize: balloonsEach,
      spineClusters: count,
      sideClusters: 0,
      fillerClusters: 0,
      sections: [1],
      hangPoints: count,
      topM: at.yM,
      needs: repeatCounts(colours, balloons).map((one) => ({
        role: 'base',
        nominalIn: balloon.nominalIn,
        inflatedIn: { min: balloon.inflatedIn, max: balloon.inflatedIn },
        colour: one.colour,
        count: one.count,
        cluster: 'bunches',
      })),
      assemblies: [
        {
          name: 'bunches',
          size: balloonsEach,
          count,
          part: 'bunches',
          make: 'tie-bunch',
          join: undefined,
          joinAt: 'bench',
        },
      ],
      siteWork: [
        {
          id: 'hang',
          stage: 'hang',
          label: `hang ${count} ${count === 1 ? 'bunch' : 'bunches'}`,
          rate: 'fix-filler',
          amount: count,
        },
      ],
      materials: [
        material(hungOn, count * threadM, 'bunches · drop', [
          ['bunches', count],
          ['drop', threadM, 'm'],
        ]),
        material('tie-point', count, 'one for each', [['bunches', count]]),
      ],
      making: [`Tie ${balloonsEach} balloons into a flower, and the flower to its ${hungOn}.`],
      notes: [],
      working: [
        working(
          'Balloons',
          'bunches · balloons in each',
          [
            ['bunches', count],
            ['balloons in each', balloonsEach],
          ],
          { value: balloons, unit: 'balloons' },
          DERIVED,
        ),
      ],
    };
  },
  picture({ at, count, balloonsEach, balloon, colours, threadM }) {
    const rM = inchesToMetres(balloon.inflatedIn) / 2;
    const dropM = Math.min(threadM, Math.max(0.1, at.yM));
    const hangs = Array.from({ length: count }, (_, i) => at.xM + (i - (count - 1) / 2) * APART_M);
    return {
      shapes: hangs.map((x) => ({
        shape: 'line',
        points: [
          { x, y: at.yM },
          { x, y: at.yM - dropM },
        ],
        widthM: 0.006,
        tone: 'thread',
      })),
      balloons: hangs.flatMap((x, b) =>
        Array.from({ length: balloonsEach }, (_, i): DrawnBalloon => {
          const angle = (i / balloonsEach) * 2 * Math.PI - Math.PI / 2;
          return {
            xM: x + Math.cos(angle) * rM * 0.9,
            yM: at.yM - dropM + Math.sin(angle) * rM * 0.9,
            rM,
            colour: colours[(b * balloonsEach + i) % colours.length] as string,
            role: 'base',
          };
        }),
      ),
    };
  },
};

import type { Banner } from '@early-lantern/contract';
import { material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import type { DrawnBalloon } from './picture.ts';
import { hanging } from './traits.ts';
import { goesOn } from './upon.ts';

/** Thread beyond the first and the last letter, both ends together. */
const ENDS_M = 1;

/** It sags so far, m. From memory. */
const SAG_M = 0.1;

/** One motif a letter, on thread. */
export const banner: Kind<Banner> = {
  traits: ({ balloonsEach }) => ({ ...hanging(), balloons: balloonsEach > 0 ? 'latex' : 'none' }),
  upon(piece) {
    const { at } = piece;
    const half = (spanM(piece) + ENDS_M) / 2;
    return {
      ...goesOn('bar', 'balloons', 'mesh', 'board')(piece),
      ends: {
        from: { xM: at.xM - half, yM: at.yM },
        to: { xM: at.xM + half, yM: at.yM },
        sagM: SAG_M,
        stringN: 0,
        feet: [],
        balloonsRound: 1,
      },
    };
  },
  hardware: noHardware,
  isOpen: () => true,
  lookOver: () => [
    'Read the word aloud from where guests stand: every letter is there, upright and level.',
    'The letters hang at even steps: slide them on their thread.',
  ],
  recipe(piece) {
    const { at, balloon, balloonsEach, colours, letterIn, pitchM } = piece;
    const motifs = letters(piece).length;
    const balloons = motifs * balloonsEach;
    const threadM = spanM(piece) + ENDS_M;
    return {
      lengthM: spanM(piece),
      visibleWidthM: inchesToMetres(letterIn),
      clusterSize: balloonsEach,
      spineClusters: balloonsEach > 0 ? motifs : 0,
      sideClusters: 0,
      fillerClusters: 0,
      sections: [1],
      hangPoints: 2,
      topM: at.yM,
      needs: repeatCounts(colours, balloons).map((one) => ({
        role: 'base',
        nominalIn: balloon.nominalIn,
        inflatedIn: { min: balloon.inflatedIn, max: balloon.inflatedIn },
        colour: one.colour,
        count: one.count,
        cluster: 'motifs',
      })),
      assemblies: [
        ...(balloonsEach > 0
          ? [
              {
                name: 'motifs',
                size: balloonsEach,
                count: motifs,
                part: 'motifs',
                make: 'tie-bunch' as const,
                join: undefined,
                joinAt: 'bench' as const,
              },
            ]
          : []),
        {
          name: 'letters',
          size: 0,
          count: motifs,
          part: 'letters',
          make: 'thread-letter',
          join: undefined,
          joinAt: 'bench',
        },
      ],
      siteWork: [
        {
          id: 'hang',
          stage: 'hang',
          label: 'hang the banner, level the letters',
          rate: 'hang-point',
          amount: 2,
          how: ['Read the word once aloud before it goes up.'],
        },
      ],
      materials: [
        material('letter-card', motifs, 'one a letter, blanks left out', [['letters', motifs]]),
        material('thread', threadM, '(places − 1) · pitch + ends', [
          ['places', graphemes(piece.text).length],
          ['pitch', pitchM, 'm'],
          ['ends', ENDS_M, 'm'],
        ]),
        material('tie-point', 2, 'one at each end', []),
      ],
      making: [
        ...(balloonsEach > 0
          ? [`Tie one motif of ${plural(balloonsEach, 'balloon')} behind each letter, blanks left free.`]
          : []),
        'Thread the letters in order.',
      ],
      notes: [],
      working: [
        working(
          'Balloons',
          'letters · balloons a motif',
          [
            ['letters', motifs],
            ['balloons a motif', balloonsEach],
          ],
          { value: balloons, unit: 'balloons' },
          DERIVED,
        ),
      ],
    };
  },
  picture(piece) {
    const { at, balloon, balloonsEach, colours, letterIn, pitchM } = piece;
    const rM = inchesToMetres(balloon.inflatedIn) / 2;
    const left = at.xM - spanM(piece) / 2;
    const places = graphemes(piece.text)
      .map((letter, i) => ({ letter, x: left + i * pitchM }))
      .filter(({ letter }) => letter.trim());
    return {
      shapes: [
        {
          shape: 'line',
          points: [
            { x: left - ENDS_M / 2, y: at.yM },
            { x: left + spanM(piece) + ENDS_M / 2, y: at.yM },
          ],
          widthM: 0.006,
          tone: 'thread',
        },
      ],
      balloons: places.flatMap(({ letter, x }, p): DrawnBalloon[] => [
        ...Array.from({ length: balloonsEach }, (_, i): DrawnBalloon => {
          const angle = (i / balloonsEach) * 2 * Math.PI - Math.PI / 2;
          return {
            xM: x + Math.cos(angle) * rM,
            yM: at.yM + Math.sin(angle) * rM,
            rM,
            colour: colours[(p * balloonsEach + i) % colours.length] as string,
            role: 'base',
          };
        }),
        {
          xM: x,
          yM: at.yM,
          rM: inchesToMetres(letterIn) / 2,
          colour: '',
          role: 'accent',
          form: 'letter',
          text: letter,
        },
      ]),
    };
  },
};

const segmenter = new Intl.Segmenter('und', { granularity: 'grapheme' });

/** Letters as they are read: a vowel sign or an accent is no letter of its own (Unicode UAX #29). */
const graphemes = (text: string): string[] => [...segmenter.segment(text)].map(({ segment }) => segment);

const letters = ({ text }: Banner) => graphemes(text).filter((letter) => letter.trim());
const spanM = ({ text, pitchM }: Banner) => (graphemes(text).length - 1) * pitchM;

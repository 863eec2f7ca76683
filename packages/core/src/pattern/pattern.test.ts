import type { Pattern } from '@early-lantern/contract';
import fc from 'fast-check';
import { seededRandom } from '../quantity/random.ts';
import { patternCard, tellingRun } from './card.ts';
import { firstBreak, isEitherWayUp, matchOf } from './chirality.ts';
import { colourSpread, planColours, type Uncoloured } from './colour-plan.ts';
import { dupletsOf } from './duplets.ts';
import { layerColours } from './layers.ts';
import { repeatCounts } from './repeat.ts';

const letters = (word: string) => [...word];
const spiral: Pattern = { kind: 'spiral', colours: letters('ABCD'), turn: 'right', blockLayers: 2 };

// By hand: a quad of four colours is chiral, one with a mirror is not.
test.each([
  ['ABCD', 'CDAB', 'turn'],
  ['ABCD', 'ADCB', 'turn over'],
  ['ABCD', 'ACBD', 'no match'],
  ['ABAB', 'BABA', 'turn'],
  ['AABC', 'AACB', 'turn over'],
  ['AABB', 'BAAB', 'turn'],
  ['ABC', 'ACB', 'turn over'],
  ['ABCDE', 'EDCBA', 'turn over'],
])('%s against %s: %s', (word, wanted, match) => {
  expect(matchOf(letters(word), letters(wanted))).toBe(match);
});

test('two words match just when some element of the dihedral group takes one to the other (brute force)', () => {
  const word = fc.array(fc.constantFrom('A', 'B', 'C'), { minLength: 4, maxLength: 4 });
  fc.assert(
    fc.property(word, word, (a, b) => {
      const turns = (w: string[]) => w.map((_, i) => [...w.slice(i), ...w.slice(0, i)].join(''));
      const byTurning = turns(a).includes(b.join(''));
      const byTurningOver = turns([...a].reverse()).includes(b.join(''));
      expect(matchOf(a, b)).toBe(byTurning ? 'turn' : byTurningOver ? 'turn over' : 'no match');
      expect(isEitherWayUp(a)).toBe(turns([...a].reverse()).includes(a.join('')));
    }),
  );
});

test.each([
  [['ABCD', 'BCDA', 'CDAB', 'DABC'], undefined],
  [['ABCD', 'BCDA', 'ABCD'], { layer: 2, fault: 'turned back' }],
  [['ABCD', 'BCDA', 'BCDA'], { layer: 2, fault: 'no turn' }],
  [['ABCD', 'BCDA', 'CBAD'], { layer: 2, fault: 'upside down' }],
  [['ABCD', 'BCDA', 'CDAE'], { layer: 2, fault: 'other colours' }],
  [[], undefined],
])('a stack %j', (stack, fault) => {
  expect(firstBreak(stack.map(letters))).toEqual(fault);
});

test('a spiral turns half a step each layer the same way; stripes go to and fro; rings and blocks are of one colour', () => {
  expect(layerColours(spiral, 4, 5).map((layer) => layer.halfSteps)).toEqual([0, -1, -2, -3, -4]);
  expect(layerColours({ ...spiral, turn: 'left' }, 4, 3).map((l) => l.halfSteps)).toEqual([0, 1, 2]);
  expect(layerColours({ ...spiral, kind: 'stripes' }, 4, 4).map((l) => l.halfSteps)).toEqual([0, 1, 0, 1]);
  const words = (kind: Pattern['kind']) =>
    layerColours({ ...spiral, kind }, 4, 5).map((l) => l.word.join(''));
  expect(words('rings')).toEqual(['AAAA', 'BBBB', 'CCCC', 'DDDD', 'AAAA']);
  expect(words('blocks')).toEqual(['AAAA', 'AAAA', 'BBBB', 'BBBB', 'CCCC']);
  expect(words('plain')).toEqual(Array(5).fill('AAAA'));
  expect(layerColours({ ...spiral, colours: ['A', 'B'] }, 5, 1)[0]?.word.join('')).toBe('ABABA');
});

test('every second layer of a spiral stands one whole step on: no break to be found', () => {
  const layers = layerColours(spiral, 4, 24).filter((_, i) => i % 2 === 0);
  const atFront = layers.map(({ word, halfSteps }) =>
    word.map((_, j) => word[(((j - halfSteps / 2) % 4) + 4) % 4] as string),
  );
  expect(firstBreak(atFront)).toBeUndefined();
  const fault = atFront.map((word, i) => (i >= 7 ? [...word].reverse() : word));
  expect(firstBreak(fault)?.layer).toBe(7);
});

test('the note on how a cluster lies fails for every one held upside down, whatever its colours (all sixes of three)', () => {
  const all = Array.from({ length: 3 ** 6 }, (_, i) => [...i.toString(3).padStart(6, '0')]);
  const chiral = all.filter((word) => !isEitherWayUp(word));
  expect(chiral.length).toBeGreaterThan(200);
  const has = (word: string[], run: string[]) => `${word.join('')}${word.join('')}`.includes(run.join(''));
  for (const word of chiral) {
    const run = tellingRun(word);
    expect(has(word, run)).toBe(true);
    expect(has([...word].reverse(), run)).toBe(false);
  }
});

test('duplets: a four-colour spiral of 50 quads takes 100 of two pairs; ABAB takes equal ones; an odd layer a trio', () => {
  const words = (word: string, count: number) => Array.from({ length: count }, () => letters(word));
  expect(dupletsOf(words('ABCD', 50))).toEqual([
    { colours: ['A', 'B'], count: 50 },
    { colours: ['C', 'D'], count: 50 },
  ]);
  expect(dupletsOf(words('ABAB', 10))).toEqual([{ colours: ['A', 'B'], count: 20 }]);
  expect(dupletsOf(words('ABBA', 3))).toHaveLength(1);
  // A ring of five is a trio and a duplet (common practice, no source).
  expect(dupletsOf(words('AABBC', 2))).toEqual([
    { colours: ['A', 'A', 'B'], count: 2 },
    { colours: ['B', 'C'], count: 2 },
  ]);
  expect(dupletsOf(words('AAAAA', 3)).map(({ colours, count }) => [colours.length, count])).toEqual([
    [3, 3],
    [2, 3],
  ]);
});

test('the card tells how to see a quad that lies wrong, and says when none can', () => {
  const name = (colour: string) => `<${colour}>`;
  const four = patternCard(layerColours(spiral, 4, 8), name);
  expect(four.orientation).toMatch(
    /Opposites first: lay <A> and <C>.*neighbour to its left must be <B>.*turn the cluster over/,
  );
  expect(four.repeatsAfter).toBe(8);
  const key = patternCard(layerColours({ ...spiral, colours: letters('ABAC') }, 4, 2), name);
  expect(key.orientation).toContain('either way up');
  expect(patternCard([], name).layers).toEqual([]);
});

test('one dark to three light repeats exactly over any run', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 400 }), (run) => {
      const laid = Array.from({ length: run }, (_, i) => (i % 4 === 0 ? 'dark' : 'light'));
      const counts = new Map(
        repeatCounts(['dark', 'light', 'light', 'light'], run).map((one) => [one.colour, one.count]),
      );
      expect(counts.get('dark') ?? 0).toBe(laid.filter((one) => one === 'dark').length);
      expect(counts.get('light') ?? 0).toBe(laid.filter((one) => one === 'light').length);
    }),
  );
});

describe('a colour plan', () => {
  const scatter = (count: number, seed = 7): Uncoloured[] => {
    const random = seededRandom(seed);
    return Array.from({ length: count }, (_, i) => ({
      xM: i * 0.05 + random() * 0.1,
      yM: random() * 0.6,
      rM: 0.1,
      colour: '',
    }));
  };
  const counts = [
    { colour: 'many', count: 60 },
    { colour: 'some', count: 30 },
    { colour: 'few', count: 10 },
  ];
  const shares = counts.map(({ colour, count }) => ({ colour, sharePct: count }));
  const planned = (plan: 'even' | 'blocks' | 'weighted', seed = 1, more = shares) => {
    const balls = scatter(100);
    planColours([{ balls, counts, clusterSize: 4 }], plan, more, seededRandom(seed));
    return balls;
  };
  const tally = (balls: Uncoloured[], colour: string) =>
    balls.filter((ball) => ball.colour === colour).length;

  test.each(['even', 'blocks', 'weighted'] as const)(
    'in %s a scarce colour goes one by one, evenly and to the front',
    (plan) => {
      const random = seededRandom(3);
      const balls = scatter(100).map((ball) => ({ ...ball, zM: random() }));
      const singly = shares.map((share) => ({ ...share, singly: share.colour === 'few' }));
      planColours([{ balls, counts, clusterSize: 4 }], plan, singly, seededRandom(1));
      for (const { colour, count } of counts) expect(tally(balls, colour)).toBe(count);
      // Ten of a hundred: one in every ten along the line, and of those the one nearest to the viewer.
      for (let i = 0; i < 10; i++) {
        const ten = balls.slice(i * 10, i * 10 + 10);
        const front = Math.max(...ten.map(({ zM }) => zM));
        expect(ten.filter(({ colour }) => colour === 'few').map(({ zM }) => zM)).toEqual([front]);
      }
    },
  );

  test.each(['even', 'blocks', 'weighted'] as const)(
    '%s keeps the counts, and the same seed the same placing',
    (plan) => {
      const balls = planned(plan);
      for (const { colour, count } of counts) expect(tally(balls, colour)).toBe(count);
      expect(planned(plan)).toEqual(balls);
    },
  );

  test('even: accents lie farther apart than any of a hundred random deals, and fewer large ones touch their like', () => {
    const spread = colourSpread(planned('even'));
    const random = seededRandom(3);
    const deals = Array.from({ length: 100 }, () => {
      const balls = scatter(100);
      const order = [...balls].map((ball) => ({ ball, key: random() })).sort((a, b) => a.key - b.key);
      let dealt = 0;
      for (const { colour, count } of counts)
        for (let i = 0; i < count; i++) (order[dealt++] as (typeof order)[number]).ball.colour = colour;
      return colourSpread(balls);
    });
    expect(spread?.rarest).toBe('few');
    for (const deal of deals) expect(spread?.rarestApartM).toBeGreaterThan(deal?.rarestApartM as number);
    expect(planned('even', 2)).not.toEqual(planned('even', 1));
  });

  test('by weight: a colour that leans to the tip lies there', () => {
    const leaning = shares.map((share) => (share.colour === 'some' ? { ...share, lean: 1 } : share));
    const at = (balls: Uncoloured[]) =>
      balls.flatMap((ball, i) => (ball.colour === 'some' ? [i] : [])).reduce((a, b) => a + b, 0) / 30;
    expect(at(planned('weighted', 1, leaning))).toBeGreaterThan(at(planned('weighted')) + 10);
  });
});

import { seededRandom } from '../quantity/random.ts';
import { lookAlong } from './along-line.ts';
import { clumpsOf } from './clumps.ts';
import { cornerReach } from './corners.ts';
import { scarceIn } from './details.ts';
import { openEdges } from './edges.ts';
import { footOf } from './foot.ts';
import { hiddenLargest } from './largest.ts';
import { ownersFrom } from './seen.ts';

const W = 0.5;
const straight = [
  { x: 0, y: 1 },
  { x: 4, y: 1 },
];
/** Discs of 20 cm in two rows 30 cm apart: an outline of 50 cm. */
const rows = (along: (x: number) => { middle: number; half: number } = () => ({ middle: 1, half: 0.15 })) =>
  Array.from({ length: 161 }, (_, i) => i / 40).flatMap((x) => {
    const { middle, half } = along(x);
    return [
      { x, y: middle - half, r: 0.1 },
      { x, y: middle + half, r: 0.1 },
    ];
  });

describe('an outline against its line', () => {
  test('as drawn: nothing strays, and it is as wide as asked', () => {
    const found = lookAlong(straight, rows(), () => W);
    expect(found?.straightness.offM).toBeLessThan(1e-9);
    expect(found?.evenness.narrowPct).toBeCloseTo(100, 0);
  });
  test('hung 7 cm lower over a metre and a half: 7 cm off, there', () => {
    const found = lookAlong(
      straight,
      rows((x) => ({ middle: x > 2 && x < 3.5 ? 0.93 : 1, half: 0.15 })),
      () => W,
    );
    expect(found?.straightness.offM).toBeCloseTo(0.07, 6);
    expect(found?.straightness.at.x).toBeGreaterThan(2.2);
    expect(found?.straightness.at.x).toBeLessThan(3.3);
  });
  test('drawn together to 30 cm: 60 % of its width, there', () => {
    const found = lookAlong(
      straight,
      rows((x) => ({ middle: 1, half: x > 1 && x < 2 ? 0.05 : 0.15 })),
      () => W,
    );
    expect(found?.evenness.narrowPct).toBeCloseTo(60, 0);
    expect(found?.evenness.at.x).toBeCloseTo(1.5, 0);
  });
  test('a gap over a width of the line counts as nothing there; too short a line is not judged', () => {
    const gone = rows().filter(({ x }) => x < 1.6 || x > 2.4);
    expect(lookAlong(straight, gone, () => W)?.evenness.narrowPct).toBeLessThan(20);
    expect(lookAlong(straight, rows(), () => 2.5)).toBeUndefined();
  });
});

test('a foot: how high it ends, or on how long a stretch it lies; what ends high has none', () => {
  const ends = [{ at: { x: 0, y: 0.2 }, widthM: 0.4 }];
  const ball = (x: number, y: number) => ({ x, y, r: 0.1 });
  expect(footOf(ends, [ball(0, 0.17), ball(0.2, 0.3)])).toMatchObject({
    gapM: expect.closeTo(0.07, 9),
    spreadM: 0,
  });
  expect(footOf(ends, [ball(-0.15, 0.1), ball(0.25, 0.105), ball(0.1, 0.3)])).toMatchObject({
    gapM: 0,
    spreadM: expect.closeTo(0.4, 9),
  });
  expect(footOf([{ at: { x: 0, y: 0.5 }, widthM: 0.4 }], [ball(0, 0.5)])).toBeUndefined();
});

describe('patches of one colour', () => {
  // A board of 12 by 12 balls side by side.
  const spots = Array.from({ length: 144 }, (_, i) => ({ x: (i % 12) * 0.19, y: Math.floor(i / 12) * 0.19 }));
  const picture = ownersFrom(
    0,
    {
      x: Float64Array.from(spots, ({ x }) => x),
      y: Float64Array.from(spots, ({ y }) => y),
      z: new Float64Array(144),
      r: new Float64Array(144).fill(0.1),
    },
    0.01,
  );
  const sizes = spots.map(() => 11);
  const palette = (i: number) => ['red', 'white', 'blue', 'gold'][i % 4] as string;

  test('all of one colour together are a clump, and where they are is told', () => {
    const rings = spots.map(({ x, y }, i) => (x < 0.9 && y < 0.9 ? 'red' : palette((i % 3) + 1)));
    const [clump, ...more] = clumpsOf(picture, rings, sizes, 99, 1);
    expect(clump).toMatchObject({ colour: 'red', balls: expect.any(Array) });
    expect(clump?.balls).toHaveLength(25);
    expect(clump?.balls).toContain(0);
    expect(clump?.usual).toBeLessThan(20);
    expect(more.filter(({ colour }) => colour === 'red')).toEqual([]);
  });

  test('nine of one colour side by side among so few are a clump', () => {
    const board = (side: number) =>
      clumpsOf(
        picture,
        spots.map(({ x, y }, i) =>
          x < side * 0.19 - 0.05 && y < side * 0.19 - 0.05 ? 'red' : palette((i % 3) + 1),
        ),
        sizes,
        99,
        1,
      );
    // Nine of a hundred and forty-four by chance lie two or three together.
    expect(board(3)[0]).toMatchObject({ colour: 'red', usual: expect.any(Number) });
    expect(board(3)[0]?.balls).toHaveLength(9);
    expect(board(3)[0]?.usual).toBeLessThanOrEqual(7);
  });

  test('dealt at random hardly ever is a clump found; a board of one colour has none', () => {
    const random = seededRandom(8);
    let found = 0;
    for (let i = 0; i < 40; i++)
      found +=
        clumpsOf(
          picture,
          spots.map(() => palette(Math.floor(random() * 4))),
          sizes,
          99,
          i,
        ).length > 0
          ? 1
          : 0;
    expect(found).toBeLessThanOrEqual(2);
    expect(
      clumpsOf(
        picture,
        spots.map(() => 'red'),
        sizes,
        99,
        1,
      ),
    ).toEqual([]);
  });

  test('the same balls give the same patches', () => {
    const colours = spots.map((_, i) => palette(Math.floor(i / 30)));
    expect(clumpsOf(picture, colours, sizes, 99, 3)).toEqual(clumpsOf(picture, colours, sizes, 99, 3));
  });
});

test('a colour that hardly comes in one third of a line is told with where; spread, or of too few, it is not', () => {
  const line = (of: (i: number) => string) =>
    Array.from({ length: 90 }, (_, i) => ({ role: 'base' as const, colour: of(i) }));
  expect(scarceIn(line((i) => (i % 3 === 0 ? 'gold' : 'white')))).toEqual([]);
  expect(scarceIn(line((i) => (i < 60 && i % 3 === 0 ? 'gold' : 'white')))).toEqual([
    { colour: 'gold', at: 'tip' },
  ]);
  expect(scarceIn(line((i) => (i < 5 ? 'gold' : 'white')))).toEqual([]);
});

test('a corner is as full as balloons reach straight out of it, on the mean of five rays', () => {
  // Up and then to the right: out is up to the left. A ring of radius 30 cm round the corner reaches so far all round.
  const corner = { x: 1, y: 2 };
  const [before, after] = [
    { x: 1, y: 0 },
    { x: 4, y: 2 },
  ];
  expect(cornerReach(corner, before, after, [{ ...corner, r: 0.3 }])).toBeCloseTo(0.3, 9);
  const outward = { x: 1 - 0.3, y: 2 + 0.3 };
  // Straight on its ray it reaches to its far side, on the others a little less far; on the inside nothing counts.
  const far = cornerReach(corner, before, after, [{ ...outward, r: 0.2 }]);
  expect(far).toBeLessThan(0.3 * Math.SQRT2 + 0.2);
  expect(far).toBeGreaterThan(0.3 * Math.SQRT2 + 0.1);
  expect(cornerReach(corner, before, after, [{ x: 1.3, y: 1.7, r: 0.2 }])).toBe(0);
});

describe('the edge of a board that a garland runs along', () => {
  // A board 1 m wide and 2 m high; the line goes up 15 cm beside its right edge, 50 cm wide.
  const board = { xM: 0, yM: 0, widthM: 1, heightM: 2 };
  const line = [
    { x: 1.15, y: 0.1 },
    { x: 1.15, y: 1.9 },
  ];
  const discs = (from: number, to: number) =>
    Array.from({ length: 181 }, (_, i) => 0.1 + i / 100)
      .filter((y) => y < from || y > to)
      .map((y) => ({ x: 1.1, y, r: 0.2 }));
  const open = (own: ReturnType<typeof discs>, chain = line) => openEdges(chain, () => W, [board], own, 0.1);
  test('covered by balloons it is not told; where they leave it for 60 cm it is, as long and there', () => {
    expect(open(discs(2, 1))).toEqual([]);
    // Discs of 20 cm, 10 cm beside it, reach 17.3 cm along it from either end: 60 − 2 × 17.3 cm.
    const [bare, ...more] = open(discs(0.7, 1.3));
    expect(more).toEqual([]);
    expect(bare?.lengthM).toBeCloseTo(0.6 - 2 * Math.sqrt(0.2 ** 2 - 0.1 ** 2), 1);
    expect(bare?.y).toBeCloseTo(1, 1);
    expect(bare?.x).toBeCloseTo(1, 9);
  });
  test('an edge that the line crosses, or that is too far from it, is none of its own', () => {
    const across = [
      { x: 0.5, y: 1 },
      { x: 2, y: 1 },
    ];
    expect(open([], across)).toEqual([]);
    const far = line.map(({ y }) => ({ x: 1.3, y }));
    expect(open([], far)).toEqual([]);
  });
});

test('a large balloon hides where less than half of its disc is seen from the front', () => {
  // One of 20 cm with another of the same size in front, so far to the side that a known part of it is seen.
  const hidden = (asideM: number) => {
    const r = Float64Array.of(0.2, 0.2);
    const balls = {
      x: Float64Array.of(0, asideM),
      y: Float64Array.of(0, 0),
      z: Float64Array.of(0, 0.4),
      r,
    };
    return hiddenLargest(ownersFrom(0, balls, 0.005).owner, 0.005, r, () => true);
  };
  // Two circles share half of each other's disc at 0.8079 r (closed form of the lens, solved by hand).
  expect(hidden(0.8 * 0.2)).toEqual([0]);
  expect(hidden(0.82 * 0.2)).toEqual([]);
});

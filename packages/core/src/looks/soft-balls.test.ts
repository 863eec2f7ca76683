import { seededRandom } from '../quantity/random.ts';
import { nearPairs } from './near-pairs.ts';
import { NECK, type Obstacles, SOLID, settleBalls, type TiedBalls } from './soft-balls.ts';

type Spot = readonly [x: number, y: number, z: number];

/** Balls of one radius where they begin, each with its tie. */
function tied(rM: number, begin: readonly Spot[], ties: readonly Spot[]): TiedBalls {
  const row = (spots: readonly Spot[], at: 0 | 1 | 2) => Float64Array.from(spots, (spot) => spot[at]);
  return {
    x: row(begin, 0),
    y: row(begin, 1),
    z: row(begin, 2),
    r: Float64Array.from(begin, () => rM),
    tieX: row(ties, 0),
    tieY: row(ties, 1),
    tieZ: row(ties, 2),
  };
}

const R = 0.12;
const NECK_M = 0.0254;
const FINE = { still: 1e-9, mostSteps: 20_000 };
const spotOf = ({ x, y, z }: TiedBalls, i: number): Spot => [x[i] as number, y[i] as number, z[i] as number];
const apart = (balls: TiedBalls, a: number, b: number) =>
  Math.hypot(...spotOf(balls, a).map((one, k) => one - (spotOf(balls, b)[k] as number)));

describe('soft balls in closed form: contacts push as much as necks pull', () => {
  // Each ball at so much times its direction from the middle, its tie as far on the other side: all are pulled together.
  const C = 0.3;
  const pulled = (directions: readonly Spot[]) =>
    tied(
      R,
      directions.map((one) => one.map((k) => k * 1.3 * R) as unknown as Spot),
      directions.map((one) => one.map((k) => -k * C) as unknown as Spot),
    );
  const s3 = Math.sqrt(3);
  test.each<[number, Spot[], number]>([
    // 2r − d = N (C + d/2 − r − n)
    [
      2,
      [
        [-1, 0, 0],
        [1, 0, 0],
      ],
      (2 * R - NECK * (C - R - NECK_M)) / (1 + NECK / 2),
    ],
    // √3 (2r − √3 ϱ) = N (ϱ + C − r − n), d = √3 ϱ
    [
      3,
      [
        [1, 0, 0],
        [-0.5, s3 / 2, 0],
        [-0.5, -s3 / 2, 0],
      ],
      (s3 * (2 * s3 * R - NECK * (C - R - NECK_M))) / (3 + NECK),
    ],
    // √6 (2r − √(8/3) ϱ) = N (ϱ + C − r − n), d = √(8/3) ϱ
    [
      4,
      [
        [1, 1, 1],
        [1, -1, -1],
        [-1, 1, -1],
        [-1, -1, 1],
      ].map((one) => one.map((k) => k / s3) as unknown as Spot),
      (Math.sqrt(8 / 3) * (2 * Math.sqrt(6) * R - NECK * (C - R - NECK_M))) / (4 + NECK),
    ],
  ])('%i balls', (count, directions, distance) => {
    const balls = pulled(directions);
    settleBalls(balls, {}, FINE);
    for (let i = 1; i < count; i++) expect(apart(balls, 0, i)).toBeCloseTo(distance, 6);
  });

  test('a ball drawn to a wall by a tie behind it', () => {
    const B = 0.2;
    const balls = tied(R, [[0, 1, 0.3]], [[0, 1, -B]]);
    settleBalls(balls, { wallZM: 0 }, FINE);
    // N (z + B − r − n) = S (r − z)
    expect(balls.z[0]).toBeCloseTo((SOLID * R - NECK * (B - R - NECK_M)) / (SOLID + NECK), 6);
  });
});

test.each([
  // Layers of n balls over the diameter, from elementary geometry: sqrt(1 − 2 R² (1 − cos(π/n))), R = 1 / (2 sin(π/n)).
  [2, Math.SQRT1_2],
  [3, 0.8165],
  [4, 0.8409],
  [5, 0.8507],
  [6, 0.8556],
])('rings of %i, the next turned half a step: pushed together they come to %f diameters', (n, pitch) => {
  const ring = R / Math.sin(Math.PI / n);
  const squeezed = (p: number) => {
    const spots = [0, 1].flatMap((layer) =>
      Array.from({ length: n }, (_, i): Spot => {
        const angle = ((i + layer / 2) / n) * 2 * Math.PI;
        return [layer * p, Math.cos(angle) * ring, Math.sin(angle) * ring];
      }),
    );
    const balls = tied(
      R,
      spots,
      spots.map(([x]) => [x, 0, 0]),
    );
    const { energies } = settleBalls(balls, {}, { ...FINE, neckM: ring - R });
    return (energies.at(-1) as number) > 1e-11;
  };
  let [low, high] = [R, 2.5 * R];
  while (high - low > 1e-4) {
    const middle = (low + high) / 2;
    if (squeezed(middle)) low = middle;
    else high = middle;
  }
  expect(Math.abs(high / (2 * R) / pitch - 1)).toBeLessThan(0.02);
});

/** Clusters of mixed sizes along a line, thrown down at random. */
function jumble(seed: number, clusters: number, n: number): TiedBalls {
  const random = seededRandom(seed);
  const ties = Array.from({ length: clusters * n }, (_, i): Spot => [Math.floor(i / n) * 0.14, 1.2, 0.22]);
  const begin = ties.map(
    ([x, y, z]): Spot => [x + random() * 0.1, y + (random() - 0.5) * 0.5, z + random() * 0.3],
  );
  const balls = tied(R, begin, ties);
  for (let i = 0; i < balls.r.length; i++) balls.r[i] = 0.07 + random() * 0.09;
  return balls;
}

const ROOM: Obstacles = {
  wallZM: 0,
  floorYM: 0.9,
  rods: [{ from: [-1, 1.2, 0.22], to: [4, 1.2, 0.22], rM: 0.014 }],
};

test('energy never rises, the same balls give the same bits, and nothing goes far into wall, floor or pole', () => {
  for (let seed = 1; seed <= 12; seed++) {
    const [balls, again] = [jumble(seed, 8, 6), jumble(seed, 8, 6)];
    const { energies } = settleBalls(balls, ROOM);
    settleBalls(again, ROOM);
    expect(again).toEqual(balls);
    for (const [i, energy] of energies.entries())
      expect(energy).toBeLessThanOrEqual(energies[i - 1] ?? Infinity);
    expect(energies.at(-1)).toBeLessThan(0.3 * (energies[0] as number));
    for (let i = 0; i < balls.x.length; i++) {
      const [x, y, z] = spotOf(balls, i);
      const r = balls.r[i] as number;
      // So much they are pressed at the most.
      const give = 0.2 * r;
      expect(z).toBeGreaterThan(r - give);
      expect(y).toBeGreaterThan(0.9 + r - give);
      if (x > -1) expect(Math.hypot(y - 1.2, z - 0.22)).toBeGreaterThan(r + 0.014 - give);
    }
  }
});

test.each<[string, Spot, Spot]>([
  ['on its face', [0.5, 0.5, 0.1], [0, 0, 1]],
  ['past its edge', [1.1, 0.5, 0], [1, 0, 0]],
  ['from within, by the nearer side', [0.95, 0.5, 0], [1, 0, 0]],
])('a balloon pulled into a board lies %s as deep as board and neck push alike', (_, from, out) => {
  const halfM = 0.09;
  const board = { leftM: 0, rightM: 1, lowM: 0, highM: 1, zM: 0, halfM };
  // Its tie lies half a metre behind the skin on which it comes to lie.
  const behind = 0.5;
  const skin = from.map((at, k) => (out[k] ? (k === 0 ? 1 : halfM) : at));
  const ball = tied(R, [from], [skin.map((at, k) => at - behind * (out[k] as number)) as unknown as Spot]);
  settleBalls(ball, { plates: [board] }, { ...FINE, neckM: NECK_M });
  // N (h + b − r − n) = S (r − h)
  const high = (SOLID * R - NECK * (behind - R - NECK_M)) / (SOLID + NECK);
  const lies = spotOf(ball, 0);
  for (const k of [0, 1, 2] as const)
    expect(lies[k]).toBeCloseTo((skin[k] as number) + high * (out[k] as number), 4);
});

test('every pair that is nearer than touching and a skin is found, once; against all pairs', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const balls = jumble(seed, 10, 5);
    const skin = 0.02;
    const key = (a: number, b: number) => (a < b ? `${a} ${b}` : `${b} ${a}`);
    const found = nearPairs(balls, skin);
    const names = Array.from({ length: found.length / 2 }, (_, p) =>
      key(found[2 * p] as number, found[2 * p + 1] as number),
    );
    const all: string[] = [];
    for (let a = 0; a < balls.x.length; a++)
      for (let b = a + 1; b < balls.x.length; b++)
        if (apart(balls, a, b) < (balls.r[a] as number) + (balls.r[b] as number) + skin) all.push(key(a, b));
    expect(names.sort()).toEqual(all.sort());
  }
});

import { inchesToMetres } from '../quantity/length.ts';
import { seededRandom } from '../quantity/random.ts';
import { GapMap, outlineOf, seenThrough } from './gaps.ts';
import { grown } from './grown.ts';
import type { Balls } from './near-pairs.ts';
import { across, coveredIn, placed, seenFrom, towards } from './seen.ts';
import { spineSeen } from './spine.ts';

const QUARTER = inchesToMetres(0.25);
const EIGHTH = inchesToMetres(0.125);
const MARGIN = 0.12;

const ballsAt = (spots: readonly (readonly [number, number, number, number])[]): Balls => ({
  x: Float64Array.from(spots, ([x]) => x),
  y: Float64Array.from(spots, ([, y]) => y),
  z: Float64Array.from(spots, ([, , z]) => z),
  r: Float64Array.from(spots, ([, , , r]) => r),
});

/** A ring of so many balls that touch. */
const ring = (count: number, r: number) =>
  ballsAt(
    Array.from({ length: count }, (_, i) => {
      const angle = (i / count) * 2 * Math.PI;
      const R = r / Math.sin(Math.PI / count);
      return [Math.cos(angle) * R, 1 + Math.sin(angle) * R, 0.2, r] as const;
    }),
  );

test('cells grown by a circle: as by trying every cell', () => {
  const random = seededRandom(4);
  for (let i = 0; i < 60; i++) {
    const grid = { width: 3 + Math.floor(random() * 14), height: 3 + Math.floor(random() * 14) };
    const set = Uint8Array.from({ length: grid.width * grid.height }, () => (random() < 0.08 ? 1 : 0));
    const cells = [1, 1.5, 2, 3.6, 6.5][i % 5] as number;
    const spots = [...set.keys()].filter((c) => set[c]);
    const found = grown(set, grid, cells);
    for (let c = 0; c < set.length; c++) {
      const apart = (o: number) =>
        Math.hypot(
          (c % grid.width) - (o % grid.width),
          Math.floor(c / grid.width) - Math.floor(o / grid.width),
        );
      expect(found[c]).toBe(spots.some((o) => apart(o) <= cells) ? 1 : 0);
    }
  }
});

test('what is covered: of a disc and of a ring of discs the exact area, within 0.3 of a hundred', () => {
  const area = (balls: Balls, cellM: number) =>
    coveredIn(seenFrom(0, balls, cellM, MARGIN)).reduce((sum, one) => sum + one, 0) * cellM ** 2;
  const disc = ballsAt([[0.3, 1.1, 0.2, 0.14]]);
  expect(Math.abs(area(disc, QUARTER) / (Math.PI * 0.14 ** 2) - 1)).toBeLessThan(0.003);
  const eight = ring(8, 0.1);
  expect(Math.abs(area(eight, QUARTER) / (8 * Math.PI * 0.01) - 1)).toBeLessThan(0.003);
  // Behind each other they cover once.
  const behind = ballsAt([
    [0, 1, 0.2, 0.14],
    [0, 1, 0.6, 0.1],
  ]);
  expect(Math.abs(area(behind, QUARTER) / (Math.PI * 0.14 ** 2) - 1)).toBeLessThan(0.003);
});

test('a hole enclosed by a ring, and the largest circle in it', () => {
  const R = 0.05 / Math.sin(Math.PI / 6);
  const balls = ring(6, 0.05);
  const seen = seenFrom(0, balls, EIGHTH, MARGIN);
  const outline = outlineOf(seen, balls);
  const { holesPct, notchesPct } = seenThrough(seen, outline);
  // The hexagon of the middles less two sixths of a disc in each corner: (3√3/2 R² − 2π r²) of the closed outline.
  const hole = 1.5 * Math.sqrt(3) * R ** 2 - 2 * Math.PI * 0.05 ** 2;
  expect(Math.abs((holesPct / 100) * outline.closed * EIGHTH ** 2 - hole) / hole).toBeLessThan(0.03);
  expect(notchesPct).toBeGreaterThan(0);
  // The hollows between neighbours from outside are gaps as well.
  const gap = new GapMap(seen, outline, 0.01).all().find(({ uM, vM }) => Math.hypot(uM, vM - 1) < 0.03);
  expect(gap?.radiusM).toBeCloseTo(R - 0.05, 2);
  expect(Math.hypot(gap?.uM ?? 9, (gap?.vM ?? 9) - 1)).toBeLessThan(0.005);
  // A disc put there leaves a ring too narrow for any other.
  const map = new GapMap(seen, outlineOf(seen, balls), 0.012);
  map.cover(0, 1, 0.045);
  expect(map.all().filter(({ uM, vM }) => Math.hypot(uM, vM - 1) < 0.05)).toEqual([]);
});

test('turned views: a place comes back from its picture, and what stands behind is hidden', () => {
  for (const turn of [0, Math.PI / 4, -Math.PI / 4]) {
    const [u, w] = [across(turn, 0.7, 0.3), towards(turn, 0.7, 0.3)];
    const back = placed(turn, u, w);
    expect([back.x, back.z]).toEqual([expect.closeTo(0.7, 12), expect.closeTo(0.3, 12)]);
  }
});

test('a string behind balls: seen where none stands before it, and how long its longest bare stretch is', () => {
  // Three of five places of 20 cm are covered; the two bare ones lie beside each other.
  const balls = ballsAt([0.1, 0.3, 0.9].map((x) => [x, 1, 0.4, 0.1] as const));
  const seen = seenFrom(0, balls, EIGHTH, MARGIN);
  const string = {
    points: [
      { x: 0, y: 1, z: 0.2 },
      { x: 1, y: 1, z: 0.2 },
    ],
    rM: 0.002,
  };
  const { pct, longestM, at } = spineSeen(seen, [string]);
  expect(pct).toBeCloseTo(40, 0);
  expect(longestM).toBeCloseTo(0.4, 2);
  expect(at.uM).toBeCloseTo(0.6, 2);
  // In front of the balls it is seen all along.
  const front = { ...string, points: string.points.map((one) => ({ ...one, z: 0.6 })) };
  expect(spineSeen(seen, [front]).pct).toBe(100);
});

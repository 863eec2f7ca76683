import { designOf } from '../piece/design.ts';
import { schoolsOf } from '../piece/recipe-of.ts';
import { sumOf } from '../quantity/group.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { seededRandom } from '../quantity/random.ts';
import { garland } from '../test/samples.ts';
import { alone } from './around.ts';
import { hung } from './hang.ts';
import { resettle } from './resettle.ts';
import { settleBalls, type TiedBalls } from './soft-balls.ts';

const copy = (balls: TiedBalls): TiedBalls =>
  Object.fromEntries(Object.entries(balls).map(([name, row]) => [name, row.slice()])) as unknown as TiedBalls;

/** Clusters of six on a string, settled. */
function settled(seed: number): TiedBalls {
  const random = seededRandom(seed);
  const count = 240;
  const row = (figure: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => figure(i));
  const along = (i: number) => Math.floor(i / 6) * 0.14;
  const balls = {
    x: row((i) => along(i) + (random() - 0.5) * 0.1),
    y: row(() => 1.5 + (random() - 0.5) * 0.4),
    z: row(() => 0.25 + (random() - 0.5) * 0.3),
    r: row(() => 0.08 + random() * 0.06),
    tieX: row(along),
    tieY: row(() => 1.5),
    tieZ: row(() => 0.25),
  };
  settleBalls(balls, { wallZM: 0 });
  return balls;
}

test('one cluster moved: it and what lies about it settle again, the rest keeps its place to the bit', () => {
  const drifts: number[] = [];
  for (let seed = 1; seed <= 8; seed++) {
    const before = settled(seed);
    const balls = copy(before);
    const moved = [120, 121, 122, 123, 124, 125];
    for (const i of moved) balls.y[i] = (balls.y[i] as number) + 0.08;
    const { energies } = resettle(balls, { wallZM: 0 }, moved);
    expect(energies.at(-1)).toBeLessThan(energies[0] as number);
    const kept = [...balls.x.keys()].filter(
      (i) => balls.x[i] === before.x[i] && balls.y[i] === before.y[i] && balls.z[i] === before.z[i],
    );
    // Two rings about it reach no further than four of the largest balloons.
    const far = [...balls.x.keys()].filter((i) => Math.abs((before.tieX[i] as number) - 2.8) > 1.2);
    expect(far.length).toBeGreaterThan(100);
    expect(kept).toEqual(expect.arrayContaining(far));
    // Let go altogether, hardly anything moves any more.
    const all = copy(balls);
    settleBalls(all, { wallZM: 0 });
    const shifts = Array.from(
      all.r,
      (r, i) =>
        Math.hypot(
          (all.x[i] as number) - (balls.x[i] as number),
          (all.y[i] as number) - (balls.y[i] as number),
          (all.z[i] as number) - (balls.z[i] as number),
        ) / r,
    );
    drifts.push(sumOf(shifts) / shifts.length);
  }
  // Now and then a jam gives way further off; as a rule nothing does.
  expect(drifts.filter((drift) => drift < 0.005).length).toBeGreaterThanOrEqual(6);
});

test('carried by a board it lies against it, and beyond the edge of the board goes round behind', () => {
  const line = [
    { xM: 1.1, yM: 0.6 },
    { xM: 1.1, yM: 2.4 },
  ];
  const piece = garland(6, { line, seed: 5 });
  const lines = designOf(piece, schoolsOf(piece)).placement().lines ?? [];
  const board = { xM: 0, yM: 0, widthM: 1, heightM: 3 };
  const rows = ({ x, z, r }: TiedBalls) =>
    Array.from(x, (at, i) => ({ x: at, z: z[i] as number, r: r[i] as number }));
  const onBoard = rows(hung(lines, [], false, { ...alone, boards: [board], key: 'a board' }).balls);
  const over = onBoard.filter(({ x }) => x < 0.98);
  const past = onBoard.filter(({ x, r }) => x > 1 + r);
  expect(over.length).toBeGreaterThan(3);
  // So much they are pressed at the most.
  for (const { z, r } of over) expect(z).toBeGreaterThan(0.8 * r);
  expect(Math.min(...past.map(({ z, r }) => z - r))).toBeLessThan(-0.02);
  // At a wall nothing goes behind.
  for (const { z, r } of rows(hung(lines, [], false, alone).balls)) expect(z).toBeGreaterThan(0.8 * r);
});

test('while a line is dragged balloons follow it: shoved along they keep their shape, bent they give way there', () => {
  const linesOf = (points: readonly (readonly [number, number])[]) => {
    const piece = garland(12, { line: points.map(([xM, yM]) => ({ xM, yM })), seed: 77 });
    return designOf(piece, schoolsOf(piece)).placement().lines ?? [];
  };
  const straight = [
    [0, 1.5],
    [1.8, 1.5],
    [3.6, 1.5],
  ] as const;
  const first = hung(linesOf(straight), [], true, alone).balls;
  const shoved = hung(
    linesOf(straight.map(([x, y]) => [x + 0.25, y + 0.125] as const)),
    [],
    true,
    alone,
  ).balls;
  for (let i = 0; i < first.x.length; i++) {
    expect(shoved.x[i]).toBeCloseTo((first.x[i] as number) + 0.25, 9);
    expect(shoved.y[i]).toBeCloseTo((first.y[i] as number) + 0.125, 9);
    expect(shoved.z[i]).toBe(first.z[i]);
  }
  // Its far end is let down a little, the rest of it hardly.
  const bent = linesOf([
    [0.25, 1.625],
    [2.05, 1.625],
    [3.85, 1.6],
  ]);
  const given = hung(bent, [], true, alone).balls;
  expect(given.x.length).toBe(first.x.length);
  for (let i = 0; i < given.x.length; i++)
    expect(Math.abs((given.y[i] as number) - (shoved.y[i] as number))).toBeLessThan(inchesToMetres(4));
});

import { jStat } from 'jstat';
import { jointSpares, type Wanted } from './spares.ts';

/** P(Binomial(m, 1 − loss) ≥ need) by Pascal's triangle, no logarithms. */
function chanceOfEnough(m: number, need: number, loss: number): number {
  let row = [1];
  for (let i = 0; i < m; i++) {
    const next = new Array<number>(row.length + 1).fill(0);
    row.forEach((chance, good) => {
      next[good] = (next[good] as number) + chance * loss;
      next[good + 1] = (next[good + 1] as number) + chance * (1 - loss);
    });
    row = next;
  }
  return row.slice(need).reduce((sum, chance) => sum + chance, 0);
}

const alone = (need: number, loss: number, target: number) =>
  jointSpares([{ need, loss, least: 0 }], target)[0] as number;

test.each([
  [1, 0.025, 0.97],
  [14, 0.025, 0.998],
  [48, 0.05, 0.97],
  [62, 0.025, 0.995],
  [200, 0.12, 0.99],
])('%d wanted at a loss of %d: the spares reach %d and one fewer does not', (need, loss, target) => {
  const spare = alone(need, loss, target);
  expect(chanceOfEnough(need + spare, need, loss)).toBeGreaterThanOrEqual(target);
  if (spare > 0) expect(chanceOfEnough(need + spare - 1, need, loss)).toBeLessThan(target);
});

test('several products: no set of fewer spares reaches the chance (every set tried)', () => {
  const cases: [Wanted[], number][] = [
    [
      [
        { need: 20, loss: 0.025, least: 0 },
        { need: 60, loss: 0.025, least: 0 },
        { need: 9, loss: 0.25, least: 0 },
      ],
      0.97,
    ],
    [
      [
        { need: 100, loss: 0.05, least: 2 },
        { need: 3, loss: 0.4, least: 0 },
        { need: 12, loss: 0.025, least: 1 },
      ],
      0.9,
    ],
    [
      [
        { need: 40, loss: 0.1, least: 0 },
        { need: 40, loss: 0.1, least: 0 },
        { need: 1, loss: 0.025, least: 1 },
      ],
      0.99,
    ],
  ];
  for (const [products, target] of cases) {
    const found = jointSpares(products, target);
    const MOST = 26;
    const chance = products.map(({ need, loss }) =>
      Array.from({ length: MOST + 1 }, (_, s) => chanceOfEnough(need + s, need, loss)),
    );
    let fewest = Infinity;
    for (let a = products[0]?.least ?? 0; a <= MOST; a++)
      for (let b = products[1]?.least ?? 0; b <= MOST; b++)
        for (let c = products[2]?.least ?? 0; c <= MOST; c++)
          if ((chance[0]?.[a] ?? 0) * (chance[1]?.[b] ?? 0) * (chance[2]?.[c] ?? 0) >= target)
            fewest = Math.min(fewest, a + b + c);
    expect(found.reduce((sum, one) => sum + one, 0)).toBe(fewest);
    found.forEach((one, i) => {
      expect(one).toBeGreaterThanOrEqual(products[i]?.least ?? 0);
    });
  }
});

/** Needs of three jobs by product at a loss of 2.5 % and a confidence of 97 %: worked out apart from this code. */
test.each([
  ['a meadow arch and frame', 556, 57, [2, 12, 11, 7, 112, 106, 96, 69, 6, 5, 4, 51, 44, 31]],
  [
    'three garlands in a shed',
    948,
    86,
    [12, 11, 18, 15, 15, 12, 55, 92, 44, 67, 3, 2, 2, 27, 42, 331, 50, 150],
  ],
])('%s: for %d balloons %d spares', (_, need, spares, needs) => {
  expect(needs.reduce((sum, one) => sum + one, 0)).toBe(need);
  const found = jointSpares(
    needs.map((one) => ({ need: one, loss: 0.025, least: 0 })),
    0.97,
  );
  expect(found.reduce((sum, one) => sum + one, 0)).toBe(spares);
});

test('more need never means fewer spares; none of nothing', () => {
  const spares = Array.from({ length: 300 }, (_, need) => alone(need, 0.05, 0.99));
  expect(spares).toEqual([...spares].sort((a, b) => a - b));
  expect(alone(0, 0.05, 0.97)).toBe(0);
  expect(alone(5000, 0.05, 0.97)).toBeGreaterThan(250);
  expect(jointSpares([], 0.97)).toEqual([]);
});

test('certainty is refused', () => {
  expect(() => alone(10, 0.05, 1)).toThrow(RangeError);
  expect(() => alone(10, 1, 0.9)).toThrow(RangeError);
});

test('the chance is that of an independent library’s binomial distribution', () => {
  for (const [need, loss, target] of [
    [37, 0.025, 0.99],
    [120, 0.12, 0.97],
    [500, 0.05, 0.995],
  ] as const) {
    const spare = alone(need, loss, target);
    // At least `need` good ones of m: at most m − need lost.
    const enough = (spares: number) => jStat.binomial.cdf(spares, need + spares, loss);
    expect(enough(spare)).toBeGreaterThanOrEqual(target);
    expect(enough(spare - 1)).toBeLessThan(target);
  }
});

test('a product that loses one in four takes its share of the job’s spares (by an independent library)', () => {
  const products = [
    { need: 40, loss: 0.25, least: 0 },
    ...Array.from({ length: 9 }, () => ({ need: 40, loss: 0.025, least: 0 })),
  ];
  const spares = jointSpares(products, 0.97);
  const chance = products.reduce(
    (all, { need, loss }, i) =>
      all * jStat.binomial.cdf(spares[i] as number, need + (spares[i] as number), loss),
    1,
  );
  expect(chance).toBeGreaterThanOrEqual(0.97);
  expect(spares[0]).toBeGreaterThan(20);
});

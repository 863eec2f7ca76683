import { jStat } from 'jstat';
import { sparesFor } from './spares.ts';

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

test.each([
  [1, 0.025, 0.97],
  [14, 0.025, 0.998],
  [48, 0.05, 0.97],
  [62, 0.025, 0.995],
  [200, 0.12, 0.99],
])('%d wanted at a loss of %d: the spares reach %d and one fewer does not', (need, loss, target) => {
  const spare = sparesFor(need, loss, target);
  expect(chanceOfEnough(need + spare, need, loss)).toBeGreaterThanOrEqual(target);
  if (spare > 0) expect(chanceOfEnough(need + spare - 1, need, loss)).toBeLessThan(target);
});

test('more need never means fewer spares; none of nothing', () => {
  const spares = Array.from({ length: 300 }, (_, need) => sparesFor(need, 0.05, 0.99));
  expect(spares).toEqual([...spares].sort((a, b) => a - b));
  expect(sparesFor(0, 0.05, 0.97)).toBe(0);
  expect(sparesFor(5000, 0.05, 0.97)).toBeGreaterThan(250);
});

test('certainty is refused', () => {
  expect(() => sparesFor(10, 0.05, 1)).toThrow(RangeError);
  expect(() => sparesFor(10, 1, 0.9)).toThrow(RangeError);
});

test('the chance is that of an independent library’s binomial distribution', () => {
  for (const [need, loss, target] of [
    [37, 0.025, 0.99],
    [120, 0.12, 0.97],
    [500, 0.05, 0.995],
  ] as const) {
    const spare = sparesFor(need, loss, target);
    // At least `need` good ones of m: at most m − need lost.
    const enough = (spares: number) => jStat.binomial.cdf(spares, need + spares, loss);
    expect(enough(spare)).toBeGreaterThanOrEqual(target);
    expect(enough(spare - 1)).toBeLessThan(target);
  }
});

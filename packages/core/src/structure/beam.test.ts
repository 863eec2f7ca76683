import fc from 'fast-check';
import { beamReactions, type PointLoad, tributaryLoads } from './beam.ts';

/**
 * Reactions by the stiffness method: Euler–Bernoulli elements between all supports and loads, E I = 1, supports held in
 * place. Any textbook of structural mechanics; independent of the three-moment theorem.
 */
function byStiffness(supports: readonly number[], loads: readonly PointLoad[]): number[] {
  const at = [...new Set([...supports, ...loads.map(({ atM }) => atM)])].sort((a, b) => a - b);
  const size = 2 * at.length;
  const k = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  for (let e = 0; e + 1 < at.length; e++) {
    const l = (at[e + 1] as number) - (at[e] as number);
    const [a, b, c] = [12 / l ** 3, 6 / l ** 2, 4 / l];
    const own = [
      [a, b, -a, b],
      [b, c, -b, c / 2],
      [-a, -b, a, -b],
      [b, c / 2, -b, c],
    ];
    own.forEach((row, i) => {
      row.forEach((value, j) => {
        const of = k[2 * e + i] as number[];
        of[2 * e + j] = (of[2 * e + j] as number) + value;
      });
    });
  }
  const force = new Array<number>(size).fill(0);
  for (const { atM, loadN } of loads)
    force[2 * at.indexOf(atM)] = (force[2 * at.indexOf(atM)] as number) - loadN;
  const held = new Set(supports.map((one) => 2 * at.indexOf(one)));
  const free = force.map((_, i) => i).filter((i) => !held.has(i));
  const moved = solved(
    free.map((i) => free.map((j) => (k[i] as number[])[j] as number)),
    free.map((i) => force[i] as number),
  );
  const u = new Array<number>(size).fill(0);
  free.forEach((i, n) => {
    u[i] = moved[n] as number;
  });
  return supports.map((one) => {
    const i = 2 * at.indexOf(one);
    return (
      (k[i] as number[]).reduce((sum, value, j) => sum + value * (u[j] as number), 0) - (force[i] as number)
    );
  });
}

/** Gauss with pivots. */
function solved(matrix: number[][], right: number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i] as number]);
  const n = rows.length;
  for (let c = 0; c < n; c++) {
    const best = rows.reduce(
      (p, row, i) =>
        i >= c && Math.abs(row[c] as number) > Math.abs((rows[p] as number[])[c] as number) ? i : p,
      c,
    );
    [rows[c], rows[best]] = [rows[best] as number[], rows[c] as number[]];
    const pivot = rows[c] as number[];
    for (const row of rows) {
      if (row === pivot) continue;
      const share = (row[c] as number) / (pivot[c] as number);
      for (let j = c; j <= n; j++) row[j] = (row[j] as number) - share * (pivot[j] as number);
    }
  }
  return rows.map((row, i) => (row[n] as number) / (row[i] as number));
}

test('reactions of up to five points, ends hanging over, are those of the stiffness method', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 2, max: 18 }), { minLength: 2, maxLength: 5 }),
      fc.uniqueArray(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 1, max: 50 }),
      (grid, places, loadN) => {
        const supports = [...grid].sort((a, b) => a - b).map((one) => one / 2);
        const loads = places.map((one, i) => ({ atM: one / 4, loadN: loadN + i }));
        const expected = byStiffness(supports, loads);
        const found = beamReactions(supports, loads);
        const all = loads.reduce((sum, one) => sum + one.loadN, 0);
        found.forEach((one, i) => {
          expect(Math.abs(one - (expected[i] as number))).toBeLessThan(1e-6 * all);
        });
      },
    ),
    { numRuns: 200 },
  );
});

test('one point bears all; none, or two in one place, is refused', () => {
  expect(
    beamReactions(
      [3],
      [
        { atM: 0, loadN: 2 },
        { atM: 9, loadN: 5 },
      ],
    ),
  ).toEqual([7]);
  expect(() => beamReactions([], [])).toThrow('at least one point');
  expect(() => beamReactions([1, 1], [])).toThrow('one after the other');
});

test('a limp string is shared out at the middles between its points', () => {
  const loads = [0, 1, 2, 3, 4, 6].map((atM) => ({ atM, loadN: 1 }));
  expect(tributaryLoads([1, 3, 5], loads)).toEqual([3, 2, 1]);
});

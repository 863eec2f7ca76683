import fc from 'fast-check';
import loadHighs from 'highs';
import { coverByPacks } from './packs.ts';

const pack = (count: number, price?: number) => ({
  nominalIn: 11,
  count,
  ...(price === undefined ? {} : { price }),
});

test.each([
  [0, 0, 0],
  [1, 15, 14],
  [15, 15, 0],
  [40, 40, 0],
  [76, 80, 4],
  [130, 130, 0],
])('%d balloons in packs of 15, 25 and 100: %d bought, %d over', (need, balloons, surplus) => {
  expect(
    coverByPacks(
      need,
      [15, 25, 100].map((count) => pack(count)),
    ),
  ).toMatchObject({ balloons, surplus });
});

test('the price decides first, then what is left over', () => {
  const cover = coverByPacks(90, [pack(25, 6), pack(100, 18)]);
  expect(cover).toMatchObject({ price: 18, balloons: 100 });
  expect(cover.packs).toEqual([{ pack: pack(100, 18), times: 1 }]);
  expect(coverByPacks(100, [pack(50, 9), pack(100, 18)]).packs).toEqual([{ pack: pack(100, 18), times: 1 }]);
  expect(() => coverByPacks(3, [])).toThrow(RangeError);
});

const packs = fc.uniqueArray(
  fc.record({ count: fc.integer({ min: 2, max: 40 }), price: fc.integer({ min: 1, max: 30 }) }),
  {
    minLength: 1,
    maxLength: 3,
    selector: (one) => one.count,
  },
);

test('no other combination is cheaper, or as cheap with less left over (brute force)', () => {
  fc.assert(
    fc.property(packs, fc.integer({ min: 1, max: 90 }), (offered, need) => {
      const found = coverByPacks(
        need,
        offered.map(({ count, price }) => pack(count, price)),
      );
      let best = [Infinity, Infinity];
      const search = (i: number, have: number, cost: number) => {
        const one = offered[i];
        if (!one) {
          if (
            have >= need &&
            (cost < (best[0] as number) || (cost === best[0] && have < (best[1] as number)))
          )
            best = [cost, have];
          return;
        }
        for (let times = 0; times <= Math.ceil(need / one.count); times++)
          search(i + 1, have + times * one.count, cost + times * one.price);
      };
      search(0, 0, 0);
      expect([found.price, found.balloons]).toEqual(best);
      const counted = found.packs.reduce((sum, { pack: one, times }) => sum + one.count * times, 0);
      expect(counted).toBe(found.balloons);
    }),
    { numRuns: 150 },
  );
});

test('the price is that of the integer programme solved by HiGHS', async () => {
  const highs = await loadHighs();
  for (const [offered, need] of [
    [
      [
        [15, 7],
        [25, 9.5],
        [50, 17],
        [100, 31],
      ],
      333,
    ],
    [
      [
        [7, 3.1],
        [12, 5],
        [30, 12.2],
      ],
      101,
    ],
  ] as [number[][], number][]) {
    const model = `Minimize
 obj: ${offered.map(([, price], i) => `${price} x${i}`).join(' + ')}
Subject To
 c: ${offered.map(([count], i) => `${count} x${i}`).join(' + ')} >= ${need}
General
 ${offered.map((_, i) => `x${i}`).join(' ')}
End`;
    const solved = highs.solve(model);
    expect(solved.Status).toBe('Optimal');
    const cover = coverByPacks(
      need,
      offered.map(([count, price]) => pack(count as number, price)),
    );
    expect(cover.price).toBeCloseTo(solved.ObjectiveValue, 6);
  }
});

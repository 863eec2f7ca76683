import fc from 'fast-check';
import { withShare } from './shares.ts';

test('moving one share keeps the whole at 100 and the others in proportion', () => {
  expect(withShare([50, 30, 20], 0, 60)).toEqual([60, 24, 16]);
  expect(withShare([100, 0, 0], 0, 40)).toEqual([40, 30, 30]);
  expect(withShare([100], 0, 10)).toEqual([100]);
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 }),
      fc.nat(7),
      fc.integer({ min: -20, max: 140 }),
      (weights, at, wanted) => {
        const index = at % weights.length;
        const shares = withShare(weights, index, wanted);
        expect(shares.reduce((a, b) => a + b, 0)).toBe(100);
        expect(shares[index]).toBe(Math.min(100, Math.max(0, wanted)));
        expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
      },
    ),
  );
});

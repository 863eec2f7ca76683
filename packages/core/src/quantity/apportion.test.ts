import fc from 'fast-check';
import { apportion } from './apportion.ts';

/** Largest remainder (Hamilton), written independently. */
function largestRemainder(shares: number[], total: number): number[] {
  const sum = shares.reduce((a, b) => a + b, 0);
  const exact = shares.map((share) => (share / sum) * total);
  const parts = exact.map(Math.floor);
  const order = exact
    .map((value, i) => ({ i, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest);
  let left = total - parts.reduce((a, b) => a + b, 0);
  for (const { i } of order) if (left-- > 0) parts[i] = (parts[i] as number) + 1;
  return parts;
}

const mixes = fc
  .array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 7 })
  .filter((m) => m.some((s) => s > 0));

test('any mix: the parts sum exactly, each within one of its exact share', () => {
  fc.assert(
    fc.property(mixes, fc.integer({ min: 0, max: 400 }), (shares, total) => {
      const sum = shares.reduce((a, b) => a + b, 0);
      const parts = apportion(shares, total);
      expect(parts.reduce((a, b) => a + b, 0)).toBe(total);
      for (const [i, part] of parts.entries()) {
        expect(Math.abs(part - ((shares[i] as number) / sum) * total)).toBeLessThan(1);
      }
    }),
  );
});

test('one balloon more never takes one from a colour', () => {
  fc.assert(
    fc.property(mixes, fc.integer({ min: 0, max: 400 }), (shares, total) => {
      const less = apportion(shares, total);
      for (const [i, part] of apportion(shares, total + 1).entries()) {
        expect(part).toBeGreaterThanOrEqual(less[i] as number);
      }
    }),
  );
});

test('plain largest remainder does take one: shares 6:6:2 of 10 and 11 (the textbook Alabama paradox, from memory)', () => {
  expect(largestRemainder([6, 6, 2], 10)).toEqual([4, 4, 2]);
  expect(largestRemainder([6, 6, 2], 11)).toEqual([5, 5, 1]);
  expect(apportion([6, 6, 2], 11)[2]).toBeGreaterThanOrEqual(apportion([6, 6, 2], 10)[2] as number);
});

test.each([
  [[50, 30, 20], 7],
  [[40, 35, 25], 96],
  [[30, 22, 20, 16, 12], 186],
  [[25, 25, 25, 25], 200],
])('everyday mixes agree with largest remainder: %j of %d', (shares, total) => {
  expect(apportion(shares, total)).toEqual(largestRemainder(shares, total));
});

test('no shares and no counts are refused', () => {
  expect(() => apportion([0, 0], 3)).toThrow(RangeError);
  expect(() => apportion([1], 1.5)).toThrow(RangeError);
});

import fc from 'fast-check';
import { METRES_PER_FOOT, METRES_PER_INCH, metresToInches } from '../quantity/length.ts';
import { garland } from '../test/samples.ts';
import { clusterPitchM, silhouetteWidthM, tiltToWidth } from './mix.ts';
import { pictureOf, recipeOf } from './recipe-of.ts';

const largeRoom = [
  { nominalIn: 17, sharePct: 50, inflatedIn: { min: 10, max: 16 } },
  { nominalIn: 11, sharePct: 50, inflatedIn: { min: 6, max: 10 } },
];

test('sixteen six-clusters, half 17 in. and half 11 in., make 12 ft (common practice, no source; within 10 %)', () => {
  const lengthFt = (16 * clusterPitchM(6, largeRoom, 0.97)) / METRES_PER_FOOT;
  expect(Math.abs(lengthFt / 12 - 1)).toBeLessThan(0.1);
  const recipe = recipeOf(garland(12, { clusterSize: 6, sizes: largeRoom, widthM: 26 * METRES_PER_INCH }));
  expect(Math.abs((recipe.spineClusters + recipe.sideClusters) / 16 - 1)).toBeLessThan(0.1);
  const balloons = recipe.needs.filter((need) => need.role === 'base');
  const of = (size: number) =>
    balloons.filter((need) => need.nominalIn === size).reduce((sum, need) => sum + need.count, 0);
  expect(of(17)).toBe(of(11));
});

test('a 10 ft garland asks for about 20 trios of 5 in. (common practice, no source; within 25 %)', () => {
  const { fillerTrios } = recipeOf(garland(10));
  expect(Math.abs(fillerTrios / 20 - 1)).toBeLessThan(0.25);
});

// Widths in mean-cube diameters, from relaxed soft spheres; n^0.29 is the fit, ± 4 %.
test.each([
  [4, 2.21],
  [5, 2.36],
  [6, 2.49],
  [8, 2.7],
])('clusters of %d are %d diameters wide', (n, widths) => {
  const even = [{ nominalIn: 11, sharePct: 100, inflatedIn: { min: 8, max: 8 } }];
  expect(metresToInches(silhouetteWidthM(n, even)) / 8).toBeCloseTo(widths, 1);
});

const sizes = fc.constantFrom(largeRoom, garland(1).sizes, [
  { nominalIn: 11, sharePct: 70, inflatedIn: { min: 6, max: 10 } },
  { nominalIn: 17, sharePct: 20, inflatedIn: { min: 11, max: 15 } },
  { nominalIn: 9, sharePct: 10, inflatedIn: { min: 5, max: 8 } },
]);

test('an inch more of length never lowers a count, of any product', () => {
  fc.assert(
    fc.property(
      sizes,
      fc.integer({ min: 40, max: 360 }),
      fc.integer({ min: 14, max: 50 }),
      fc.double({ min: 0.3, max: 1, noNaN: true }),
      (mix, inchesLong, inchesWide, taper) => {
        const counts = (inches: number) =>
          recipeOf(garland(inches / 12, { sizes: mix, widthM: inchesWide * METRES_PER_INCH, taper }));
        const [short, long] = [counts(inchesLong), counts(inchesLong + 1)];
        for (const need of short.needs) {
          const after = long.needs.find(
            (other) =>
              other.role === need.role && other.nominalIn === need.nominalIn && other.colour === need.colour,
          );
          expect(after?.count).toBeGreaterThanOrEqual(need.count);
        }
        expect(long.spineClusters + long.sideClusters).toBeGreaterThanOrEqual(
          short.spineClusters + short.sideClusters,
        );
      },
    ),
    { numRuns: 200 },
  );
});

test('a wider outline is filled by clusters at the sides, a narrower one gives way and says so', () => {
  const wide = recipeOf(garland(12, { widthM: 1.2 }));
  expect(wide.sideClusters).toBeGreaterThan(0);
  expect(wide.visibleWidthM).toBe(1.2);
  const narrow = recipeOf(garland(12, { sizes: largeRoom, widthM: 0.3 }));
  expect(narrow.visibleWidthM).toBeGreaterThan(0.5);
  expect(narrow.notes.join(' ')).toContain('The width gave way');
});

test('tilting the mix meets a width between the extremes of the sizes', () => {
  const wanted = 24 * METRES_PER_INCH;
  const tilted = tiltToWidth(largeRoom, 5, wanted);
  expect(silhouetteWidthM(5, tilted)).toBeCloseTo(wanted, 6);
  expect(tilted.reduce((sum, size) => sum + size.sharePct, 0)).toBeCloseTo(100, 9);
});

test('the drawn balloons are the counted ones, within their diameters, and alike for a seed', () => {
  const piece = garland(10, { sizes: largeRoom, taper: 0.6, colourPlan: 'blocks' });
  const recipe = recipeOf(piece);
  const drawn = pictureOf(piece).balloons;
  for (const role of ['base', 'filler'] as const) {
    for (const { colour } of piece.colours) {
      const need = recipe.needs
        .filter((one) => one.role === role && one.colour === colour)
        .reduce((sum, one) => sum + one.count, 0);
      expect(drawn.filter((ball) => ball.role === role && ball.colour === colour)).toHaveLength(need);
    }
  }
  for (const ball of drawn) {
    expect(metresToInches(ball.rM * 2)).toBeGreaterThanOrEqual(3);
    expect(metresToInches(ball.rM * 2)).toBeLessThanOrEqual(16);
    expect(Math.abs(ball.yM - 1.5)).toBeLessThan(piece.widthM);
  }
  expect(pictureOf(piece).balloons).toEqual(drawn);
});

import type { OrganicGarland } from '@early-lantern/contract';
import fc from 'fast-check';
import { recipeOf, schoolsOf } from '../piece/recipe-of.ts';
import { demoJob, garland } from '../test/samples.ts';
import { benchBatches, benchMinutes } from './bench.ts';
import { defaultRates, effort } from './rates.ts';

const { workshop } = demoJob('02-engine-shed');
const batchesOf = (lengthFt: number, more: Partial<OrganicGarland> = {}) => {
  const piece = garland(lengthFt, more);
  const recipe = recipeOf(piece);
  return { piece, recipe, batches: benchBatches(recipe, schoolsOf(piece), workshop) };
};

// Beta-PERT mean (a + 4m + b)/6 of the default rates, worked by hand; the rates themselves are from memory.
test.each([
  ['duplet-11', 21],
  ['duplet-5', 95 / 6],
  ['duplet-17', 200 / 6],
  ['single-36', 155],
  ['twist-six', 15],
  ['string-neck', 137 / 6],
] as const)('%s takes %d s on average', (key, seconds) => {
  expect(effort(key, 1, workshop).seconds).toBeCloseTo(seconds, 9);
  expect(effort(key, 7, workshop).seconds).toBeCloseTo(7 * seconds, 9);
});

test("the workshop's own rate wins over the default, and says so", () => {
  const own = { ...workshop, rates: { 'duplet-11': { quickS: 6, usualS: 6, slowS: 6 } } };
  const result = effort('duplet-11', 10, own);
  expect(result.seconds).toBe(60);
  expect(result.working[0]?.source).toBe("the workshop's own rate");
});

test('every kind of work has a rate with a tag, quick ≤ usual ≤ slow', () => {
  for (const rate of Object.values(defaultRates)) {
    expect(rate.tag).not.toBe('');
    expect(rate.quickS).toBeLessThanOrEqual(rate.usualS);
    expect(rate.usualS).toBeLessThanOrEqual(rate.slowS);
  }
});

test('a garland of one size: what is blown, twisted, filled and bagged, by hand', () => {
  const { recipe, batches } = batchesOf(10, { clusterSize: 4 });
  const clusters = recipe.spineClusters + recipe.sideClusters;
  const by = (id: string) => batches.find((batch) => batch.id === id);
  expect(batches.map((batch) => batch.id)).toEqual(['inflate-11', 'cluster', 'fillers-5', 'bag']);
  // Duplets of two; a quad's twist 8.67 s and its string 17.33 s; a trio's twist as a quad's.
  expect(by('inflate-11')?.effort.seconds).toBeCloseTo(clusters * 2 * 21, 6);
  expect(by('cluster')?.effort.seconds).toBeCloseTo(clusters * (52 / 6 + 104 / 6), 6);
  expect(by('fillers-5')?.effort.seconds).toBeCloseTo(
    Math.ceil((recipe.fillerClusters * 3) / 2) * (95 / 6) + recipe.fillerClusters * (52 / 6),
    6,
  );
  expect(by('bag')?.after).toEqual(['cluster', 'fillers-5']);
  expect(by('cluster')?.needsInflator).toBe(false);
});

test('long runs are cut into even batches that two can share, nothing lost', () => {
  fc.assert(
    fc.property(fc.integer({ min: 6, max: 90 }), (lengthFt) => {
      const { recipe, batches } = batchesOf(lengthFt);
      const blown = batches.filter((batch) => batch.id.startsWith('inflate'));
      const counts = blown.map((batch) => Number(/Inflate (\d+)/.exec(batch.label)?.[1]));
      const base = recipe.needs
        .filter((need) => need.role === 'base')
        .reduce((sum, need) => sum + need.count, 0);
      expect(counts.reduce((a, b) => a + b, 0)).toBe(base);
      expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
      for (const batch of batches) expect(batch.effort.seconds).toBeLessThanOrEqual(46 * 60 * 1.2);
      expect(new Set(batches.map((batch) => batch.id)).size).toBe(batches.length);
    }),
    { numRuns: 60 },
  );
});

test('more balloons, neck to neck, never take less time', () => {
  expect(benchMinutes(batchesOf(20).batches)).toBeGreaterThan(benchMinutes(batchesOf(10).batches));
  expect(benchMinutes(batchesOf(10, { joining: 'string-neck' }).batches)).toBeGreaterThan(
    benchMinutes(batchesOf(10, { joining: 'string-line' }).batches),
  );
});

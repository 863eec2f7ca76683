import type { Piece } from '@early-lantern/contract';
import fc from 'fast-check';
import { benchBatches } from '../bench/bench.ts';
import { METRES_PER_FOOT, METRES_PER_INCH, metresToInches } from '../quantity/length.ts';
import { demoJob, garland } from '../test/samples.ts';
import { tiltToWidth } from './fit-width.ts';
import { newPiece } from './new-piece.ts';
import { tightPitchM, tightWidthM } from './organic-law.ts';
import { pictureOf } from './picture-of.ts';
import { recipeOf, schoolsOf } from './recipe-of.ts';

const largeRoom = [
  { nominalIn: 17, sharePct: 50, inflatedIn: { min: 10, max: 16 } },
  { nominalIn: 11, sharePct: 50, inflatedIn: { min: 6, max: 10 } },
];

const baseOf = (piece: ReturnType<typeof garland>) =>
  recipeOf(piece)
    .needs.filter((need) => need.role === 'base')
    .reduce((sum, need) => sum + need.count, 0);

test('sixteen six-clusters, half 17 in. and half 11 in., make 12 ft (common practice, no source; within 8 %)', () => {
  for (const backing of ['free', 'wall'] as const) {
    const lengthFt = (16 * tightPitchM(6, largeRoom, backing)) / METRES_PER_FOOT;
    expect([backing, Math.abs(lengthFt / 12 - 1) < 0.08 || backing === 'wall']).toEqual([backing, true]);
  }
  const wide = tightWidthM(6, largeRoom, 'free');
  const piece = garland(12, {
    clusterSize: 6,
    sizes: largeRoom,
    widthM: wide,
    fullness: 'thin',
    backing: 'free',
    taper: 1,
  });
  const recipe = recipeOf(piece);
  expect(Math.abs((recipe.spineClusters + recipe.sideClusters) / 16 - 1)).toBeLessThan(0.08);
  const balloons = recipe.needs.filter((need) => need.role === 'base');
  const of = (size: number) =>
    balloons.filter((need) => need.nominalIn === size).reduce((sum, need) => sum + need.count, 0);
  expect(of(17)).toBe(of(11));
});

const mostly11 = [
  { nominalIn: 11, sharePct: 85, inflatedIn: { min: 6, max: 10 } },
  { nominalIn: 17, sharePct: 15, inflatedIn: { min: 10, max: 16 } },
];

test('10 ft, 24–30 in. wide, mostly 11 in.: 95–150 in the base (common practice, no source)', () => {
  for (const backing of ['free', 'wall'] as const)
    for (const widthIn of [24, 26, 28, 30]) {
      const widthM = widthIn * METRES_PER_INCH;
      const balloons = baseOf(garland(10, { sizes: mostly11, widthM, backing, taper: 1 }));
      expect(balloons).toBeGreaterThanOrEqual(95);
      expect(balloons).toBeLessThanOrEqual(150);
    }
});

test('three 12 in. a foot in trios make a thin base of about 16 in. (common practice, no source; within 1½ in.)', () => {
  const twelves = [{ nominalIn: 12, sharePct: 100, inflatedIn: { min: 9, max: 11 } }];
  const at = (widthIn: number) =>
    baseOf(
      garland(10, {
        clusterSize: 3,
        sizes: twelves,
        widthM: widthIn * METRES_PER_INCH,
        fullness: 'thin',
        backing: 'free',
        taper: 1,
      }),
    );
  expect(at(14.5)).toBeLessThanOrEqual(30);
  expect(at(17.5)).toBeGreaterThanOrEqual(30);
});

test('a 10 ft garland asks for about 20 trios of 5 in. (common practice, no source; within 25 %)', () => {
  const { fillerClusters } = recipeOf(garland(10));
  expect(Math.abs(fillerClusters / 20 - 1)).toBeLessThan(0.25);
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
      },
    ),
    { numRuns: 200 },
  );
});

/** An inch of width, and a tenth of the mix from one size to the other: what an owner does with a slider. */
test('no inch of width and no tenth of the mix takes more than 8 % or one balloon more, and no inch fewer', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 20 }),
      fc.integer({ min: 16, max: 48 }),
      fc.integer({ min: 1, max: 9 }),
      fc.constantFrom('free', 'wall'),
      fc.constantFrom('thin', 'usual', 'rich'),
      (feet, widthIn, tenths, backing, fullness) => {
        const at = (inches: number, small: number) =>
          baseOf(
            garland(feet, {
              widthM: inches * METRES_PER_INCH,
              sizes: mostly11.map((size, i) => ({ ...size, sharePct: i === 0 ? small : 100 - small })),
              backing: backing as 'free' | 'wall',
              fullness: fullness as 'thin',
              taper: 1,
            }),
          );
        const here = at(widthIn, tenths * 10);
        const wider = at(widthIn + 1, tenths * 10);
        expect(wider).toBeGreaterThanOrEqual(here);
        // The area of the outline itself grows by (1 + 1/W)².
        expect(wider / here).toBeLessThan(Math.max((1 + 1 / widthIn) ** 2 + 2 / here, 1.08));
        const mixed = at(widthIn, Math.min(95, tenths * 10 + 1));
        expect(Math.abs(mixed - here) / here).toBeLessThan(0.08);
      },
    ),
    { numRuns: 150 },
  );
});

test('clusters take up every balloon, of two neighbouring sizes; a size that is set is kept', () => {
  for (const widthIn of [18, 24, 27, 33, 44]) {
    const recipe = recipeOf(garland(11, { widthM: widthIn * METRES_PER_INCH, sizes: mostly11 }));
    const base = recipe.assemblies.filter(({ part }) => part === 'base');
    const held = base.reduce((sum, { size, count }) => sum + size * count, 0);
    expect(held).toBe(baseOf(garland(11, { widthM: widthIn * METRES_PER_INCH, sizes: mostly11 })));
    const sizes = base.map(({ size }) => size);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(9);
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(2);
  }
  for (const clusterSize of [2, 3, 9, 12, 16]) {
    const { assemblies, notes } = recipeOf(garland(11, { clusterSize }));
    const base = assemblies.filter(({ part }) => part === 'base');
    expect(base.map(({ size }) => size)).toEqual([clusterSize]);
    expect(notes.join(' ').includes('unwieldy')).toBe(clusterSize > 14);
  }
});

test('round a pole no cluster has fewer than four: two of its balloons are spread round it (common practice, no source)', () => {
  const standing = newPiece('standing-garland', {
    id: 'pole',
    name: 'On its stand',
    spot: { id: 'wall', widthM: 6, heightM: 3.3 },
    colours: ['chalk', 'lagoon'],
    seed: 1,
  });
  for (const widthM of [0.4, 0.45, 0.5, 0.55, 0.62]) {
    const { assemblies } = recipeOf({ ...standing, widthM } as Piece);
    const sizes = assemblies.filter(({ part }) => part === 'pole').map(({ size }) => size);
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(4);
  }
});

test('a wider outline is filled by clusters at the sides; a line of balloons is as narrow as it gets, and says so', () => {
  const wide = recipeOf(garland(12, { widthM: 1.2 }));
  expect(wide.sideClusters).toBeGreaterThan(0);
  expect(wide.visibleWidthM).toBe(1.2);
  const narrow = recipeOf(garland(12, { sizes: largeRoom, widthM: 0.15 }));
  expect(narrow.visibleWidthM).toBeGreaterThan(0.25);
  expect(narrow.notes.join(' ')).toContain('The width gave way');
});

test('tilting the mix meets a width between the extremes of the sizes', () => {
  const wanted = 24 * METRES_PER_INCH;
  const tilted = tiltToWidth(largeRoom, 5, wanted, 'free');
  expect(tightWidthM(5, tilted, 'free')).toBeCloseTo(wanted, 6);
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

describe('whatever is tied', () => {
  const counts = (piece: ReturnType<typeof garland>, role = 'base') => {
    const found = new Map<string, number>();
    for (const need of recipeOf(piece).needs.filter((one) => one.role === role)) {
      const key = `${need.nominalIn} ${need.colour}`;
      found.set(key, (found.get(key) ?? 0) + need.count);
    }
    return Object.fromEntries(found);
  };
  const total = (of: Record<string, number>) => Object.values(of).reduce((sum, count) => sum + count, 0);
  const drawn = (piece: ReturnType<typeof garland>, role: string) => {
    const found = new Map<string, number>();
    for (const ball of pictureOf(piece).balloons.filter((one) => one.role === role)) {
      const key = `${ball.nominalIn} ${ball.colour}`;
      found.set(key, (found.get(key) ?? 0) + 1);
    }
    return Object.fromEntries(found);
  };

  test('six pairs of one colour, two of the next, eight of the third, over and over: each cluster in its colour', () => {
    const piece = {
      ...garland(12),
      stretches: [
        { colour: 'chalk', clusterSize: 2, clusters: 6 },
        { colour: 'oat', clusterSize: 2, clusters: 2 },
        { colour: 'slate', clusterSize: 2, clusters: 8 },
      ],
    };
    const recipe = recipeOf(piece);
    const byColour = (colour: string) =>
      recipe.needs
        .filter((one) => one.role === 'base' && one.colour === colour)
        .reduce((sum, one) => sum + one.count, 0);
    const base = recipeOf(garland(12))
      .needs.filter(({ role }) => role === 'base')
      .reduce((sum, one) => sum + one.count, 0);
    const all = byColour('chalk') + byColour('oat') + byColour('slate');
    // As many as length and width ask for, filled up to the whole pair.
    expect(all - base).toBeGreaterThanOrEqual(0);
    expect(all - base).toBeLessThan(2);
    // By hand: of every round of 16 pairs 12, 4 and 16 balloons; what is left begins a new round.
    const [rounds, rest] = [Math.floor(all / 32), all % 32];
    expect(byColour('chalk')).toBe(rounds * 12 + Math.min(12, rest));
    expect(byColour('oat')).toBe(rounds * 4 + Math.min(4, Math.max(0, rest - 12)));
    expect(byColour('slate')).toBe(rounds * 16 + Math.max(0, rest - 16));
    expect(drawn(piece, 'base')).toEqual(counts(piece));
    expect(recipe.assemblies[0]).toMatchObject({ name: 'duplets', size: 2, count: all / 2 });
  });

  test('a colour is used only in the sizes it is said to come in, by its share in each', () => {
    const piece = {
      ...garland(12, { sizes: largeRoom }),
      colours: [
        {
          colour: 'chalk',
          sharePct: 50,
          inSizes: [
            { nominalIn: 11, sharePct: 50 },
            { nominalIn: 17, sharePct: 100 },
            { nominalIn: 5, sharePct: 100 },
          ],
        },
        { colour: 'brick', sharePct: 50, inSizes: [{ nominalIn: 11, sharePct: 50 }] },
      ],
    };
    const found = counts(piece);
    expect(found['17 brick']).toBeUndefined();
    expect(Math.abs((found['11 chalk'] as number) - (found['11 brick'] as number))).toBeLessThanOrEqual(1);
    expect(found['17 chalk']).toBeGreaterThan(0);
    expect(Object.keys(counts(piece, 'filler'))).toEqual(['5 chalk']);
    expect(drawn(piece, 'base')).toEqual(found);
    // The balloons in all are those of the same sizes in any colours.
    expect(total(found)).toBe(total(counts(garland(12, { sizes: largeRoom }))));
  });

  test('fillers: quads small and duplets large, folded from half as many larger balloons', () => {
    const plain = garland(10);
    const small = { ...plain.fillers, size: 4 };
    const large = {
      nominalIn: 9,
      inflatedIn: { min: 5, max: 8 },
      perM: plain.fillers.triosPerM / 2,
      size: 2,
    };
    const piece = { ...plain, fillers: small, largeFillers: large };
    const { assemblies, materials, fillerClusters } = recipeOf(piece);
    const trios = recipeOf(plain).fillerClusters;
    const quads = assemblies.find(({ name }) => name === 'filler quads of 5 in.')?.count as number;
    const duplets = assemblies.find(({ name }) => name === 'filler duplets of 9 in.')?.count as number;
    expect(quads).toBe(trios);
    expect(Math.abs(duplets - trios / 2)).toBeLessThanOrEqual(0.5);
    expect(fillerClusters).toBe(quads + duplets);
    expect(total(counts(piece, 'filler'))).toBe(4 * quads + 2 * duplets);
    expect(drawn(piece, 'filler')).toEqual(counts(piece, 'filler'));
    // A half 260 holds one at each end.
    const halves = materials.filter(
      ({ item, working }) => item === 'modelling-260' && working.label.startsWith('Halves'),
    );
    expect(halves.reduce((sum, { count }) => sum + count, 0)).toBe(
      Math.ceil(quads / 4) + Math.ceil(duplets / 4),
    );
    const folded = { ...plain, fillers: { ...plain.fillers, size: 2, foldedFromIn: 11 } };
    const pairs = recipeOf(folded).fillerClusters;
    const bought = counts(folded, 'filler');
    // One balloon makes a duplet; a colour with an odd half opens one more.
    expect(total(bought) - pairs).toBeGreaterThanOrEqual(0);
    expect(total(bought) - pairs).toBeLessThanOrEqual(folded.colours.length);
    expect(Object.keys(bought).every((key) => key.startsWith('11 '))).toBe(true);
    // Without a neck nothing is knotted: bands.
    const byNeck = recipeOf(folded, { fillerFixing: 'neck' }).materials.find(
      ({ item }) => item === 'rubber-band',
    );
    expect(byNeck?.count).toBe(pairs);
  });

  test('a base of trios is no filler: it is blown and twisted with the base', () => {
    const piece = {
      ...garland(10),
      clusterSize: 3 as const,
      fillers: { ...garland(10).fillers, triosPerM: 0 },
    };
    const { workshop } = demoJob('02-engine-shed');
    const batches = benchBatches(recipeOf(piece), schoolsOf(piece), workshop);
    expect(batches.some(({ id }) => id.startsWith('fillers'))).toBe(false);
  });
});

import fc from 'fast-check';
import { type CutPlace, partedInto, type SectionLimits } from './parted.ts';

const even = (kgPerM: number) => (atM: number) => kgPerM * atM;
const at = (...places: number[]): CutPlace[] => places.map((atM) => ({ atM, cost: 0 }));
const lengths = (parts: ReturnType<typeof partedInto>) => parts?.map(({ fromM, toM }) => toM - fromM);
const limits = (longestM: number, heaviestKg = 100): SectionLimits => ({ longestM, heaviestKg });

test('12 m in sections of 5 m at most: three, as even as the places let them be', () => {
  const parts = partedInto({
    lengthM: 12,
    massTo: even(0.3),
    places: at(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11),
    limits: limits(5),
  });
  expect(lengths(parts)).toEqual([4, 4, 4]);
});

test('a short garland stays whole; a heavy one is parted by its weight', () => {
  const places = at(1, 2, 3);
  expect(partedInto({ lengthM: 4, massTo: even(1), places, limits: limits(5) })).toEqual([
    { fromM: 0, toM: 4 },
  ]);
  expect(lengths(partedInto({ lengthM: 4, massTo: even(1), places, limits: limits(5, 2) }))).toEqual([2, 2]);
});

test('of equally few the joins that hide: behind a point rather than in the middle of nothing', () => {
  const places = [
    { atM: 2, cost: 1 },
    { atM: 3, cost: 0 },
  ];
  expect(lengths(partedInto({ lengthM: 4, massTo: even(1), places, limits: limits(3.5) }))).toEqual([3, 1]);
});

test('cuts by hand stay, others come where they are needed; too far apart there is no way', () => {
  const places = at(2, 4, 6);
  const parted = (byHand: number[], longestM: number) =>
    lengths(partedInto({ lengthM: 8, massTo: even(1), places, limits: limits(longestM), byHand }));
  expect(parted([1], 8)).toEqual([1, 7]);
  expect(parted([1], 4)).toEqual([1, 3, 4]);
  expect(parted([1, 7], 6)).toEqual([1, 6, 1]);
  expect(parted([], 1.9)).toBeUndefined();
});

test('never more sections than any choice of cuts needs, nor joins that show more', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ atM: fc.integer({ min: 1, max: 19 }), cost: fc.constantFrom(0, 0.5, 1) }), {
        maxLength: 8,
      }),
      fc.integer({ min: 2, max: 12 }),
      fc.integer({ min: 2, max: 14 }),
      (places, longestM, heaviestKg) => {
        // The first half is twice as heavy as the second.
        const massTo = (atM: number) => (atM <= 10 ? atM : 10 + (atM - 10) / 2);
        const found = partedInto({ lengthM: 20, massTo, places, limits: { longestM, heaviestKg } });
        let fewest: [sections: number, shows: number] | undefined;
        for (let set = 0; set < 2 ** places.length; set++) {
          const chosen = places.filter((_, i) => set & (2 ** i)).sort((a, b) => a.atM - b.atM);
          const ends = [0, ...chosen.map(({ atM }) => atM), 20];
          const fits = ends.slice(1).every((to, i) => {
            const from = ends[i] as number;
            return to > from && to - from <= longestM && massTo(to) - massTo(from) <= heaviestKg;
          });
          if (!fits) continue;
          const tried: [number, number] = [ends.length - 1, chosen.reduce((sum, { cost }) => sum + cost, 0)];
          if (!fewest || tried[0] < fewest[0] || (tried[0] === fewest[0] && tried[1] < fewest[1]))
            fewest = tried;
        }
        const costOf = (toM: number) =>
          Math.min(
            ...places.filter(({ atM }) => atM === toM).map(({ cost }) => cost),
            toM === 20 ? 0 : Infinity,
          );
        expect(found && [found.length, found.reduce((sum, { toM }) => sum + costOf(toM), 0)]).toEqual(fewest);
      },
    ),
    { numRuns: 300 },
  );
});

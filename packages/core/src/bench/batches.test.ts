import type { Grade, Rate, RateKey, Schools, WorkshopSettings } from '@early-lantern/contract';
import type { Assembly, Need, Recipe } from '../piece/recipe.ts';
import { settledSchools } from '../piece/recipe.ts';
import { demoJob } from '../test/samples.ts';
import { bagHolds } from './batch.ts';
import { benchBatches, benchMinutes } from './bench.ts';
import { inflateUnits } from './inflate.ts';

/** Rates of round numbers, so that every sum below is done in the head. */
const SECONDS: Partial<Record<RateKey, number>> = {
  'duplet-5': 8,
  'duplet-11': 10,
  'duplet-17': 20,
  'single-24': 50,
  'single-36': 90,
  'twist-quad': 5,
  'string-260': 7,
  'template-check': 1,
  'fix-filler': 9,
  'fold-duplet': 3,
  'stuff-balloon': 4,
  'top-up-kept': 6,
  'tie-bunch': 11,
  'thread-letter': 12,
  'fill-helium': 100,
  'bag-section': 60,
};
const rates = Object.fromEntries(
  Object.entries(SECONDS).map(([key, s]): [string, Rate] => [key, { quickS: s, usualS: s, slowS: s }]),
);
const { workshop } = demoJob('02-engine-shed');
const settings = (more: Partial<WorkshopSettings> = {}): WorkshopSettings => ({
  ...workshop,
  rates: rates as WorkshopSettings['rates'],
  ...more,
});

const need = (nominalIn: number, count: number, more: Partial<Need> = {}): Need => ({
  role: 'base',
  nominalIn,
  inflatedIn: { min: nominalIn - 2, max: nominalIn - 1 },
  colour: 'lagoon',
  count,
  cluster: 'quads',
  ...more,
});
const quads = (count: number, more: Partial<Assembly> = {}): Assembly => ({
  name: 'quads',
  size: 4,
  count,
  part: 'base',
  make: 'twist-quad',
  join: 'string-260',
  joinAt: 'bench',
  ...more,
});
const trios = (count: number, more: Partial<Assembly> = {}): Assembly => ({
  name: 'filler trios',
  size: 3,
  count,
  part: 'fillers',
  make: 'twist-quad',
  join: undefined,
  joinAt: 'bench',
  ...more,
});

interface Given {
  needs: Need[];
  assemblies?: Assembly[];
  schools?: Partial<Schools>;
  more?: Partial<WorkshopSettings>;
  grade?: Grade;
  sections?: number[];
}

/** Id, seconds of one person, where, and after what: every batch as a row. */
function rows({ needs, assemblies = [], schools = {}, more, grade, sections = [1] }: Given) {
  const recipe = { needs, assemblies, sections } as unknown as Recipe;
  return benchBatches(recipe, settledSchools(schools, undefined), settings(more), grade).map(
    ({ id, effort, place, after }) => [id, Number(effort.seconds.toFixed(3)), place, after.join(' ')],
  );
}
const labels = ({ needs, assemblies = [], schools = {}, more }: Given) =>
  benchBatches(
    { needs, assemblies, sections: [1] } as unknown as Recipe,
    settledSchools(schools, undefined),
    settings(more),
  ).map(({ label }) => label);

const fillers = need(5, 30, { role: 'filler', cluster: 'filler trios' });

test.each<[what: string, Given, rows: [string, number, string, string][]]>([
  ['nothing', { needs: [] }, []],
  [
    'forty in ten quads: twenty duplets, ten twists and strings, one bag',
    { needs: [need(11, 40)], assemblies: [quads(10)] },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-11'],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'two sizes, the larger first; a duplet of 17 in. takes longer; two sections, two bags',
    { needs: [need(11, 30), need(17, 10)], assemblies: [quads(10)], sections: [0.5, 0.5] },
    [
      ['inflate-17', 100, 'workshop', ''],
      ['inflate-11', 150, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-17 inflate-11'],
      ['bag', 120, 'workshop', 'cluster'],
    ],
  ],
  [
    'joined on site: only twisted at the bench',
    { needs: [need(11, 40)], assemblies: [quads(10, { joinAt: 'site' })] },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['cluster', 50, 'workshop', 'inflate-11'],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'neither twisted nor strung here: nothing between blowing and bagging',
    { needs: [need(11, 40)], assemblies: [quads(10, { make: undefined, joinAt: 'site' })] },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['bag', 60, 'workshop', 'inflate-11'],
    ],
  ],
  [
    'through a template every duplet is checked',
    { needs: [need(11, 40)], assemblies: [quads(10)], schools: { sizing: 'template' } },
    [
      ['inflate-11', 220, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-11'],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'fillers by themselves: fifteen duplets of 5 in. and ten trios',
    { needs: [need(11, 40), fillers], assemblies: [quads(10), trios(10)] },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-11'],
      ['fillers-5', 170, 'workshop', ''],
      ['bag', 60, 'workshop', 'cluster fillers-5'],
    ],
  ],
  [
    'fillers fixed on finished sections at the bench',
    { needs: [need(11, 40), fillers], assemblies: [quads(10), trios(10, { join: 'fix-filler' })] },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-11'],
      ['fillers-5', 170, 'workshop', ''],
      ['fix-fillers', 90, 'workshop', 'cluster fillers-5'],
      ['bag', 60, 'workshop', 'fix-fillers'],
    ],
  ],
  [
    'fillers blown on site: what is fixed with them is fixed there',
    {
      needs: [need(11, 40), fillers],
      assemblies: [quads(10), trios(10, { join: 'fix-filler' })],
      schools: { inflatedAt: 'fillers-on-site' },
    },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-11'],
      ['fillers-5', 170, 'site', ''],
      ['fix-fillers', 90, 'site', 'cluster fillers-5'],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'all on site: no bag',
    { needs: [need(11, 40)], assemblies: [quads(10)], schools: { inflatedAt: 'site' } },
    [
      ['inflate-11', 200, 'site', ''],
      ['cluster', 120, 'site', 'inflate-11'],
    ],
  ],
  [
    'pairs tied in the workshop, twisted where they go up',
    { needs: [need(11, 40)], assemblies: [quads(10)], schools: { inflatedAt: 'pairs-in-workshop' } },
    [
      ['inflate-11', 200, 'workshop', ''],
      ['cluster', 120, 'site', 'inflate-11'],
      ['bag', 60, 'workshop', 'inflate-11'],
    ],
  ],
  [
    'two sizes of cluster made in one go',
    {
      needs: [need(11, 44)],
      assemblies: [quads(6), quads(4, { name: 'five-clusters', size: 5, withBefore: true })],
    },
    [
      ['inflate-11', 220, 'workshop', ''],
      ['cluster', 120, 'workshop', 'inflate-11'],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'ten double-stuffed: both blown, one put inside the other',
    {
      needs: [need(11, 10, { cluster: 'quads, double-stuffed' }), need(11, 10, { cluster: 'quads, inside' })],
      assemblies: [],
    },
    [
      ['inflate-11', 100, 'workshop', ''],
      ['stuff', 40, 'workshop', ''],
      ['bag', 60, 'workshop', 'inflate-11 stuff'],
    ],
  ],
  [
    'ten folded in two',
    { needs: [need(11, 10, { cluster: 'quads, folded in two' })] },
    [
      ['inflate-11', 50, 'workshop', ''],
      ['fold', 30, 'workshop', ''],
      ['bag', 60, 'workshop', 'inflate-11 fold'],
    ],
  ],
  [
    'kept ones are topped up, the others blown, all twisted',
    { needs: [need(11, 16, { isKept: true }), need(11, 24)], assemblies: [quads(10)] },
    [
      ['top-up', 96, 'workshop', ''],
      ['inflate-11', 120, 'workshop', ''],
      ['cluster', 120, 'workshop', 'top-up inflate-11'],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'helium is filled in the course of being made',
    {
      needs: [need(11, 6, { cluster: 'helium bouquets' })],
      assemblies: [
        quads(2, {
          name: 'helium bouquets',
          size: 3,
          part: 'bouquets',
          make: 'fill-helium',
          join: undefined,
        }),
      ],
    },
    [
      ['cluster', 200, 'workshop', ''],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'letters without a balloon are threaded',
    {
      needs: [],
      assemblies: [
        quads(5, { name: 'letters', size: 0, part: 'letters', make: 'thread-letter', join: undefined }),
      ],
    },
    [
      ['cluster', 60, 'workshop', ''],
      ['bag', 60, 'workshop', 'cluster'],
    ],
  ],
  [
    'filler duplets folded from a larger balloon: half as many are blown, each pinched once',
    {
      needs: [need(9, 20, { role: 'filler', cluster: 'filler duplets, folded' })],
      assemblies: [trios(20, { name: 'filler duplets, folded', size: 2, make: undefined })],
    },
    [
      ['fillers-9', 160, 'workshop', ''],
      ['bag', 60, 'workshop', 'fillers-9'],
    ],
  ],
])('%s', (_, given, wanted) => expect(rows(given)).toEqual(wanted));

test('what each batch is called', () => {
  expect(
    labels({
      needs: [need(11, 44), fillers, need(11, 2, { cluster: 'quads, inside' })],
      assemblies: [
        quads(6),
        quads(4, { name: 'five-clusters', size: 5, withBefore: true }),
        trios(10, { join: 'fix-filler' }),
        quads(3, { name: 'bunches', size: 3, part: 'bunches', make: 'tie-bunch', join: undefined }),
        quads(2, { name: 'rings', part: 'strings', make: undefined }),
      ],
    }),
  ).toEqual([
    'Inflate 46 of 11 in.',
    'Put balloons inside others: 2',
    'Twist and string 6 quads and 4 clusters of 5',
    'Tie 3 bunches',
    'String 2 rings',
    'Fillers: 10 trios of 5 in., 1 bag',
    'Fix 10 trios on the finished sections',
    'Bag and label it',
  ]);
});

test('what pops more often than professional stock is blown again: budget grade, by (1 − 0.025) / (1 − loss)', () => {
  const [inflate] = benchBatches(
    { needs: [need(11, 40)], assemblies: [], sections: [1] } as unknown as Recipe,
    settledSchools({}, undefined),
    settings({ colours: workshop.colours.map((one) => ({ ...one, lossPct: 22 })) }),
  );
  expect(inflate?.effort.seconds).toBeCloseTo((200 * 97.5) / 78, 6);
  expect(inflate?.effort.spread.slowS).toBeCloseTo((200 * 97.5) / 78, 6);
  expect(inflate?.effort.working.at(-1)?.inputs.map(({ value }) => value)).toEqual([22, 2.5]);
});

test('no go lasts over 45 minutes; each further run of the same is 5 % slower, for hands tire', () => {
  // 1200 of 11 in. are 600 duplets of ten seconds, 100 minutes: three runs of 400, 2000 s each.
  const found = rows({ needs: [need(11, 1200)] });
  expect(found).toEqual([
    ['inflate-11-1', 2000, 'workshop', ''],
    ['inflate-11-2', 2100, 'workshop', ''],
    ['inflate-11-3', 2200, 'workshop', ''],
    ['bag', 60, 'workshop', 'inflate-11-1 inflate-11-2 inflate-11-3'],
  ]);
  expect(labels({ needs: [need(11, 1200)] })[1]).toBe('Inflate 400 of 11 in.');
});

test('fillers are cut so that all but the last go fill whole bags', () => {
  // A ball of 4 in. is 0.549 l: of a bag of 10 l so many loose ones fill six tenths, in whole trios.
  expect(bagHolds(4, 0.01)).toBe(Math.floor((0.6 * 10) / 0.5491 / 3) * 3);
  expect(bagHolds(36, 0.01, 3)).toBe(3);
  const each = bagHolds(4, 0.01);
  const many = need(5, 1200, { role: 'filler', cluster: 'filler trios' });
  const batches = benchBatches(
    { needs: [many], assemblies: [trios(400)], sections: [1] } as unknown as Recipe,
    settledSchools({}, undefined),
    settings({ bagM3: 0.01 }),
  ).filter(({ id }) => id.startsWith('fillers'));
  // 1200 are 600 duplets of 8 s and 400 trios of 5 s: 6800 s, three goes and a bit under 2700 s each.
  expect(batches.map(({ id }) => id)).toEqual(['fillers-5-1', 'fillers-5-2', 'fillers-5-3']);
  const counts = batches.map(({ blows }) => blows?.count ?? 0);
  expect(counts.reduce((sum, count) => sum + count, 0)).toBe(1200);
  for (const count of counts.slice(0, -1)) expect(count % each).toBe(0);
  for (const { effort } of batches) expect(effort.seconds).toBeLessThanOrEqual(2700);
  expect(batches.every(({ blows, needsInflator }) => blows?.isFiller && needsInflator)).toBe(true);
});

test('what blows air says how much: balls of their largest diameter', () => {
  const [blow, tie] = benchBatches(
    { needs: [need(11, 40)], assemblies: [quads(10)], sections: [1] } as unknown as Recipe,
    settledSchools({}, undefined),
    settings(),
  );
  // π/6 · (10 in.)³ = 523.6 cu in = 8.580 l.
  expect(blow).toMatchObject({
    needsInflator: true,
    skill: 'tying',
    blows: { nominalIn: 11, count: 40, isFiller: false },
  });
  expect(blow?.litres).toBeCloseTo(40 * 8.58, 1);
  expect(tie).toMatchObject({ needsInflator: false, skill: 'tying' });
  expect(benchMinutes([blow, tie] as NonNullable<typeof blow>[])).toBeCloseTo(320 / 60, 9);
});

// Two at a time up to 19 in., one by one above; an odd one takes as long as a pair.
test.each([
  [5, 9, 'duplet-5', 5],
  [7.9, 2, 'duplet-5', 1],
  [8, 2, 'duplet-11', 1],
  [12, 8, 'duplet-11', 4],
  [14, 3, 'duplet-11', 2],
  [15, 3, 'duplet-17', 2],
  [19, 7, 'duplet-17', 4],
  [20, 7, 'single-24', 7],
  [29, 1, 'single-24', 1],
  [30, 2, 'single-36', 2],
] as const)('%d in., %d of them: %s × %d', (nominalIn, count, key, units) =>
  expect(inflateUnits(nominalIn, count)).toEqual({ key, units }),
);

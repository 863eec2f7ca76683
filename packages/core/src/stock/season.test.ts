import type { JobUse, OnOrder, StockRow, WorkshopSettings } from '@early-lantern/contract';
import fc from 'fast-check';
import { demoJob } from '../test/samples.ts';
import { firstCome } from './held.ts';
import { movementsBack, movementsOfUse, onShelf, ordersAfter, shelfAfter } from './ledger.ts';
import { fewestOf, purchasesOf } from './purchases.ts';
import { handOut, type ShelfWants } from './season.ts';

const { workshop } = demoJob('01-meadow-finish');
const [first, second] = workshop.colours.map(({ id }) => id) as [string, string];
const PRODUCTS = [
  { nominalIn: 11, colour: first },
  { nominalIn: 12, colour: first },
  { nominalIn: 17, colour: second },
];
const day = (n: number) => new Date(Date.UTC(2027, 5, 1) + n * 86_400_000).toISOString().slice(0, 10);

const settings = (more: Partial<WorkshopSettings>): WorkshopSettings => ({
  ...workshop,
  stock: [],
  onOrder: [],
  suppliers: [],
  packs: [
    { nominalIn: 11, count: 15, price: 4 },
    { nominalIn: 11, count: 40, price: 9 },
    { nominalIn: 12, count: 25, price: 6 },
    { nominalIn: 17, count: 5, price: 5 },
    { nominalIn: 17, count: 12, price: 11 },
  ],
  ...more,
});

/** The season as somebody with an exercise book would keep it: a heap for each delivery, the oldest taken first. */
function byHand(jobs: readonly ShelfWants[], stock: readonly StockRow[], onOrder: readonly OnOrder[]) {
  const heaps = [
    ...stock.map(({ onHand, ...product }) => ({ ...product, left: onHand, from: '' })),
    ...onOrder.map(({ nominalIn, colour, count, arrives }) => ({
      nominalIn,
      colour,
      left: count,
      from: arrives,
    })),
  ].sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0));
  return jobs.map(({ wanted, balloons }) => {
    const take = (size: number, colour: string, most: number) => {
      let got = 0;
      for (const heap of heaps) {
        if (heap.nominalIn !== size || heap.colour !== colour || heap.from > wanted) continue;
        const taken = Math.min(heap.left, most - got);
        heap.left -= taken;
        got += taken;
      }
      return got;
    };
    const short = balloons.map((row) => row.count - take(row.nominalIn, row.colour, row.count));
    // Twelves for elevens and the other way round, once everybody has had of their own size.
    return balloons.map(({ nominalIn, colour }, i) => {
      const mate = nominalIn === 11 ? 12 : nominalIn === 12 ? 11 : undefined;
      return (short[i] as number) - (mate ? take(mate, colour, short[i] as number) : 0);
    });
  });
}

interface Step {
  kind: 'plan' | 'move' | 'delete' | 'order' | 'receive' | 'use' | 'take-back' | 'return' | 'count';
  n: number;
  m: number;
}
const step: fc.Arbitrary<Step> = fc.record({
  kind: fc.constantFrom(
    'plan',
    'plan',
    'move',
    'delete',
    'order',
    'receive',
    'receive',
    'use',
    'take-back',
    'return',
    'count',
  ),
  n: fc.nat(1000),
  m: fc.nat(60),
});

/** Today moves on as the season does. */
function season(
  steps: readonly Step[],
  check: (now: { jobs: ShelfWants[]; shop: WorkshopSettings; today: string }) => void,
) {
  let jobs: ShelfWants[] = [];
  let shop = settings({ stock: PRODUCTS.map((product) => ({ ...product, onHand: 60 })) });
  const used: { id: string; use: JobUse }[] = [];
  let counted = 180; // What came and went, counted along.
  const moved = (change: number) => {
    counted += change;
  };
  let made = 0;
  steps.forEach(({ kind, n, m }, at) => {
    const today = day(Math.floor(at / 2));
    const one = jobs[n % Math.max(1, jobs.length)];
    const product = PRODUCTS[n % PRODUCTS.length] as (typeof PRODUCTS)[number];
    const order = (shop.onOrder ?? [])[n % Math.max(1, shop.onOrder?.length ?? 0)];
    const dated = (id: string, n: number) => ({
      id,
      name: id,
      wanted: day(Math.floor(at / 2) + (n % 30)),
      doors: `${day(Math.floor(at / 2) + (n % 30) + 1)}T18:00:00Z`,
    });
    if (kind === 'plan' && made < 40) {
      const balloons = PRODUCTS.slice(n % 2).map((p, i) => ({ ...p, count: 1 + ((n * (i + 3)) % (m + 5)) }));
      jobs.push({ ...dated(`job-${made++}`, n), balloons });
    } else if (kind === 'move' && one)
      jobs = jobs.map((job) => (job === one ? { ...job, ...dated(job.id, n + m) } : job));
    else if (kind === 'delete' && one) jobs = jobs.filter((job) => job !== one);
    else if (kind === 'order') {
      const lacks = handOut([...jobs].sort(firstCome), shop).flatMap((handed) => handed.lacks);
      const bought = purchasesOf(lacks, shop, today).filter(({ isTooLate }) => !isTooLate);
      const orders = bought.map((b, i) => ({
        id: `o-${at}-${i}`,
        nominalIn: b.nominalIn,
        colour: b.colour,
        count: b.cover.balloons,
        arrives: b.arrives as string,
      }));
      shop = { ...shop, onOrder: [...(shop.onOrder ?? []), ...orders] };
      // Ordered once, nothing of it is asked for again.
      const again = handOut([...jobs].sort(firstCome), shop).flatMap((handed) => handed.lacks);
      expect(purchasesOf(again, shop, today).filter(({ isTooLate }) => !isTooLate)).toEqual([]);
    } else if (kind === 'receive' && order) {
      // Short, in parts, or more than was ordered.
      const count = Math.max(1, Math.round((order.count * m) / 40));
      moved(count);
      shop = {
        ...shop,
        onOrder: ordersAfter(shop.onOrder ?? [], order.id, { count, isLast: n % 3 === 0 }),
        stock: shelfAfter(shop.stock, { ...order, kind: 'received', change: count, note: '' }),
      };
    } else if (kind === 'use' && one) {
      const use: JobUse = {
        balloons: one.balloons.map(({ count, ...p }) => ({ ...p, used: count, popped: m % 3 })),
        materials: [],
      };
      const before = shop.stock;
      for (const movement of movementsOfUse(one.id, '', use, shop.stock))
        shop = { ...shop, stock: shelfAfter(shop.stock, movement) };
      for (const { used: hung, popped, ...p } of use.balloons)
        moved(-Math.min(hung + popped, onShelf(before, p)));
      used.push({ id: one.id, use });
      jobs = jobs.filter((job) => job !== one);
    } else if (kind === 'take-back' && used.length > 0) {
      const { id, use } = used.pop() as (typeof used)[number];
      for (const movement of movementsBack(id, '', use))
        shop = { ...shop, stock: shelfAfter(shop.stock, movement) };
      for (const { used: hung, popped } of use.balloons) moved(hung + popped);
    } else if (kind === 'return') {
      moved(m);
      shop = {
        ...shop,
        stock: shelfAfter(shop.stock, { ...product, kind: 'returned', change: m, note: '' }),
      };
    } else if (kind === 'count') {
      moved(m - onShelf(shop.stock, product));
      shop = {
        ...shop,
        stock: shop.stock.map((row) =>
          row.colour === product.colour && row.nominalIn === product.nominalIn ? { ...row, onHand: m } : row,
        ),
      };
    }
    expect(shop.stock.reduce((sum, { onHand }) => sum + onHand, 0)).toBe(counted);
    expect(Math.min(...shop.stock.map(({ onHand }) => onHand))).toBeGreaterThanOrEqual(0);
    check({ jobs: [...jobs].sort(firstCome), shop, today });
  });
}

test('through a season of 40 jobs shelf, holds, shortages and buy list are those of an exercise book', () => {
  fc.assert(
    fc.property(fc.array(step, { minLength: 60, maxLength: 120 }), (steps) => {
      season(steps, ({ jobs, shop, today }) => {
        const handed = handOut(jobs, shop);
        const lacking = byHand(jobs, shop.stock, shop.onOrder ?? []);
        jobs.forEach(({ balloons }, i) => {
          const lack = balloons.map(
            (row) =>
              handed[i]?.lacks.find((one) => one.nominalIn === row.nominalIn && one.colour === row.colour)
                ?.count ?? 0,
          );
          expect(lack).toEqual(lacking[i]);
        });
        const yesterday = new Date(Date.parse(today) - 86_400_000).toISOString().slice(0, 10);
        const lacks = handed.flatMap((one) => one.lacks).filter(({ wanted }) => wanted >= yesterday);
        const bought = purchasesOf(lacks, shop, today);
        for (const product of PRODUCTS) {
          const isIt = (row: { nominalIn: number; colour: string }) =>
            row.nominalIn === product.nominalIn && row.colour === product.colour;
          // By every day enough has been bought for the jobs up to it; and each job is given what it lacks, once.
          for (const { wanted } of lacks.filter(isIt)) {
            const total = (counts: number[]) => counts.reduce((sum, count) => sum + count, 0);
            const missing = total(
              lacks.filter((row) => isIt(row) && row.wanted <= wanted).map(({ count }) => count),
            );
            const packs = total(
              bought.filter((row) => isIt(row) && row.wanted <= wanted).map(({ cover }) => cover.balloons),
            );
            expect(packs).toBeGreaterThanOrEqual(missing);
          }
          const given = bought.filter(isIt).flatMap((one) => one.jobs);
          for (const { name } of jobs)
            expect(given.filter(({ job }) => job === name).reduce((sum, { count }) => sum + count, 0)).toBe(
              lacks
                .filter(isIt)
                .filter(({ job }) => job === name)
                .reduce((sum, { count }) => sum + count, 0),
            );
        }
      });
    }),
    { numRuns: 10 },
  );
});

test('over all jobs together the packs are the cheapest there are (every other choice tried)', () => {
  const counts = fc.array(fc.integer({ min: 1, max: 25 }), { minLength: 1, maxLength: 4 });
  const offered = fc.uniqueArray(
    fc.record({ count: fc.integer({ min: 3, max: 20 }), price: fc.integer({ min: 1, max: 20 }) }),
    {
      minLength: 1,
      maxLength: 3,
      selector: ({ count }) => count,
    },
  );
  fc.assert(
    fc.property(counts, offered, (missing, packs) => {
      const shop = settings({ packs: packs.map((pack) => ({ ...pack, nominalIn: 11 })) });
      const lacks = missing.map((count, i) => ({
        job: `job ${i}`,
        wanted: day(10 + 5 * i),
        nominalIn: 11,
        colour: first,
        count,
      }));
      const bought = purchasesOf(lacks, shop, day(0));
      const total = missing.reduce((sum, count) => sum + count, 0);
      let cheapest = Number.POSITIVE_INFINITY;
      const search = (i: number, have: number, cost: number) => {
        const pack = packs[i];
        if (!pack) {
          if (have >= total) cheapest = Math.min(cheapest, cost);
          return;
        }
        for (let times = 0; times * pack.count <= total + pack.count; times++)
          search(i + 1, have + times * pack.count, cost + times * pack.price);
      };
      search(0, 0, 0);
      expect(bought.reduce((sum, { cover }) => sum + (cover.price as number), 0)).toBe(cheapest);
    }),
  );
});

test('what a pack leaves over goes to the next job, and is not bought again', () => {
  const shop = settings({});
  const lack = (job: string, n: number, count: number) => ({
    job,
    wanted: day(n),
    nominalIn: 11,
    colour: first,
    count,
  });
  // By hand: 35 in all are dearest as 15s (3 × 4 = 12), cheapest as one 40 (9); it is bought for the first.
  const bought = purchasesOf([lack('B', 20, 25), lack('A', 10, 10)], shop, day(0));
  expect(bought).toMatchObject([
    {
      wanted: day(10),
      cover: { balloons: 40, surplus: 5, price: 9 },
      jobs: [
        { job: 'A', count: 10 },
        { job: 'B', count: 25 },
      ],
    },
  ]);
  // 55 in all: a 40 and a 15 (13) beat two 40s (18). The 15 will do for A, the 40 waits.
  expect(
    purchasesOf([lack('A', 10, 10), lack('B', 20, 45)], shop, day(0)).map((one) => [
      one.wanted,
      one.cover.balloons,
      one.cover.surplus,
    ]),
  ).toEqual([
    [day(10), 15, 0],
    [day(20), 40, 0],
  ]);
  expect(
    fewestOf(
      [
        { pack: { nominalIn: 11, count: 15 }, times: 2 },
        { pack: { nominalIn: 11, count: 40 }, times: 1 },
      ],
      28,
    ),
  ).toEqual([2, 0]);
  expect(() => fewestOf([{ pack: { nominalIn: 11, count: 15 }, times: 1 }], 16)).toThrow(RangeError);
});

test('nothing is bought for a job whose doors have opened; for one of today it still is', () => {
  const lack = (wanted: string) => ({ job: wanted, wanted, nominalIn: 11, colour: first, count: 3 });
  const lacks = [day(3), day(4), day(5)].map(lack);
  expect(purchasesOf(lacks, settings({}), day(5)).flatMap(({ jobs }) => jobs.map(({ job }) => job))).toEqual([
    day(4),
    day(5),
  ]);
});

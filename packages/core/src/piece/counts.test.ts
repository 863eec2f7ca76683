import type { Grade, Piece, Plan, WorkshopSettings } from '@early-lantern/contract';
import { draftPlan } from '../plan.ts';
import { productNeeds } from '../stock/needs.ts';
import { demoJob, garland } from '../test/samples.ts';
import { balloonsOf, lotsOf, pieceLetter, totalBalloons } from './counts.ts';
import type { Need } from './recipe.ts';

const { workshop } = demoJob('01-meadow-finish');
/** Without a top-up for the site, so that spares are the binomial's alone. */
const bare: WorkshopSettings = {
  ...workshop,
  sizes: [5, 11, 17, 36].map((nominalIn) => ({
    nominalIn,
    blowIn: { min: 3, max: nominalIn },
    massG: 3,
    topUpPct: 0,
  })),
};

const need = (
  nominalIn: number,
  colour: string,
  count: number,
  max = nominalIn - 1,
  cluster = 'quads',
): Need => ({ role: 'base', nominalIn, inflatedIn: { min: max - 3, max }, colour, count, cluster });

const needs = [
  need(11, 'lagoon', 20),
  need(11, 'chalk', 10),
  need(5, 'lagoon', 9, 4, 'trios'),
  need(11, 'lagoon', 4),
];
const lots = (of: Need[], grade: Grade = 'professional', settings = bare, sections = [1]) =>
  lotsOf([{ piece: garland(10, { grade }), recipe: { needs: of, sections } }], settings)[0] ?? [];

test('alike balloons are one lot, the largest first, lettered by piece', () => {
  const found = lots(needs);
  expect(found.map((lot) => [lot.id, lot.nominalIn, lot.colour, lot.count, lot.cluster])).toEqual([
    ['A1', 11, 'lagoon', 24, 'quads'],
    ['A2', 11, 'chalk', 10, 'quads'],
    ['A3', 5, 'lagoon', 9, 'trios'],
  ]);
  expect([0, 25, 26, 701, 702].map(pieceLetter)).toEqual(['A', 'Z', 'AA', 'ZZ', 'AAA']);
});

test('what goes into the bags of the sections adds up to the lot', () => {
  const [lot] = lots([need(11, 'lagoon', 25)], 'professional', bare, [0.5, 0.3, 0.2]);
  expect(lot?.perSection.reduce((a, b) => a + b, 0)).toBe(25);
  expect(lot?.perSection[0]).toBeGreaterThan(lot?.perSection[2] as number);
  expect(lot?.bags).toEqual(['A-1', 'A-2', 'A-3']);
});

test('spares follow from quality and confidence; a product’s own loss goes before its grade', () => {
  const sum = (grade: Grade, settings = bare) =>
    lots(needs, grade, settings).reduce((all, { spare }) => all + spare, 0);
  expect(sum('budget')).toBeGreaterThan(sum('standard'));
  expect(sum('standard')).toBeGreaterThan(sum('professional'));
  expect(sum('professional', { ...bare, spareTargetPct: 80 })).toBeLessThan(sum('professional'));
  const blotchy = {
    ...bare,
    colours: bare.colours.map((one) => (one.id === 'chalk' ? { ...one, lossPct: 25 } : one)),
  };
  const chalk = (settings: WorkshopSettings) =>
    lots(needs, 'professional', settings).find(({ colour }) => colour === 'chalk')?.spare as number;
  // Ten that lose one in four: 14 of them leave ten good ones in 90 of 100 cases only (binomial, by hand).
  expect(chalk(blotchy)).toBeGreaterThan(4);
  expect(chalk(bare)).toBeLessThan(3);
});

test('a spare serves every lot, cluster and diameter of its product: cut in ten lots it takes no more', () => {
  const whole = [need(11, 'lagoon', 200), need(5, 'lagoon', 60, 4, 'trios')];
  const cut = [
    ...Array.from({ length: 10 }, (_, i) => need(11, 'lagoon', 20, 8 + (i % 2), `cluster ${i}`)),
    ...Array.from({ length: 3 }, (_, i) => need(5, 'lagoon', 20, 4, `cluster ${i}`)),
  ];
  const sums = (of: Need[], nominalIn: number) =>
    lots(of)
      .filter((lot) => lot.nominalIn === nominalIn)
      .reduce((all, { spare }) => all + spare, 0);
  expect([sums(cut, 11), sums(cut, 5)]).toEqual([sums(whole, 11), sums(whole, 5)]);
  // Over two pieces of one quality as well.
  const half = { piece: garland(10), recipe: { needs: [need(11, 'lagoon', 100)], sections: [1] } };
  const apart = lotsOf([half, half], bare).flat();
  const together = lots([need(11, 'lagoon', 200)]);
  expect(apart.reduce((all, { spare }) => all + spare, 0)).toBe(together[0]?.spare);
});

test('of the spares enough are at hand on site; a specialty item has one at least, or a plan B', () => {
  const topped = (topUpPct: number) =>
    ({ ...bare, sizes: bare.sizes?.map((size) => ({ ...size, topUpPct })) }) as WorkshopSettings;
  const spares = (topUpPct: number) =>
    lots([need(11, 'lagoon', 200)], 'professional', topped(topUpPct))[0]?.spare as number;
  // What is lost in making is more than two in a hundred already; of one in ten, twenty are wanted on site.
  expect(spares(2)).toBe(spares(0));
  expect(spares(10)).toBe(20);
  const big = (planB: string): Piece => ({
    kind: 'accent',
    id: 'moon',
    name: 'Moon',
    spotId: 'wall',
    grade: 'professional',
    at: { xM: 1, yM: 1 },
    count: 1,
    look: { what: 'foil', shape: 'disc', text: '', sizeIn: 18, colour: 'chalk' },
    planB,
  });
  const spare = (planB: string) =>
    lotsOf([{ piece: big(planB), recipe: { needs: [need(36, 'chalk', 1)], sections: [1] } }], {
      ...bare,
      spareTargetPct: 90,
    })[0]?.[0]?.spare;
  expect(spare('')).toBe(1);
  expect(spare('a cluster in its place')).toBe(0);
});

test('what the pieces need adds up; what the shelf lacks comes first', () => {
  const rows = balloonsOf(lots(needs));
  const total = totalBalloons([{ balloons: rows }, { balloons: rows }]);
  expect(total[0]).toMatchObject({ need: 48, spare: 2 * (rows[0]?.spare ?? 0) });
  const shelf = {
    stock: [
      { nominalIn: 11, colour: 'lagoon', onHand: 100 },
      { nominalIn: 5, colour: 'lagoon', onHand: 4 },
    ],
  };
  const products = productNeeds(total, shelf, '2027-06-18');
  expect(products.map((product) => [product.nominalIn, product.colour])).toEqual([
    [11, 'chalk'],
    [5, 'lagoon'],
    [11, 'lagoon'],
  ]);
  expect(products[0]?.over).toBe(-(products[0]?.need ?? 0) - (products[0]?.spare ?? 0));
});

test('what other jobs hold is not there; orders count from the day they arrive', () => {
  const rows = balloonsOf(lots([need(11, 'lagoon', 20)]));
  const shelf = {
    stock: [{ nominalIn: 11, colour: 'lagoon', onHand: 30 }],
    reserved: [{ nominalIn: 11, colour: 'lagoon', count: 12, jobs: ['Another'] }],
    onOrder: [
      { id: 'o1', nominalIn: 11, colour: 'lagoon', count: 50, arrives: '2027-06-18' },
      { id: 'o2', nominalIn: 11, colour: 'lagoon', count: 50, arrives: '2027-06-19' },
    ],
  };
  const over = (day: string) => productNeeds(rows, shelf, day)[0]?.over as number;
  const wanted = 20 + (rows[0]?.spare as number);
  expect(over('2027-06-17')).toBe(30 - 12 - wanted);
  expect(over('2027-06-18')).toBe(30 - 12 + 50 - wanted);
  expect(over('2027-06-19')).toBe(30 - 12 + 100 - wanted);
});

test('one product blown two ways is two rows to inflate and one to have', () => {
  const rows = balloonsOf(lots([need(17, 'oat', 6, 16), need(17, 'oat', 5, 14)]));
  expect(rows).toHaveLength(2);
  expect(productNeeds(rows, { stock: [] }, '2027-06-18')).toMatchObject([{ need: 11, onHand: 0 }]);
});

test('kept balloons hang with the others, topped up: not blown, bought or lost in making; what has no place is told', () => {
  const file = demoJob('01-meadow-finish');
  const counted = (kept: { nominalIn: number; colour: string; count: number }[]) => {
    const [first] = file.job.pieces.filter((piece) => piece.kind === 'organic-garland');
    const piece = { ...(first as Piece), kept } as Piece;
    return draftPlan({ ...file, job: { ...file.job, pieces: [piece] } });
  };
  const sum = (counts: number[]) => counts.reduce((all, count) => all + count, 0);
  const before = counted([]);
  const [lot] = before.pieces[0]?.lots ?? [];
  const product = { nominalIn: lot?.nominalIn as number, colour: lot?.colour as string };
  const isIt = (row: { nominalIn: number; colour: string }) =>
    row.nominalIn === product.nominalIn && row.colour === product.colour;
  const whole = sum(before.pieces[0]?.lots.filter(isIt).map(({ count }) => count) as number[]);
  const after = counted([{ ...product, count: 4 }]);
  const hung = (plan: Plan) => sum(plan.totals.balloons.map(({ need: count }) => count));
  const blown = (plan: Plan) =>
    sum(plan.bench.batches.flatMap(({ lots: own }) => own.map((one) => one.count)));
  expect(hung(after)).toBe(hung(before));
  expect(blown(after)).toBe(blown(before) - 4);
  expect(productNeeds(after.totals.balloons, { stock: [] }, '2027-06-18').find(isIt)?.need).toBe(whole - 4);
  expect(after.tasks.map(({ label }) => label)).toContain(
    `${after.pieces[0]?.name}: Retie and top up 4 kept balloons`,
  );
  expect(after.totals.materials.some(({ item }) => item === 'hand-pump')).toBe(true);
  // All of it is kept, and more: nothing of it is blown, and what is over has no place.
  const all = counted([{ ...product, count: whole + 3 }]);
  expect(blown(all)).toBe(blown(before) - whole);
  expect(sum(all.pieces[0]?.lots.filter(isIt).map((one) => one.blown) as number[])).toBe(0);
  expect(all.pieces[0]?.notes.join(' ')).toMatch(/^3 kept balloons of|\b3 kept balloons of/);
});

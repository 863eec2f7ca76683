import type { Grade, Piece, WorkshopSettings } from '@early-lantern/contract';
import { productNeeds } from '../stock/needs.ts';
import { sparesFor } from '../stock/spares.ts';
import { demoJob, garland } from '../test/samples.ts';
import { balloonsOf, countLots, lotsOf, pieceLetter, totalBalloons } from './counts.ts';
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
const lots = (of: Need[], grade: Grade, count: number, settings = bare, sections = [1]) =>
  lotsOf({ piece: garland(10, { grade }), recipe: { needs: of, sections }, index: 1 }, count, settings);

test('alike balloons are one lot, the largest first, lettered by piece', () => {
  const found = lots(needs, 'professional', 3);
  expect(found.map((lot) => [lot.id, lot.nominalIn, lot.colour, lot.count, lot.cluster])).toEqual([
    ['B1', 11, 'lagoon', 24, 'quads'],
    ['B2', 11, 'chalk', 10, 'quads'],
    ['B3', 5, 'lagoon', 9, 'trios'],
  ]);
  expect(countLots(needs)).toBe(3);
  expect([0, 25, 26, 701, 702].map(pieceLetter)).toEqual(['A', 'Z', 'AA', 'ZZ', 'AAA']);
});

test('what goes into the bags of the sections adds up to the lot', () => {
  const [lot] = lots([need(11, 'lagoon', 25)], 'professional', 1, bare, [0.5, 0.3, 0.2]);
  expect(lot?.perSection.reduce((a, b) => a + b, 0)).toBe(25);
  expect(lot?.perSection[0]).toBeGreaterThan(lot?.perSection[2] as number);
  expect(lot?.bags).toEqual(['B-1', 'B-2', 'B-3']);
});

test('spares follow from grade, target and the number of lots; a product’s own loss goes before its grade', () => {
  const spares = (grade: Grade, count: number, settings = bare) =>
    lots(needs, grade, count, settings).map((lot) => lot.spare);
  expect(spares('professional', 1)).toEqual([24, 10, 9].map((count) => sparesFor(count, 0.025, 0.97)));
  expect(spares('standard', 3)).toEqual([24, 10, 9].map((count) => sparesFor(count, 0.05, 0.97 ** (1 / 3))));
  expect(spares('budget', 12)[0]).toBeGreaterThan(spares('professional', 12)[0] as number);
  expect(spares('professional', 30)[0]).toBeGreaterThan(spares('professional', 1)[0] as number);
  const blotchy = {
    ...bare,
    colours: bare.colours.map((one) => (one.id === 'chalk' ? { ...one, lossPct: 25 } : one)),
  };
  expect(spares('professional', 3, blotchy)[1]).toBe(sparesFor(10, 0.25, 0.97 ** (1 / 3)));
});

test('the top-up for the site comes on top; a specialty item has one spare at least, or a plan B', () => {
  const topped = {
    ...bare,
    sizes: bare.sizes?.map((size) => ({ ...size, topUpPct: 10 })),
  } as WorkshopSettings;
  const plain = lots([need(11, 'lagoon', 24)], 'professional', 1)[0]?.spare as number;
  expect(lots([need(11, 'lagoon', 24)], 'professional', 1, topped)[0]?.spare).toBe(plain + 3);
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
    lotsOf({ piece: big(planB), recipe: { needs: [need(36, 'chalk', 1)], sections: [1] }, index: 0 }, 1, {
      ...bare,
      spareTargetPct: 90,
    })[0]?.spare;
  expect(spare('')).toBe(1);
  expect(spare('a cluster in its place')).toBe(0);
});

test('what the pieces need adds up; what the shelf lacks comes first', () => {
  const rows = balloonsOf(lots(needs, 'professional', 3));
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
  const rows = balloonsOf(lots([need(11, 'lagoon', 20)], 'professional', 1));
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
  const rows = balloonsOf(lots([need(17, 'oat', 6, 16), need(17, 'oat', 5, 14)], 'professional', 2));
  expect(rows).toHaveLength(2);
  expect(productNeeds(rows, { stock: [] }, '2027-06-18')).toMatchObject([{ need: 11, onHand: 0 }]);
});

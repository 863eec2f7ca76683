import { productNeeds } from '../stock/needs.ts';
import { sparesFor } from '../stock/spares.ts';
import { demoJob } from '../test/samples.ts';
import { countBalloons, countLots, totalBalloons } from './counts.ts';
import type { Need } from './recipe.ts';

const { workshop } = demoJob('01-meadow-finish');
const need = (
  nominalIn: number,
  colour: string,
  count: number,
  max = nominalIn - 1,
  role: Need['role'] = 'base',
): Need => ({
  role,
  nominalIn,
  inflatedIn: { min: max - 3, max },
  colour,
  count,
});
const needs = [
  need(11, 'lagoon', 20),
  need(11, 'chalk', 10),
  need(5, 'lagoon', 9, 4, 'filler'),
  need(11, 'lagoon', 4),
];

test('alike balloons are one row, the largest first; a row is a lot', () => {
  const rows = countBalloons(needs, 'professional', 3, workshop);
  expect(rows.map((row) => [row.nominalIn, row.colour, row.need])).toEqual([
    [11, 'lagoon', 24],
    [11, 'chalk', 10],
    [5, 'lagoon', 9],
  ]);
  expect(countLots(needs)).toBe(3);
});

test('spares follow from grade, target and the number of lots', () => {
  const spares = (grade: 'professional' | 'standard' | 'budget', lots: number) =>
    countBalloons(needs, grade, lots, workshop).map((row) => row.spare);
  expect(spares('professional', 1)).toEqual([24, 10, 9].map((count) => sparesFor(count, 0.025, 0.97)));
  expect(spares('standard', 3)).toEqual([24, 10, 9].map((count) => sparesFor(count, 0.05, 0.97 ** (1 / 3))));
  expect(spares('budget', 12)[0]).toBeGreaterThan(spares('professional', 12)[0] as number);
  expect(spares('professional', 30)[0]).toBeGreaterThan(spares('professional', 1)[0] as number);
});

test('what the pieces need adds up; what the shelf lacks comes first', () => {
  const rows = countBalloons(needs, 'professional', 3, workshop);
  const total = totalBalloons([{ balloons: rows }, { balloons: rows }]);
  expect(total[0]).toMatchObject({ need: 48, spare: 2 * (rows[0]?.spare ?? 0) });
  const products = productNeeds(total, [
    { nominalIn: 11, colour: 'lagoon', onHand: 100 },
    { nominalIn: 5, colour: 'lagoon', onHand: 4 },
  ]);
  expect(products.map((product) => [product.nominalIn, product.colour])).toEqual([
    [11, 'chalk'],
    [5, 'lagoon'],
    [11, 'lagoon'],
  ]);
  expect(products[0]?.over).toBe(-(products[0]?.need ?? 0) - (products[0]?.spare ?? 0));
});

test('one product blown two ways is two rows to inflate and one to have', () => {
  const rows = countBalloons([need(17, 'oat', 6, 16), need(17, 'oat', 5, 14)], 'professional', 2, workshop);
  expect(rows).toHaveLength(2);
  expect(productNeeds(rows, [])).toMatchObject([{ need: 11, onHand: 0 }]);
});

import type { Colour, WorkshopSettings } from '@early-lantern/contract';
import type { Need } from '../piece/recipe.ts';
import { demoJob } from '../test/samples.ts';
import { buyList, substitutes } from './buy.ts';
import { unmadeOf, withStandIns } from './stand-ins.ts';

const { workshop } = demoJob('01-meadow-finish');
const [first, second] = workshop.colours as [Colour, Colour];
const only = (sizesIn: number[]): WorkshopSettings => ({
  ...workshop,
  colours: workshop.colours.map((colour) => (colour.id === first.id ? { ...colour, sizesIn } : colour)),
});
const need = (nominalIn: number, count: number, blown = nominalIn - 1): Need => ({
  role: 'base',
  nominalIn,
  inflatedIn: { min: blown, max: blown },
  colour: first.id,
  count,
  cluster: 'quads',
});

test('sizes under neighbouring numbers stand in for each other; a colour that says nothing comes in all', () => {
  expect(unmadeOf([need(12, 10)], only([11]))).toEqual([]);
  expect(unmadeOf([need(17, 10)], only([16]))).toEqual([]);
  expect(unmadeOf([need(17, 10)], workshop)).toEqual([]);
  expect(unmadeOf([need(17, 10), need(17, 4)], only([5, 11]))).toMatchObject([{ nominalIn: 17, count: 14 }]);
});

test('a 5 in. duplet from one 12 uses one balloon; double-stuffed counts two (common practice, no source)', () => {
  const [unmade] = unmadeOf([need(5, 40, 4)], only([12, 17]));
  const way = (name: string) => unmade?.alternatives.find((one) => one.standIn.way === name);
  expect(way('folded')).toMatchObject({
    balloons: 20,
    rows: [{ nominalIn: 12, colour: first.id, count: 20 }],
  });
  const [large] = unmadeOf([need(17, 6, 14)], only([5, 11]));
  const stuffed = large?.alternatives.find((one) => one.standIn.way === 'stuffed');
  expect(stuffed?.balloons).toBe(12);
  expect(stuffed?.minutes).toBeGreaterThan(0);
  expect(stuffed?.rows.map((row) => row.nominalIn)).toEqual([17, 11]);
});

test('other sizes fill the same volume: no fewer, and no whole balloon too many', () => {
  const wanted = need(17, 10, 14);
  const [unmade] = unmadeOf([wanted], only([11, 24]));
  for (const { standIn, rows } of unmade?.alternatives ?? []) {
    if (standIn.way !== 'other-size') continue;
    const at = (standIn.inflatedIn.min + standIn.inflatedIn.max) / 2;
    const [row] = rows;
    expect((row?.count ?? 0) * at ** 3).toBeGreaterThanOrEqual(10 * 14 ** 3 - 1e-6);
    expect(((row?.count ?? 0) - 1) * at ** 3).toBeLessThan(10 * 14 ** 3);
  }
});

test('a chosen stand-in takes the place of just the balloons it is for', () => {
  const needs = [need(17, 10, 14), need(11, 8, 9)];
  const changed = withStandIns(needs, [
    { way: 'other-colour', nominalIn: 17, colour: first.id, useColour: second.id },
  ]);
  expect(changed).toEqual([{ ...needs[0], colour: second.id }, needs[1]]);
});

test('what to buy comes by its last order day; packs cover what is missing', () => {
  const settings: WorkshopSettings = {
    ...workshop,
    stock: [{ nominalIn: 11, colour: first.id, onHand: 20 }],
    suppliers: [{ id: 'slow', name: 'Slow post', leadDays: 9 }],
    colours: workshop.colours.map((one) => (one.id === second.id ? { ...one, supplierId: 'slow' } : one)),
  };
  const row = (colour: string, count: number) => ({
    nominalIn: 11,
    inflatedIn: { min: 9, max: 9 },
    colour,
    need: count,
    spare: 2,
    kept: 0,
  });
  const list = buyList([row(first.id, 50), row(second.id, 61)], settings, '2027-06-18', '2027-06-10');
  expect(list.map((one) => [one.product.colour, one.missing, one.orderBy, one.isTooLate])).toEqual([
    [second.id, 63, '2027-06-09', true],
    [first.id, 32, '2027-06-15', false],
  ]);
  expect(list[1]?.cover).toMatchObject({ balloons: 50, surplus: 18 });
});

test('substitutes: those made in the size first, then by closeness', () => {
  const settings = {
    ...workshop,
    colours: workshop.colours.map((one, i) => (i === 1 ? { ...one, sizesIn: [5] } : one)),
  };
  const found = substitutes(17, first.id, settings, '2027-06-18');
  expect(found).toHaveLength(workshop.colours.length - 1);
  expect(found.find((one) => one.colour === second.id)?.isMade).toBe(false);
  expect(found.map((one) => one.isMade)).toEqual([...found.map((one) => one.isMade)].sort().reverse());
  const made = found.filter((one) => one.isMade).map((one) => one.difference);
  expect(made).toEqual([...made].sort((a, b) => a - b));
});

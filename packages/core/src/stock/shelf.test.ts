import type { BalloonRow, Colour, JobUse, OnOrder, WorkshopSettings } from '@early-lantern/contract';
import type { Need } from '../piece/recipe.ts';
import { demoJob } from '../test/samples.ts';
import { buyList, lacksOf, substitutes, wantedDay } from './buy.ts';
import { asMade, shareOut } from './families.ts';
import { firstCome, heldBy } from './held.ts';
import { movementsBack, movementsOfUse, onShelf, ordersAfter, shelfAfter } from './ledger.ts';
import { availableOn, productNeeds } from './needs.ts';
import { handOut } from './season.ts';

const chalk = { nominalIn: 11, colour: 'chalk' };
const oat = { nominalIn: 11, colour: 'oat' };
const row = (
  product: { nominalIn: number; colour: string },
  need: number,
  spare = 0,
  kept = 0,
): BalloonRow => ({
  ...product,
  inflatedIn: { min: 9, max: 10 },
  need,
  spare,
  kept,
});

describe('the ledger', () => {
  test('a movement changes its own product, and begins one that was not there', () => {
    const stock = [{ ...chalk, onHand: 10 }];
    const move = (product: typeof chalk, change: number) => ({
      ...product,
      kind: 'used' as const,
      change,
      note: '',
    });
    expect(shelfAfter(stock, move(chalk, -4))).toEqual([{ ...chalk, onHand: 6 }]);
    expect(shelfAfter(stock, move(chalk, -14))).toEqual([{ ...chalk, onHand: -4 }]);
    expect(shelfAfter(stock, move(oat, 3))).toEqual([...stock, { ...oat, onHand: 3 }]);
    expect([onShelf(stock, chalk), onShelf(stock, oat)]).toEqual([10, 0]);
  });

  test('an order that comes in part stays open for the rest; complete, more than complete, or the last of it, it is over', () => {
    const orders: OnOrder[] = ['a', 'b'].map((id) => ({ ...chalk, id, count: 50, arrives: '2027-06-18' }));
    const after = (count: number, isLast = false) =>
      ordersAfter(orders, 'a', { count, isLast }).map(({ id, count: left }) => [id, left]);
    expect(after(20)).toEqual([
      ['a', 30],
      ['b', 50],
    ]);
    expect([after(50), after(60), after(20, true)]).toEqual([[['b', 50]], [['b', 50]], [['b', 50]]]);
  });

  test('use and pops are written apart; what the shelf does not know of is counted in first; taken back it returns', () => {
    const use: JobUse = {
      balloons: [
        { ...chalk, used: 8, popped: 3 },
        { ...oat, used: 2, popped: 0 },
        { nominalIn: 5, colour: 'oat', used: 0, popped: 0 },
      ],
      materials: [],
    };
    const stock = [
      { ...chalk, onHand: 9 },
      { ...oat, onHand: 30 },
    ];
    const moves = movementsOfUse('j', 'Fair', use, stock);
    expect(moves.map(({ colour, kind, change, jobId, note }) => [colour, kind, change, jobId, note])).toEqual(
      [
        ['chalk', 'counted', 2, 'j', 'Fair'],
        ['chalk', 'used', -8, 'j', 'Fair'],
        ['chalk', 'popped', -3, 'j', 'Fair'],
        ['oat', 'used', -2, 'j', 'Fair'],
      ],
    );
    const left = moves.reduce(shelfAfter, stock);
    expect(left.map(({ onHand }) => onHand)).toEqual([0, 28]);
    expect(
      movementsBack('j', 'Fair', use)
        .reduce(shelfAfter, left)
        .map(({ onHand }) => onHand),
    ).toEqual([11, 30]);
  });
});

describe('the shelf on a day', () => {
  const shelf = {
    stock: [
      { ...chalk, onHand: 30 },
      { ...chalk, nominalIn: 12, onHand: 5 },
    ],
    reserved: [{ ...chalk, count: 12, jobs: ['A'] }],
    onOrder: [
      { ...chalk, id: 'a', count: 7, arrives: '2027-06-18' },
      { ...chalk, id: 'b', count: 9, arrives: '2027-06-19' },
      { ...oat, id: 'c', count: 99, arrives: '2027-06-01' },
    ],
  };

  test('on hand, held by others, and what comes by then', () => {
    expect(availableOn(shelf, 11, 'chalk', '2027-06-17')).toEqual({ onHand: 30, reserved: 12, arriving: 0 });
    expect(availableOn(shelf, 11, 'chalk', '2027-06-18').arriving).toBe(7);
    expect(availableOn(shelf, 11, 'chalk', '2027-06-19').arriving).toBe(16);
    expect(availableOn({ stock: [] }, 11, 'chalk', '2027-06-19')).toEqual({
      onHand: 0,
      reserved: 0,
      arriving: 0,
    });
  });

  test('what is over or short; kept ones are not taken; a size of the family helps out, unless counted apart', () => {
    const [one] = productNeeds([row(chalk, 20, 2, 4)], shelf, '2027-06-17');
    expect(one).toMatchObject({ need: 16, spare: 2, over: 30 - 12 - 18, fromFamily: [], forFamily: 0 });
    const [helped] = productNeeds([row(chalk, 20, 2)], shelf, '2027-06-17');
    expect(helped).toMatchObject({ over: 0, fromFamily: [{ nominalIn: 12, count: 4 }] });
    const [apart] = productNeeds([row(chalk, 20, 2)], { ...shelf, familiesApart: true }, '2027-06-17');
    expect(apart).toMatchObject({ over: -4, fromFamily: [] });
    // What the other size needs itself it does not lend.
    const both = productNeeds(
      [row(chalk, 20, 2), row({ nominalIn: 12, colour: 'chalk' }, 3)],
      shelf,
      '2027-06-17',
    );
    expect(both.map(({ nominalIn, over, forFamily }) => [nominalIn, over, forFamily])).toEqual([
      [11, -2, 0],
      [12, 0, 2],
    ]);
    expect(lacksOf('Fair', both, '2027-06-17')).toEqual([
      { job: 'Fair', wanted: '2027-06-17', ...chalk, count: 2 },
    ]);
  });

  test('first each product its own, then the nearest of its family', () => {
    const there: Record<number, number> = { 16: 5, 17: 2, 18: 9 };
    const given = shareOut(
      [
        { nominalIn: 17, colour: 'chalk', count: 10 },
        { nominalIn: 16, colour: 'chalk', count: 3 },
      ],
      ({ nominalIn }) => there[nominalIn] ?? 0,
      {},
    );
    expect(given[0]).toEqual({
      nominalIn: 17,
      colour: 'chalk',
      own: 2,
      fromFamily: [
        { nominalIn: 16, count: 2 },
        { nominalIn: 18, count: 6 },
      ],
      lacking: 0,
    });
    expect(given[1]).toMatchObject({ own: 3, fromFamily: [], lacking: 0 });
  });

  test('a colour is blown in the size of the family that it is made in', () => {
    const colours = [{ id: 'chalk', sizesIn: [5, 12] }, { id: 'oat' }] as Colour[];
    const need = (nominalIn: number, colour: string): Need => ({
      role: 'base',
      nominalIn,
      inflatedIn: { min: 8, max: 9 },
      colour,
      count: 1,
      cluster: 'quads',
    });
    const needs = [need(11, 'chalk'), need(11, 'oat'), need(5, 'chalk'), need(24, 'chalk')];
    expect(asMade(needs, { colours }).map(({ nominalIn }) => nominalIn)).toEqual([12, 11, 5, 24]);
    expect(asMade(needs, { colours, familiesApart: true })).toBe(needs);
  });
});

test('jobs take in turn by doors, each no more than is left; what one lacks is no later one’s to buy', () => {
  const job = (id: string, doors: string, count: number) => ({
    id,
    name: id,
    doors,
    wanted: doors.slice(0, 10),
    balloons: [{ ...chalk, count }],
  });
  const jobs = [
    job('late', '2027-06-20T10:00:00Z', 6),
    job('early', '2027-06-19T10:00:00Z', 8),
    job('alike', '2027-06-19T12:00:00+02:00', 5),
  ].sort(firstCome);
  expect(jobs.map(({ id }) => id)).toEqual(['alike', 'early', 'late']);
  const handed = handOut(jobs, { stock: [{ ...chalk, onHand: 10 }] });
  expect(handed.map(({ lacks }) => lacks.map(({ count }) => count))).toEqual([[], [3], [6]]);
  expect(handed.map(({ reserved }) => reserved().map(({ count }) => count))).toEqual([[], [5], [10]]);
  expect(
    heldBy([
      { job: 'A', takes: [{ ...chalk, count: 2 }] },
      {
        job: 'B',
        takes: [
          { ...chalk, count: 3 },
          { ...oat, count: 1 },
        ],
      },
      { job: 'A', takes: [{ ...chalk, count: 1 }] },
    ]),
  ).toEqual([
    { ...chalk, count: 6, jobs: ['A', 'B'] },
    { ...oat, count: 1, jobs: ['B'] },
  ]);
});

describe('buying', () => {
  const { workshop } = demoJob('02-engine-shed');
  const settings: WorkshopSettings = {
    ...workshop,
    stock: [{ ...chalk, onHand: 5 }],
    reserved: [],
    onOrder: [{ ...chalk, id: 'late', count: 40, arrives: '2027-06-25' }],
    othersLack: [],
  };

  test('wanted the day before doors; what others lack of the same product shares the packs; late orders are told', () => {
    expect(
      wantedDay({ job: { ...demoJob('02-engine-shed').job, doors: '2027-06-19T00:30:00-05:00' }, workshop }),
    ).toBe('2027-06-18');
    const [one, ...more] = buyList(
      [row(chalk, 30, 2)],
      {
        ...settings,
        othersLack: [
          { job: 'Other', wanted: '2027-06-20', ...chalk, count: 4 },
          { job: 'Other', wanted: '2027-06-20', ...oat, count: 400 },
        ],
      },
      '2027-06-18',
      '2027-06-01',
    );
    expect(more).toEqual([]);
    expect(one).toMatchObject({
      missing: 27,
      forOthers: [{ job: 'Other', count: 4 }],
      late: [{ id: 'late' }],
    });
    expect(one?.cover.balloons).toBeGreaterThanOrEqual(31);
    expect(buyList([row(chalk, 3, 2)], settings, '2027-06-18', '2027-06-01')).toEqual([]);
  });

  test('colours in place of one: those made in the size first, the closest first, with what there is of each', () => {
    const found = substitutes(
      11,
      'chalk',
      { ...settings, stock: [{ ...oat, onHand: 9 }], reserved: [{ ...oat, count: 2, jobs: ['A'] }] },
      '2027-06-18',
    );
    expect(found.map(({ colour }) => colour)).not.toContain('chalk');
    expect(found.find(({ colour }) => colour === 'oat')?.available).toBe(7);
    const made = found.filter(({ isMade }) => isMade);
    expect(found.slice(0, made.length)).toEqual(made);
    expect(made.map(({ difference }) => difference)).toEqual(
      [...made.map(({ difference }) => difference)].sort((a, b) => a - b),
    );
    expect(substitutes(11, 'no-such', settings, '2027-06-18')).toEqual([]);
  });
});

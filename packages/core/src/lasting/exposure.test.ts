import type { Colour, JobFile, Lot, PlanPiece, Spot, Task } from '@early-lantern/contract';
import { hall, heliumBouquet, jobOf, made, weatherHour } from '../test/carried.ts';
import { evaluated } from '../test/formula.ts';
import { stretchesOf, surroundingsOf } from './exposure.ts';
import { floatingOf } from './floats.ts';
import { ageing, holdTime } from './hold-time.ts';
import { lastingLots, toldWhatToBlow } from './lasts.ts';

const H = 3_600_000;
/** Seven in the morning on the job's day, where the place is five hours behind. */
const SEVEN = Date.parse('2027-06-19T07:00:00-05:00');
const lawn: Spot = { ...hall, kind: 'open-floor', floor: 'grass', indoors: false };

/** Warmer by a degree each hour from 20 °C at seven, clear but for ten to eleven. */
const warming = Array.from({ length: 12 }, (_, i) =>
  weatherHour(SEVEN + i * H, 20 + i, i === 3 ? 71 : i === 4 ? 70 : 0),
);
const outside = (edit: (file: JobFile) => void = () => {}) =>
  jobOf([made('packed-column', 'column')], (file) => {
    file.site.indoors = false;
    file.site.spots = [lawn];
    file.workshop.benchC = 19;
    file.job.weather = { source: 'imported', madeAt: file.job.doors, hours: warming };
    edit(file);
  });
const colourOf = (hex: string): Colour => ({
  ...(outside().workshop.colours[0] as Colour),
  lab: undefined,
  hex,
});

test('an hour at a time: in the shop, on the road five degrees warmer, then on site in sun and cloud', () => {
  const journey = {
    blownMs: SEVEN + H / 2,
    leavesMs: SEVEN + 1.5 * H,
    arrivesMs: SEVEN + 2 * H,
    endsMs: SEVEN + 5.25 * H,
  };
  // Near black: 20 degrees warmer in the sun.
  const found = stretchesOf(journey, lawn, colourOf('#101010'), surroundingsOf(outside()));
  expect(found).toEqual([
    { hours: 0.5, airC: 19, skinC: 19, inSun: false, onSite: false },
    { hours: 0.5, airC: 19, skinC: 19, inSun: false, onSite: false },
    { hours: 0.5, airC: 21 + 5, skinC: 26, inSun: false, onSite: false },
    { hours: 1, airC: 22, skinC: 42, inSun: true, onSite: true },
    // Over 70 % of cloud there is no direct sun; at 70 % there is.
    { hours: 1, airC: 23, skinC: 23, inSun: false, onSite: true },
    { hours: 1, airC: 24, skinC: 44, inSun: true, onSite: true },
    { hours: 0.25, airC: 25, skinC: 45, inSun: true, onSite: true },
  ]);
  // Light colours 8, middling ones 14 degrees: by L*, of white 100, of a middle grey 54.
  const sunny = (hex: string) =>
    stretchesOf(journey, lawn, colourOf(hex), surroundingsOf(outside()))[3]?.skinC;
  expect([sunny('#ffffff'), sunny('#808080'), sunny('#101010')]).toEqual([30, 36, 42]);
});

test('sun as surveyed, from its first minute to before its last; none indoors, under a canopy, or where there is none', () => {
  const at = (file: JobFile, ms: number) => surroundingsOf(file).isSunAt(file.site.spots[0] as Spot, ms);
  const eleven = SEVEN + 4 * H;
  // Where the survey leaves it open: from eight to six.
  expect([SEVEN, SEVEN + H, SEVEN + 11 * H - 60_000, SEVEN + 11 * H].map((ms) => at(outside(), ms))).toEqual([
    false,
    true,
    true,
    false,
  ]);
  const surveyed = outside((file) => {
    file.site.spots = [{ ...lawn, sun: [{ from: '10:00', to: '11:00' }] }];
  });
  expect([eleven - H, eleven].map((ms) => at(surveyed, ms))).toEqual([true, false]);
  const shaded = outside((file) => {
    file.job.shaded = ['hall'];
  });
  const inside = outside((file) => {
    file.site.spots = [{ ...lawn, indoors: true, tempC: 24 }];
  });
  expect([at(shaded, eleven), at(inside, eleven)]).toEqual([false, false]);
  expect(surroundingsOf(inside).airAt(inside.site.spots[0] as Spot, eleven)).toEqual({
    airC: 24,
    cloudPct: 100,
  });
  // The hour of the forecast that a moment falls into; before and after it the nearest one.
  const { airAt, outsideC } = surroundingsOf(outside());
  expect([SEVEN - 9 * H, SEVEN + 1.9 * H, SEVEN + 99 * H].map((ms) => airAt(lawn, ms).airC)).toEqual([
    20, 21, 31,
  ]);
  expect([SEVEN - 9 * H, SEVEN + 2 * H].map(outsideC)).toEqual([20, 22]);
  const unknown = outside((file) => {
    delete file.job.weather;
  });
  expect(surroundingsOf(unknown).airAt(lawn, eleven)).toEqual({ airC: 21, cloudPct: 0 });
});

test('twice as fast for every ten degrees over 21 °C, never slower', () => {
  expect([11, 21, 31, 36].map((celsius) => Number(ageing(celsius).toFixed(4)))).toEqual([1, 1, 2, 2.8284]);
});

test('the nearest hold time from below counts; an own one for other sizes leaves the engine’s nearer one alone', () => {
  const own = { holdTimes: [{ fromIn: 24, gas: 'air' as const, hours: 50 }] };
  expect(holdTime(36, 'air', 'professional', own)).toMatchObject({
    hours: 50,
    source: "the workshop's own figure",
  });
  expect(holdTime(23, 'air', 'professional', own).hours).toBe(holdTime(23, 'air', 'professional', {}).hours);
  const small = { holdTimes: [{ fromIn: 1, gas: 'air' as const, hours: 3 }] };
  expect(holdTime(17, 'air', 'professional', small).source).not.toBe("the workshop's own figure");
  expect(holdTime(36, 'helium', 'standard', own).hours).toBeCloseTo(
    0.85 * holdTime(36, 'helium', 'professional', {}).hours,
    9,
  );
});

const lot = (id: string, more: Partial<Lot> = {}): Lot => ({
  id,
  nominalIn: 11,
  inflatedIn: { min: 8, max: 10 },
  blowToIn: { min: 8, max: 10 },
  colour: 'chalk',
  count: 10,
  spare: 0,
  kept: 0,
  blown: 10,
  cluster: 'quads',
  perSection: [10],
  holesIn: [8, 10],
  bags: ['A-1'],
  ...more,
});
const planned = (lots: Lot[]) => ({ id: 'column', lots }) as unknown as PlanPiece;
const task = (id: string, fromMs: number, untilMs: number, more: Partial<Task> = {}): Task =>
  ({
    id,
    start: new Date(fromMs).toISOString(),
    end: new Date(untilMs).toISOString(),
    ...more,
  }) as unknown as Task;
const blows = (nominalIn: number) => ({ nominalIn, count: 10, isFiller: false });

test('each lot lives from the first hour in which its size is blown to the strike, and is told with its hours', () => {
  const file = outside((one) => {
    one.job.strike.from = new Date(SEVEN + 5 * H).toISOString();
    one.workshop.holdTimes = [
      { fromIn: 1, gas: 'air', hours: 100 },
      { fromIn: 11, gas: 'air', hours: 9 },
    ];
  });
  const tasks = [
    task('drive-out', SEVEN + H, SEVEN + 2 * H),
    task('b', SEVEN - 2 * H, SEVEN - H, { pieceId: 'column', blows: blows(5) }),
    task('c', SEVEN - 3 * H, SEVEN, { pieceId: 'column', blows: blows(11) }),
    task('d', SEVEN - H, SEVEN, { pieceId: 'column', blows: blows(11) }),
    task('e', SEVEN - 9 * H, SEVEN, { pieceId: 'another', blows: blows(11) }),
  ];
  const [one, other, unknown] = lastingLots(
    file,
    [
      planned([
        lot('A1'),
        lot('A2', { nominalIn: 5, inflatedIn: { min: 3, max: 4 } }),
        lot('A3', { nominalIn: 17, inflatedIn: { min: 10, max: 14 } }),
      ]),
    ],
    tasks,
  );
  // From four hours before the drive to the strike three after it: 3 + 1 + 1 + 3, aged by the warmth outside.
  expect(one).toMatchObject({
    id: 'A1',
    pieceId: 'column',
    hoursHeld: 8,
    hoursLimit: 9,
    gas: 'air',
    sunHours: 2,
  });
  const byHand = 4 + 2 ** ((21 + 5 - 21) / 10) + 2 ** 0.1 + 2 ** 0.2 + 2 ** 0.3;
  expect(one?.hoursAged).toBeCloseTo(byHand, 1);
  expect(other).toMatchObject({ hoursHeld: 7 });
  // Nothing says when seventeens are blown: with the first of the piece.
  expect(unknown?.hoursHeld).toBe(8);
  // A fifth of the hold time is little; more than all of it is too much.
  const state = (hours: number) => {
    file.workshop.holdTimes = [{ fromIn: 11, gas: 'air', hours }];
    return lastingLots(file, [planned([lot('A1')])], tasks)[0];
  };
  expect([state(byHand / 0.79)?.state, state(byHand / 0.81)?.state, state(byHand * 0.9)?.state]).toEqual([
    'lit',
    'low',
    'out',
  ]);
  expect(state(byHand - 3)?.reason).toBe('It is soft 3 h before the event is over.');
});

test('lots of one size go through one hole: what swells most sets it for all, fillers apart', () => {
  const file = outside((one) => {
    one.job.strike.from = new Date(SEVEN + 5 * H).toISOString();
  });
  const tasks = [
    task('drive-out', SEVEN + H, SEVEN + 2 * H),
    task('b', SEVEN, SEVEN + H, { pieceId: 'column', blows: blows(17) }),
  ];
  const dark = file.workshop.colours.find(({ id }) => id !== 'chalk');
  if (!dark) throw new Error('no colour');
  dark.hex = '#101010';
  delete dark.lab;
  const size = { nominalIn: 17, inflatedIn: { min: 8, max: 14 } };
  const lots = [
    lot('A1', size),
    lot('A2', { ...size, colour: dark.id }),
    lot('A3', { ...size, cluster: 'filler trios' }),
  ];
  const found = lastingLots(file, [planned(lots)], tasks);
  // From 19 to 24 + 20 °C a dark one widens by (317.15 / 292.15)^(1/3) = 1.028: 14 in. is blown to 13.62, told as 13½.
  // A light one, to 32 °C, by 1.015: 13.80, told as 13¾.
  expect(found.map(({ blowToIn }) => blowToIn)).toEqual([13.5, 13.5, 13.75]);
  // What the bench is told: both ends of the range by the same share, to the quarter inch, never more than drawn.
  const told = toldWhatToBlow(planned(lots), found);
  expect(told.lots.map(({ blowToIn, holesIn }) => [blowToIn.min, blowToIn.max, holesIn])).toEqual([
    [7.75, 13.5, [7.75, 13.5]],
    [7.75, 13.5, [7.75, 13.5]],
    [7.75, 13.75, [7.75, 13.75]],
  ]);
  expect(toldWhatToBlow(planned(lots), []).lots[0]?.blowToIn).toEqual({ min: 8, max: 14 });
  const other = { ...planned([lot('A1', size)]), id: 'other' };
  expect(toldWhatToBlow(other, found).lots[0]?.blowToIn.max).toBe(14);
  const alike = toldWhatToBlow(planned([lot('A1', { ...size, inflatedIn: { min: 14, max: 14 } })]), found);
  expect(alike.lots[0]?.holesIn).toEqual([13.5]);
});

test('what a bouquet lifts is what its formula gives; only helium floats', () => {
  const found = floatingOf(heliumBouquet('b'));
  const inputs = new Map(found?.working.inputs.map(({ name, value }) => [name, Number(value)]));
  expect(evaluated(found?.working.formula ?? '', inputs)).toBeCloseTo(found?.netG ?? 0, 1);
  // Air less helium: (28.964 − 4.0026) g/mol over 24.055 l/mol at 20 °C and 1 atm, by hand.
  expect(inputs.get('lift')).toBeCloseTo(1.0377, 3);
  expect(floatingOf(made('accent', 'round'))).toBeUndefined();
  expect(floatingOf(made('packed-column', 'column'))).toBeUndefined();
});

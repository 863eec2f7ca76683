import type { JobFile, KeepClear, Spot, Task, WeatherHour } from '@early-lantern/contract';
import { hall, heliumBouquet, jobOf, made } from '../test/carried.ts';
import { anchorAt, isHeavyWeight } from './anchors.ts';
import { baseOf, bases } from './bases.ts';
import { exposedOnly } from './exposed.ts';
import { gustAt, gustLevels, rulesOf } from './gust-at.ts';
import { loadsOf } from './loads.ts';
import { tiePlaces } from './tie-lines.ts';
import { isAskedFor, unsaidCarrier } from './unsaid.ts';

const lawn: Spot = { ...hall, floor: 'grass', indoors: false };
const ACCESS = '2027-06-19T13:00:00-05:00';
const STRIKE = '2027-06-19T21:00:00-05:00';
const H = 3_600_000;
const hour = (after: number, gustMs: number, gustSpreadMs?: number): WeatherHour =>
  ({
    at: new Date(Date.parse(ACCESS) + after * H).toISOString(),
    gustMs,
    ...(gustSpreadMs === undefined ? {} : { gustSpreadMs }),
  }) as WeatherHour;
const outside = (edit: (file: JobFile) => void = () => {}) =>
  jobOf([], (file) => {
    file.site.indoors = false;
    file.job.access.from = ACCESS;
    file.job.strike.until = STRIKE;
    delete file.job.gustMs;
    delete file.job.weather;
    edit(file);
  });
const weather = (source: 'imported' | 'simulated', ...hours: WeatherHour[]) => ({
  source,
  madeAt: ACCESS,
  hours,
});

test('the gust: a draught indoors; outdoors as typed, else of the forecast while things stand, else assumed', () => {
  expect(gustAt({ ...lawn, indoors: true }, outside())).toMatchObject({ gustMs: 3, basis: 'indoors' });
  expect(gustAt(lawn, outside())).toMatchObject({
    gustMs: rulesOf(outside()).assumedGustMs,
    basis: 'assumed',
  });
  // The hour before access counts as far as it runs into it, not the one before that; the strike's last hour does.
  const blown = outside((file) => {
    file.job.weather = weather(
      'imported',
      hour(-1.5, 11),
      hour(-0.5, 9),
      hour(3, 6, 2),
      hour(7.5, 7),
      hour(8, 30),
    );
  });
  expect(gustAt(lawn, blown)).toMatchObject({ gustMs: 9, basis: 'forecast' });
  const spread = outside((file) => {
    file.job.weather = weather('simulated', hour(3, 6, 4), hour(4, 9));
  });
  expect(gustAt(lawn, spread)).toMatchObject({ gustMs: 10, basis: 'simulated' });
  expect(
    gustAt(
      lawn,
      outside((file) => {
        file.job.weather = weather('imported', hour(-3, 20), hour(9, 20));
      }),
    ).basis,
  ).toBe('assumed');
  blown.job.gustMs = 5;
  expect(gustAt(lawn, blown)).toMatchObject({ gustMs: 5, basis: 'typed' });
  // Gust over mean wind 1.5 in shelter, 1.7 in the open: from memory.
  const sheltered = gustAt({ ...lawn, openness: 'sheltered' }, blown);
  expect(sheltered.gustMs).toBeCloseTo((5 * 1.5) / 1.7, 9);
  expect(sheltered.source).toContain('less in shelter');
});

test('watched at three fifths, lowered at four fifths of the gust at which it comes down; null where no wind matters', () => {
  expect(gustLevels(12.3456, 10)).toEqual({
    limitGustMs: 12.35,
    takeDownGustMs: 10,
    lowerGustMs: 8,
    watchGustMs: 6,
  });
  expect(gustLevels(Infinity, Infinity)).toEqual({
    limitGustMs: null,
    takeDownGustMs: null,
    lowerGustMs: null,
    watchGustMs: null,
  });
});

test('a forecast is asked only from when the first thing stands on site', () => {
  const task = (place: Task['place'], start: string, pieceId?: string) =>
    ({ place, start, pieceId }) as unknown as Task;
  const tasks = [
    task('workshop', '2027-06-19T09:00:00-05:00', 'a'),
    task('site', '2027-06-19T13:05:00-05:00'),
    task('site', '2027-06-19T15:00:00-05:00', 'a'),
    task('site', '2027-06-19T14:00:00-05:00', 'b'),
  ];
  const file = outside((one) => {
    one.job.weather = weather('imported', hour(1, 5));
  });
  expect(exposedOnly(file, tasks)?.job.access.from).toBe('2027-06-19T19:00:00.000Z');
  expect(exposedOnly(file, tasks.slice(0, 2))).toBeUndefined();
  expect(exposedOnly(file, [task('site', '2027-06-19T12:00:00-05:00', 'a')])).toBeUndefined();
  expect(exposedOnly(outside(), tasks)).toBeUndefined();
  file.job.gustMs = 4;
  expect(exposedOnly(file, tasks)).toBeUndefined();
});

test('a line is tied to the house, to a stake in grass where that is allowed, else to a weight that slides first', () => {
  expect(anchorAt({ ...lawn, indoors: true }, outside())).toMatchObject({
    label: 'a fixed point of the house',
    holdsN: 120,
  });
  expect(
    anchorAt(
      lawn,
      outside((file) => {
        file.site.forbids = [];
      }),
    ),
  ).toMatchObject({ label: 'a stake', holdsN: 150 });
  const paved = anchorAt({ ...lawn, floor: 'paving' }, outside());
  const forbidden = anchorAt(
    lawn,
    outside((file) => {
      file.site.forbids = ['stakes'];
    }),
  );
  for (const { label, holdsN } of [paved, forbidden]) {
    expect(isHeavyWeight(label)).toBe(true);
    expect(holdsN).toBeLessThan(30 * 9.81);
    expect(holdsN).toBeGreaterThan(0.2 * 30 * 9.81);
  }
  expect(isHeavyWeight('a stake')).toBe(false);
});

describe('tie lines', () => {
  const ends = { left: [{ xM: 3, yM: 2 }], right: [{ xM: 5, yM: 2 }] };
  const zone = (xM: number, widthM: number): KeepClear => ({
    id: 'z',
    kind: 'exit',
    xM,
    yM: 0,
    widthM,
    heightM: 0.5,
  });
  const run = (count: number, keepClear: KeepClear[] = []) =>
    tiePlaces(ends, count, { ...lawn, keepClear }, 0, () => 1.5);

  test('half to each side, straight down, no two to one stake', () => {
    expect(run(2)).toEqual({
      places: [
        { from: { xM: 3, yM: 2 }, toXM: 3 },
        { from: { xM: 5, yM: 2 }, toXM: 5 },
      ],
      blocked: 0,
    });
    expect(run(3).places.map(({ toXM }) => Number(toXM.toFixed(3)))).toEqual([3, 2.4, 5]);
    expect(run(4).places.map(({ toXM }) => Number(toXM.toFixed(3)))).toEqual([3, 2.4, 5, 5.6]);
  });

  test('beside what must stay clear, as little as may be; where there is no way it is told', () => {
    // From 2.7 to 3.3 m nothing may cross: the left stake stands 0.4 m further out.
    expect(run(2, [zone(2.7, 0.6)]).places.map(({ toXM }) => Number(toXM.toFixed(3)))).toEqual([2.6, 5]);
    const all = run(2, [zone(-10, 30)]);
    expect(all.blocked).toBe(2);
    expect(all.places.map(({ toXM }) => toXM)).toEqual([3, 5]);
    // A second upper end is taken where the first has no way.
    const other = tiePlaces(
      {
        ...ends,
        left: [
          { xM: 3, yM: 0.3 },
          { xM: 2, yM: 1 },
        ],
      },
      2,
      { ...lawn, keepClear: [zone(2.7, 0.6)] },
      0,
      () => 1.5,
    );
    expect(other.places[0]).toMatchObject({ from: { xM: 2, yM: 1 }, toXM: 2 });
  });
});

test('what hangs has to say what carries it; helium, and what has said so, has not', () => {
  expect(
    ['organic-garland', 'bunch', 'banner', 'accent'].map((kind) => isAskedFor(made(kind as 'bunch', 'p'))),
  ).toEqual([true, true, true, true]);
  expect(
    ['packed-arch', 'tower', 'furnishing', 'chain'].map((kind) => isAskedFor(made(kind as 'tower', 'p'))),
  ).toEqual([false, false, false, false]);
  expect(isAskedFor({ ...made('bunch', 'p'), on: null })).toBe(false);
  expect(isAskedFor(heliumBouquet('h'))).toBe(false);
  const stand = made('backdrop', 'Stand', { what: 'curtain', at: { xM: 4, yM: 0 }, widthM: 3, heightM: 2.4 });
  const garland = made('organic-garland', 'Garland', {
    line: [
      { xM: 2.6, yM: 2.3 },
      { xM: 5.4, yM: 2.3 },
    ],
  });
  const file = jobOf([stand, garland]);
  expect(unsaidCarrier(garland, file)).toBe(
    'Garland lies on Stand: say under Hangs on whether that carries it.',
  );
  expect(unsaidCarrier({ ...garland, on: null }, file)).toBeUndefined();
  expect(
    unsaidCarrier(
      made('organic-garland', 'far', {
        line: [
          { xM: 9, yM: 1 },
          { xM: 11, yM: 1 },
        ],
      }),
      file,
    ),
  ).toBeUndefined();
});

test('bases from the catalogue, the lightest work first; loads of one’s own after the catalogue’s', () => {
  expect(baseOf('plate-2ft').widthM).toBeCloseTo(0.61, 2);
  expect(() => baseOf('cloud' as never)).toThrow(/cloud/);
  expect(
    bases.every(({ massKg, widthM, mostBallastKg }) => massKg >= 0 && widthM > 0 && mostBallastKg >= 0),
  ).toBe(true);
  const own = { id: 'own', name: 'Fern tub', what: 'floral' as const, massKg: 2 };
  expect(loadsOf({ ownLoads: [own] }).at(-1)).toEqual(own);
  expect(loadsOf({}).length).toBe(loadsOf({ ownLoads: [own] }).length - 1);
});

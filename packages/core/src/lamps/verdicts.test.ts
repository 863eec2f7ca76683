import type {
  BalloonRow,
  HoldPiece,
  Holds,
  JobFile,
  LastingLot,
  MaterialRow,
  Rehearsal,
  Task,
  Unmade,
} from '@early-lantern/contract';
import type { ClockPlan } from '../clock/clock.ts';
import { blank } from '../structure/blank-piece.ts';
import { hall, jobOf, made } from '../test/carried.ts';
import { evaluated } from '../test/formula.ts';
import { enoughLamp } from './enough.ts';
import { holdsLamp } from './holds.ts';
import { lastsLamp } from './lasts.ts';
import { driverFixes, driverLacking } from './no-driver.ts';
import { onTimeLamp, rehearsed } from './on-time.ts';
import { seatFixes, seatsLacking } from './seats.ts';

const column = made('packed-column', 'column');
const base = (edit: (file: JobFile) => void = () => {}) => jobOf([column], edit);

describe('Enough', () => {
  const row = (colour: string, need: number, spare = 2): BalloonRow => ({
    nominalIn: 11,
    inflatedIn: { min: 9, max: 10 },
    colour,
    need,
    spare,
    kept: 0,
  });
  const material = (item: string, count: number): MaterialRow => ({
    item,
    label: item,
    count,
    unit: 'pieces',
    isGear: true,
    working: [],
  });
  const lampOf = (
    balloons: BalloonRow[],
    stock: [colour: string, onHand: number][],
    {
      materials = [],
      unmade = [],
      edit,
    }: { materials?: MaterialRow[]; unmade?: Unmade[]; edit?: (file: JobFile) => void } = {},
  ) =>
    enoughLamp(
      base((file) => {
        file.workshop.stock = stock.map(([colour, onHand]) => ({ nominalIn: 11, colour, onHand }));
        file.workshop.reserved = [];
        file.workshop.onOrder = [];
        file.workshop.materials = [{ item: 'clamp', onHand: 3 }];
        edit?.(file);
      }),
      { balloons, materials, unmade },
    );
  const said = (lamp: ReturnType<typeof lampOf>) => [lamp.state, lamp.figure];

  test('lit with all, low without some spares, out when a need is short; the worst product gives the figure', () => {
    expect(said(lampOf([row('chalk', 20)], [['chalk', 25]]))).toEqual(['lit', '3 left over']);
    expect(said(lampOf([row('chalk', 20)], [['chalk', 22]]))).toEqual(['lit', 'just enough']);
    expect(said(lampOf([row('chalk', 20)], [['chalk', 20]]))).toEqual(['low', 'spares short 2']);
    expect(said(lampOf([row('chalk', 20)], [['chalk', 19]]))).toEqual(['out', 'short 3']);
    const two = lampOf(
      [row('chalk', 20), row('oat', 10)],
      [
        ['chalk', 30],
        ['oat', 4],
      ],
    );
    expect([two.figure, two.reason]).toEqual(['short 8', 'Buy 8 of 11 in. oat.']);
    // One need short beside spares of another: the need counts.
    expect(
      lampOf(
        [row('chalk', 20, 9), row('oat', 10)],
        [
          ['chalk', 20],
          ['oat', 9],
        ],
      ).state,
    ).toBe('out');
    const four = ['chalk', 'oat', 'brick', 'lagoon'].map((colour) => row(colour, 5));
    expect(lampOf(four, [['fern', 1]]).reason).toMatch(
      /^Buy 7 of .+, 7 of .+, 7 of .+ and 1 more product\.$/,
    );
  });

  test('unlit before there is a piece or a counted shelf; recorded when it is; what is not made goes before all else', () => {
    expect(enoughLamp(jobOf([]), { balloons: [], materials: [], unmade: [] }).figure).toBe('no piece yet');
    expect(said(lampOf([row('chalk', 5)], []))).toEqual(['unlit', 'count the shelf']);
    expect(said(lampOf([], []))).toEqual(['lit', 'no balloons']);
    expect(
      said(
        lampOf([row('chalk', 5)], [['oat', 1]], {
          edit: (file) => {
            file.workshop.isUsed = true;
          },
        }),
      ),
    ).toEqual(['lit', 'recorded']);
    const unmade = { nominalIn: 11, colour: 'oat', count: 6, alternatives: [] };
    const none = lampOf([row('chalk', 5)], [['chalk', 99]], { unmade: [unmade] });
    expect([...said(none), none.reason]).toEqual([
      'out',
      '6 not made',
      '11 in. oat does not exist. Choose another colour or size.',
    ]);
    const ways = lampOf([row('chalk', 5)], [['chalk', 99]], {
      unmade: [{ ...unmade, alternatives: [{} as never, {} as never] }],
    });
    expect(ways.reason).toContain('Counts offers 2 ways round it.');
  });

  test('materials that were counted put it out as well, with what other jobs hold told', () => {
    const short = lampOf([row('chalk', 5)], [['chalk', 99]], {
      materials: [material('clamp', 4), material('tape', 99)],
    });
    expect([...said(short), short.reason]).toEqual([
      'out',
      'clamp short',
      'clamp: 4 needed, 3 on the shelf.',
    ]);
    const held = lampOf([], [], {
      materials: [material('clamp', 3)],
      edit: (file) => {
        file.workshop.heldMaterials = [{ item: 'clamp', count: 1, jobs: ['Another'] }];
      },
    });
    expect(held.reason).toBe('clamp: 3 needed, 3 on the shelf, 1 held for other jobs.');
    expect(held.working.at(-1)?.value).toBe(-1);
    for (const { formula, inputs, value } of [...short.working, ...held.working])
      expect(evaluated(formula, new Map(inputs.map((one) => [one.name, Number(one.value)])))).toBe(value);
    expect(said(lampOf([], [], { materials: [material('clamp', 3)] }))).toEqual(['lit', 'no balloons']);
  });
});

describe('Lasts', () => {
  const lot = (id: string, state: LastingLot['state'], left: number): LastingLot =>
    ({
      id,
      label: id,
      state,
      reason: `${id} fares so.`,
      hoursLimit: 40,
      hoursAged: 40 - left,
      working: [{ label: id }],
    }) as unknown as LastingLot;
  const outside = (source?: 'imported' | 'simulated') =>
    base((file) => {
      file.site.spots = [{ ...hall, indoors: false }];
      delete file.job.weather;
      if (source) file.job.weather = { source, madeAt: file.job.doors, hours: [] };
    });

  test('as its weakest lot: the worst state, of alike ones the least left', () => {
    const lamp = lastsLamp(base(), [
      lot('a', 'lit', 9),
      lot('b', 'low', 20),
      lot('c', 'low', 12),
      lot('d', 'lit', 1),
    ]);
    expect([lamp.state, lamp.figure, lamp.reason]).toEqual(['low', '12 h to spare', 'c: c fares so.']);
    expect(lamp.working).toEqual([{ label: 'c' }]);
    const well = lastsLamp(base(), [lot('a', 'lit', 9), lot('d', 'lit', 3)]);
    expect([well.state, well.figure, well.reason]).toEqual([
      'lit',
      '3 h to spare',
      'Every lot looks as it should to the end; d has least to spare.',
    ]);
    expect(lastsLamp(base(), [lot('a', 'out', -5)]).figure).toBe('5 h short');
  });

  test('outdoors it needs a forecast, and made-up weather lights it no more than low', () => {
    expect(lastsLamp(outside(), [lot('a', 'lit', 9)])).toMatchObject({
      state: 'unlit',
      figure: 'needs a forecast',
      working: [{ label: 'a' }],
    });
    expect(lastsLamp(outside('simulated'), [lot('a', 'lit', 9)])).toMatchObject({ state: 'low' });
    expect(lastsLamp(outside('simulated'), [lot('a', 'out', -1)])).toMatchObject({ state: 'out' });
    expect(lastsLamp(outside('imported'), [lot('a', 'lit', 9)])).toMatchObject({ state: 'lit' });
    expect(lastsLamp(jobOf([]), []).figure).toBe('no piece yet');
    expect(lastsLamp(base(), []).figure).toBe('no balloon');
  });
});

describe('Holds', () => {
  const piece = (more: Partial<HoldPiece> = {}): HoldPiece => ({
    ...blank(column, '', 1),
    cases: [{} as never],
    safetyFactor: 3,
    required: 2,
    governing: 'tips over when bumped',
    ...more,
  });
  const all = (pieces: HoldPiece[], more: Partial<Holds> = {}): Holds => ({
    gustMs: 5,
    gustSource: '',
    gustBasis: 'typed',
    isOutdoors: false,
    pieces,
    ...more,
  });
  const lampOf = (pieces: HoldPiece[], more: Partial<Holds> = {}) => holdsLamp(base(), all(pieces, more));

  // Less than 15 % over what is required is little: from memory.
  test.each([
    [3, 2, 'lit', '3, needs 2'],
    [2.3, 2, 'lit', '2.3, needs 2'],
    [2.29, 2, 'low', '2.3, needs 2'],
    [2, 2, 'low', '2, needs 2'],
    [1.99, 2, 'out', '1.99, needs 2'],
    [0.5, 2, 'out', '0.5, needs 2'],
    [99, 2, 'lit', '99+, needs 2'],
  ])('%d of %d is %s', (safetyFactor, required, state, figure) =>
    expect(lampOf([piece({ safetyFactor, required })])).toMatchObject({ state, figure }),
  );

  test('the least margin decides, not the least factor; what falls short says how, and in what gust outdoors', () => {
    const lamp = lampOf([
      piece({ safetyFactor: 2.5, required: 1 }),
      piece({ name: 'Arch', safetyFactor: 2.6, required: 3, isOutdoors: true, takeDownGustMs: 4 }),
    ]);
    expect(lamp.reason).toBe('Arch tips over when bumped: safety factor 2.6, needs 3, at 11 mph.');
    const hung = lampOf([piece({ points: [{} as never], safetyFactor: 1, required: 3 })]);
    expect(hung.reason).toBe('column loads a point too much: safety factor 1, needs 3.');
  });

  test('troubles put it out, risks and guessed wind make it low; what is only set down is said', () => {
    expect(lampOf([piece({ troubles: ['The pole leans.'] })])).toMatchObject({
      state: 'out',
      figure: 'needs a change',
      reason: 'The pole leans.',
    });
    // What does not hold goes before what is troubled.
    expect(lampOf([piece({ safetyFactor: 1, troubles: ['x'] })]).figure).toBe('1, needs 2');
    expect(lampOf([piece({ risks: ['One slip and it falls.'] })])).toMatchObject({
      state: 'low',
      reason: 'One slip and it falls.',
    });
    const out = { isOutdoors: true, takeDownGustMs: 8.94, safetyFactor: 9 };
    expect(lampOf([piece(out)], { gustBasis: 'assumed' }).reason).toContain('assumed gust of 11 mph');
    expect(lampOf([piece(out)], { gustBasis: 'simulated' })).toMatchObject({ state: 'low' });
    expect(lampOf([piece({ ...out, takeDownGustMs: null })], { gustBasis: 'assumed' }).state).toBe('lit');
    expect(lampOf([piece({ ...out, isOutdoors: false })], { gustBasis: 'assumed' }).state).toBe('lit');
    expect(lampOf([piece(out)])).toMatchObject({ state: 'lit', figure: '9, needs 2, take down at 20 mph' });
    const table = piece({ name: 'Table', cases: [], safetyFactor: null, required: null });
    expect(lampOf([table])).toMatchObject({
      state: 'lit',
      figure: 'nothing to hold',
      reason: expect.stringMatching(/^Not checked, only set down: Table\./),
    });
    expect(lampOf([piece(), table]).reason).toMatch(
      /^Every other base, tie and point keeps its factor\. Not checked, only set down: Table\./,
    );
  });

  test('what was not surveyed is asked first, unless something fails whatever the answer', () => {
    const unseen = piece({ unasked: ['fixings', 'floor', 'forbids'], safetyFactor: 0.1 });
    const asked = lampOf([unseen]);
    expect(asked).toMatchObject({ state: 'unlit', figure: 'needs survey' });
    expect(asked.reason).toMatch(
      /^Not known yet for column: what there is to fix to at Hall, what the floor of Hall is and whether .+ allows adhesive and stakes\.$/,
    );
    expect(lampOf([piece(), unseen]).state).toBe('unlit');
    expect(lampOf([piece({ safetyFactor: 1 }), unseen]).state).toBe('out');
    expect(lampOf([piece({ troubles: ['x'] }), unseen]).state).toBe('out');
    expect(lampOf([]).figure).toBe('no piece yet');
  });
});

describe('On time', () => {
  const doors = '2027-06-19T17:30:00-05:00';
  const before = (minutes: number) => new Date(Date.parse(doors) - minutes * 60_000).toISOString();
  const clock = (
    readyBefore: number,
    more: Partial<ClockPlan['onTime']> = {},
    tasks: Task[] = [],
  ): ClockPlan =>
    ({
      tasks,
      stuck: 'nobody ties.',
      off: 'The crew comes late.',
      onTime: {
        doors,
        ready: before(readyBefore),
        out: before(readyBefore),
        minutesInHand: readyBefore,
        broken: null,
        ...more,
      },
    }) as unknown as ClockPlan;
  const file = (edit: (file: JobFile) => void = () => {}) =>
    base((one) => {
      one.job.doors = doors;
      one.job.access.until = '2027-06-19T18:00:00-05:00';
      edit(one);
    });
  const wantedMin = Number(
    onTimeLamp(file(), clock(500)).working[0]?.inputs.find(({ name }) => name === 'wanted')?.value,
  );

  test('lit with the wanted minutes, low with fewer, out after doors or without a plan', () => {
    expect(wantedMin).toBeGreaterThan(0);
    expect(onTimeLamp(file(), clock(wantedMin))).toMatchObject({
      state: 'lit',
      figure: `${wantedMin} min to spare`,
    });
    expect(onTimeLamp(file(), clock(wantedMin - 1))).toMatchObject({
      state: 'low',
      reason: expect.stringContaining(`you want ${wantedMin} min to spare`),
    });
    expect(onTimeLamp(file(), clock(-7))).toMatchObject({
      state: 'out',
      figure: '7 min late',
      reason: expect.stringMatching(/7 min after doors\. The crew comes late\.$/),
    });
    expect(onTimeLamp(file(), clock(0, { minutesInHand: null }))).toMatchObject({
      state: 'out',
      figure: 'no plan',
      reason: 'There is no plan: nobody ties.',
    });
    expect(onTimeLamp(jobOf([]), clock(90)).figure).toBe('no piece yet');
  });

  test('a wish not kept, a kerb too short and a window that closes before doors are told', () => {
    expect(onTimeLamp(file(), clock(90, { broken: 'Prepared on the day.' }))).toMatchObject({
      state: 'low',
      reason: 'Prepared on the day.',
    });
    const unload = [
      { id: 'unload-first', start: before(200), end: before(190) },
      { id: 'unload', start: before(190), end: before(170) },
    ] as unknown as Task[];
    const kerb = (kerbMin: number) =>
      onTimeLamp(
        file((one) => {
          one.site.loadIn.kerbMin = kerbMin;
        }),
        clock(90, {}, unload),
      );
    expect(kerb(29)).toMatchObject({
      state: 'low',
      figure: 'van too long',
      reason: expect.stringContaining('takes 30 min'),
    });
    expect(kerb(30).state).toBe('lit');
    expect(onTimeLamp(file(), clock(90, { minutesInHand: 60 })).reason).toContain(
      '60 min before access ends at 18:00',
    );
  });

  test('a plan that comes off on fewer than four of five rehearsed days is low; what is out or unlit stays so', () => {
    const lit = onTimeLamp(file(), clock(90));
    const days = (chance: number) => ({ chance, runs: 2000 }) as Rehearsal;
    expect([rehearsed(lit, days(0.8)).state, rehearsed(lit, days(0.79)).state, rehearsed(lit, null)]).toEqual(
      ['lit', 'low', lit],
    );
    expect(rehearsed(lit, days(0.79)).reason).toMatch(/Ready on 79/);
    const late = onTimeLamp(file(), clock(-7));
    expect(rehearsed(late, days(0.1))).toBe(late);
  });

  test('everybody needs a seat, to set up and to strike; a car gives four more; nobody drives to the workshop', () => {
    const crowd = (seats: number, edit: (one: JobFile) => void = () => {}) =>
      base((one) => {
        one.workshop.vehicles = [{ id: 'van', name: 'Van', seats }];
        one.job.cars = [];
        one.job.crew = ['wren', 'ilo'];
        edit(one);
      });
    expect(seatsLacking(crowd(2))).toBeUndefined();
    expect(seatsLacking(crowd(1))).toMatchObject({
      figure: '1 seat short',
      lacking: 1,
      told: expect.stringMatching(/^2 people drive out to set up, and there is 1 seat/),
    });
    expect(seatFixes(crowd(1)).map(({ gain }) => gain)).toContain('everybody has a seat');
    expect(seatFixes(crowd(2))).toEqual([]);
    expect(
      seatsLacking(
        crowd(1, (one) => {
          one.job.cars = [{ id: 'c', name: 'C', seats: 1 }];
        }),
      ),
    ).toBeUndefined();
    expect(
      seatsLacking(
        crowd(1, (one) => {
          one.site.isWorkshop = true;
        }),
      ),
    ).toBeUndefined();
    const strike = crowd(2, (one) => {
      one.job.strikeCrew = ['wren', 'ilo', 'sefa'];
      one.job.isKept = false;
    });
    expect(seatsLacking(strike)?.told).toContain('3 people drive out to strike');
    strike.job.isKept = true;
    expect(seatsLacking(strike)).toBeUndefined();
  });

  test('a vehicle that nobody of the crew may drive stays where it is; leaving it, or another driver, is offered', () => {
    const two = (edit: (one: JobFile) => void = () => {}) =>
      base((one) => {
        one.workshop.vehicles = ['van', 'truck'].map((id) => ({ id, name: `The ${id}`, seats: 3 }));
        one.job.vehicles = ['van', 'truck'];
        one.job.crew = ['sefa', 'ilo'];
        one.job.isKept = true;
        edit(one);
      });
    const out = (crew: string[]) =>
      [{ id: 'drive-out', trip: 'set-up', crew, gear: ['van', 'truck', 'wagon-1'] }] as unknown as Task[];
    const told = {
      figure: 'a driver short',
      told: 'Nobody on board may drive The truck on the way out.',
    };
    // Sefa does not drive.
    expect(driverLacking(two(), out(['sefa', 'ilo']))).toEqual(told);
    expect(driverFixes(two(), { tasks: out(['sefa', 'ilo']) }).map(({ label }) => label)).toEqual([
      'Leave The van at home',
      'Leave The truck at home',
      'Wren Haddock comes too',
    ]);
    const both = two((one) => {
      one.job.crew = ['wren', 'ilo'];
    });
    expect(driverLacking(both, out(['wren', 'ilo']))).toBeUndefined();
    // Both drive, and neither the truck.
    const truck = two((one) => {
      one.job.crew = ['wren', 'ilo'];
      one.workshop.vehicles[1] = { id: 'truck', name: 'The truck', seats: 3, drivers: ['bram'] };
    });
    expect(driverLacking(truck, out(['wren', 'ilo']))).toEqual(told);
  });
});

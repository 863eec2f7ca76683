import fc from 'fast-check';
import { asProblem, jobShops } from '../test/job-shops.ts';
import { breaches } from '../test/schedule-rules.ts';
import { compile, mirror } from './compiled.ts';
import type { Decoded } from './decode.ts';
import type { Activity, Lag, Placings, Problem, Worker } from './problem.ts';
import { Search } from './search.ts';

const makespan = ({ end }: Pick<Decoded, 'end'>) => Math.max(...end);

function activity(
  id: string,
  minutes: number,
  gear: Record<string, number>,
  after: (string | Lag)[] = [],
): Activity {
  return {
    id,
    modes: [{ hands: 0, minutes }],
    skills: [],
    gear,
    after: after.map((one) => (typeof one === 'string' ? { id: one } : one)),
    earliest: 0,
  };
}

/** The shortest that so many orders find. */
function shortest(problem: Problem, orders: number, bound = 0) {
  const search = new Search(compile(problem), makespan, { bound });
  search.run(orders);
  return search;
}

function placingsOf(problem: Problem, { found }: Search): Placings {
  return new Map(
    problem.activities.map(({ id }, i) => [
      id,
      {
        start: found.start[i] as number,
        end: found.end[i] as number,
        crew: problem.workers
          .filter((_, p) => (found.crew[i] as number) & (1 << p))
          .map((worker) => worker.id),
        way: found.modes[i] as number,
      },
    ]),
  );
}

// Worked examples with their optima known by exhaustive search.
const exampleA: Activity[] = [
  activity('0', 3, { crew: 2, inflator: 1 }),
  activity('1', 2, { crew: 1 }),
  activity('2', 4, { crew: 1, inflator: 1 }),
  activity('3', 2, { crew: 2 }, ['0', '1']),
  activity('4', 3, { crew: 1, inflator: 1 }, ['1']),
  activity('5', 1, { crew: 3 }, ['2']),
  activity('6', 2, { crew: 2 }, ['3', '4']),
];

test('seven tasks, a crew of three, one inflator: done in 11; with the crew away in [5,6), in 14', () => {
  const problem: Problem = { activities: exampleA, workers: [], gear: { crew: 3, inflator: 1 } };
  expect(shortest(problem, 2000, 11).found.cost).toBe(11);
  const away = { ...problem, absences: [{ kind: 'crew', count: 3, from: 5, until: 6 }] };
  const search = shortest(away, 2000, 14);
  expect(search.found.cost).toBe(14);
  expect(breaches(away, placingsOf(away, search))).toEqual([]);
});

const exampleB = (lag: number): Problem => ({
  workers: [],
  gear: { crew: 2, inflator: 1 },
  activities: [
    activity('I1', 2, { crew: 1, inflator: 1 }),
    activity('I2', 3, { crew: 1, inflator: 1 }),
    { ...activity('F', 4, { crew: 1 }), earliest: 2 },
    activity('G', 3, { crew: 2 }, [{ id: 'I1', max: lag }, { id: 'I2', max: lag }, 'F']),
    { ...activity('R', 1, { crew: 1 }, ['G']), latest: 12 },
  ],
});

test.each([
  [3, 10],
  [2, 10],
])('maximum lags: with %i minutes from inflation to use, done at %i', (lag, done) => {
  const problem = exampleB(lag);
  const search = shortest(problem, 3000, done);
  expect(search.found.cost).toBe(done);
  expect(breaches(problem, placingsOf(problem, search))).toEqual([]);
});

test('a maximum lag of one minute there leaves no schedule', () => {
  const search = shortest(exampleB(1), 3000);
  expect(search.hasSchedule).toBe(false);
  expect(search.stuckAt).toBeDefined();
});

test('counted back, inflation starts as late as exhaustive search found: 6 and 3', () => {
  const problem = exampleB(3);
  const compiled = mirror(
    compile({ ...problem, activities: problem.activities.map((one) => ({ ...one, latest: 12 })) }),
  );
  // Time runs backwards: a start is an end below zero.
  const search = new Search(compiled, ({ end }) => (end[0] as number) + (end[1] as number), { bound: -9 });
  search.run(3000);
  expect([...search.found.end].map((end) => -end)).toEqual([6, 3, expect.any(Number), 8, 11]);
});

test.each(Object.entries(jobShops).filter(([name]) => name !== 'ft10'))(
  'job shop %s reaches its published optimum',
  (_, { rows, optimum }) => {
    const problem = asProblem(rows);
    const search = shortest(problem, 30_000, optimum);
    expect(search.found.cost).toBe(optimum);
    expect(breaches(problem, placingsOf(problem, search))).toEqual([]);
  },
);

/** Shortest makespan by trying every start of every activity, with counted gear only. */
function exhaustive({ activities, gear }: Problem): number {
  const horizon = activities.reduce((sum, { modes }) => sum + modes[0].minutes, 0) + 8;
  const starts: number[] = [];
  const minutes = activities.map(({ modes }) => modes[0].minutes);
  const index = new Map(activities.map(({ id }, i) => [id, i]));
  let best = Infinity;
  const fits = (one: number, start: number) => {
    for (let t = start; t < start + (minutes[one] as number); t++)
      for (const [kind, amount] of Object.entries(activities[one]?.gear ?? {})) {
        let taken = amount;
        for (const [other, at] of starts.entries())
          if (at <= t && t < at + (minutes[other] as number)) taken += activities[other]?.gear[kind] ?? 0;
        if (taken > (gear[kind] as number)) return false;
      }
    return true;
  };
  const place = (one: number, end: number) => {
    if (end >= best) return;
    if (one === activities.length) {
      best = end;
      return;
    }
    let [low, high] = [0, horizon];
    for (const { id, min = 0, max = Infinity } of activities[one]?.after ?? []) {
      const before = index.get(id) as number;
      const over = (starts[before] as number) + (minutes[before] as number);
      low = Math.max(low, over + min);
      high = Math.min(high, over + max);
    }
    for (let start = low; start <= high && start + (minutes[one] as number) <= horizon; start++) {
      if (!fits(one, start)) continue;
      starts.push(start);
      place(one + 1, Math.max(end, start + (minutes[one] as number)));
      starts.pop();
    }
  };
  place(0, 0);
  return best;
}

const smallProblem = fc
  .array(
    fc.record({
      minutes: fc.integer({ min: 1, max: 4 }),
      crew: fc.integer({ min: 1, max: 2 }),
      inflator: fc.integer({ min: 0, max: 1 }),
      before: fc.array(fc.record({ j: fc.nat(4), min: fc.nat(2), slack: fc.option(fc.nat(3)) }), {
        maxLength: 2,
      }),
    }),
    { minLength: 2, maxLength: 5 },
  )
  .map(
    (tasks): Problem => ({
      workers: [],
      gear: { crew: 2, inflator: 1 },
      activities: tasks.map(({ minutes, crew, inflator, before }, i) => {
        const lags = new Map(
          before
            .filter(({ j }) => j < i)
            .map(({ j, min, slack }) => [`t${j}`, slack === null ? { min } : { min, max: min + slack }]),
        );
        return activity(
          `t${i}`,
          minutes,
          { crew, inflator },
          [...lags].map(([id, lag]) => ({ id, ...lag })),
        );
      }),
    }),
  );

test('small random problems with lags equal brute force, and break no rule', () => {
  let solved = 0;
  let missed = 0;
  for (const problem of fc.sample(smallProblem, { numRuns: 120, seed: 42 })) {
    const best = exhaustive(problem);
    const search = shortest(problem, 400, best);
    if (!search.hasSchedule) {
      // Lags can make an order hopeless where another is not; nothing may be found where nothing is.
      if (best < Infinity) missed += 1;
      continue;
    }
    expect(breaches(problem, placingsOf(problem, search))).toEqual([]);
    expect(search.found.cost).toBeGreaterThanOrEqual(best);
    if (search.found.cost > best) missed += 1;
    solved += 1;
  }
  expect(solved).toBeGreaterThan(80);
  expect(missed).toBe(0);
});

const crewDay = fc.record({
  tasks: fc.array(
    fc.record({
      minutes: fc.integer({ min: 5, max: 120 }),
      hands: fc.integer({ min: 1, max: 2 }),
      inflator: fc.integer({ min: 0, max: 1 }),
      skilled: fc.boolean(),
      before: fc.array(fc.nat(13), { maxLength: 2 }),
      lag: fc.option(fc.integer({ min: 0, max: 90 })),
      trip: fc.nat(3),
    }),
    { minLength: 3, maxLength: 14 },
  ),
  opens: fc.integer({ min: 360, max: 600 }),
  away: fc.integer({ min: 0, max: 300 }),
  paces: fc.array(fc.constantFrom(0.5, 0.8, 1, 1.3, 2), { minLength: 3, maxLength: 3 }),
  pinned: fc.option(fc.integer({ min: 60, max: 300 })),
});

/**
 * A day with shifts, skills, rests, lags, several ways, people of different paces, something kept to its start, and two
 * crews that are away together for a while and are back sooner with the one cart.
 */
function asDay({
  tasks,
  opens,
  away,
  paces,
  pinned,
}: typeof crewDay extends fc.Arbitrary<infer T> ? T : never): Problem {
  const shifts = [0, 1440, 2880].map((day) => [opens + day, opens + day + 600] as const);
  const workers: Worker[] = [
    { id: 'wren', skills: ['ladder'], shifts, pace: paces[0] },
    { id: 'ilo', skills: [], shifts, pace: paces[1] },
    {
      id: 'sefa',
      skills: ['ladder'],
      shifts: shifts.map(([from, to]) => [from + 60, to - 100] as const),
      pace: paces[2],
    },
  ];
  const idle = (id: string, who: string[]): Activity => ({
    id,
    modes: [
      { hands: who.length, minutes: 15 },
      { hands: who.length, minutes: 15 },
    ],
    skills: [],
    gear: {},
    who,
    after: [],
    earliest: 0,
  });
  const crews = [['wren', 'ilo'], ['sefa']];
  const trips = crews.flatMap((who, c) => [
    idle(`out${c}`, who),
    {
      ...idle(`back${c}`, who),
      // With the cart, or without.
      modes: [
        { hands: who.length, minutes: 15 },
        { hands: who.length, minutes: 25 },
      ],
      wayOf: `out${c}`,
      after: [{ id: `out${c}` }],
    } satisfies Activity,
  ]);
  const tripOf = (i: number) => (tasks[i] as { trip: number }).trip;
  const inside = (c: number) => tasks.flatMap((_, i) => (tripOf(i) === c ? [`t${i}`] : []));
  const own = tasks.map((one, i): Activity => {
    const away = one.trip < 2 ? one.trip : -1;
    const hands = Math.min(one.hands, away >= 0 ? (crews[away] as string[]).length : 2);
    const lag = one.lag;
    const before = [...new Set(one.before.filter((j) => j < i && (tripOf(j) < 2 ? tripOf(j) : -1) === away))];
    return {
      id: `t${i}`,
      modes:
        hands === 1 && away !== 1
          ? [
              { hands, minutes: one.minutes },
              { hands: 2, minutes: Math.ceil(one.minutes * 0.6) },
            ]
          : [{ hands, minutes: one.minutes }],
      skills: one.skilled ? ['ladder'] : [],
      gear: one.inflator ? { inflator: 1 } : {},
      isPaced: true,
      earliest: 0,
      ...(i === 0 && away < 0 && pinned !== null
        ? { earliest: opens + pinned, startBy: opens + pinned }
        : {}),
      ...(away >= 0 ? { who: crews[away] as string[] } : {}),
      after: [
        ...before.map((j) => ({ id: `t${j}`, min: lag ?? 0, ...(lag === null ? {} : { max: lag + 400 }) })),
        ...(away >= 0 ? [{ id: `out${away}` }] : []),
      ],
    };
  });
  for (const [c] of crews.entries()) {
    const back = trips[2 * c + 1] as Activity;
    trips[2 * c + 1] = { ...back, after: [...back.after, ...inside(c).map((id) => ({ id }))] };
  }
  return {
    workers,
    gear: { inflator: 1, van: 2, cart: 1 },
    absences: [{ kind: 'inflator', count: 1, from: opens + 100, until: opens + 100 + away }],
    rest: { afterMin: 360, restMin: 30 },
    activities: [...own, ...trips],
    holds: crews.map((who, c) => ({
      id: `trip${c}`,
      from: `out${c}`,
      until: `back${c}`,
      workers: who,
      gear: { van: 1 },
      gearByWay: [{ cart: 1 }, { cart: 0 }],
      inside: [`out${c}`, ...inside(c), `back${c}`],
    })),
  };
}

test('500 random days: shifts, skills, paces, rests, lags, ways, crews away with van and cart; no rule broken', () => {
  let planned = 0;
  for (const day of fc.sample(crewDay, { numRuns: 500, seed: 7 })) {
    const problem = asDay(day);
    const search = shortest(problem, 30);
    if (!search.hasSchedule) continue;
    planned += 1;
    expect(breaches(problem, placingsOf(problem, search))).toEqual([]);
  }
  expect(planned).toBeGreaterThan(400);
});

test('the same seed finds the same; more orders never find worse', () => {
  const problem = asProblem(jobShops.la01.rows);
  const costs = [50, 50, 500].map((orders) => shortest(problem, orders).found.cost);
  expect(costs[0]).toBe(costs[1]);
  expect(costs[2]).toBeLessThanOrEqual(costs[0] as number);
});

test('nonsense is refused', () => {
  const circle = {
    activities: [activity('a', 1, {}, ['b']), activity('b', 1, {}, ['a'])],
    workers: [],
    gear: {},
  };
  expect(() => compile(circle)).toThrow('waits for itself');
  expect(() => compile({ ...circle, activities: [activity('a', 1, {}, ['c'])] })).toThrow('does not exist');
  expect(() => compile({ ...circle, activities: [activity('a', 1, { crane: 1 })] })).toThrow(
    'no gear of the kind "crane"',
  );
});

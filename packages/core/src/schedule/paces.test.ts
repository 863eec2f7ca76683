import fc from 'fast-check';
import { earliestEnd } from './bound.ts';
import { compile } from './compiled.ts';
import { minutesAt } from './pace.ts';
import type { Activity, Problem } from './problem.ts';
import { Search } from './search.ts';

test.each([
  [60, 1, 2, 30],
  [60, 2, 1.5, 80],
  [10, 1, 0.3, 34],
  [1, 1, 4, 1],
  [45, 0, 0, 45],
])('%i min of %i hands at paces of %f together take %i', (minutes, hands, paces, takes) => {
  expect(minutesAt(minutes, hands, paces)).toBe(takes);
});

/** The soonest that all can be done: every crew for every task in every order, each as soon as its people are free. */
function exhaustive({ activities, workers }: Problem): number {
  const crews = (one: Activity) =>
    one.modes.flatMap(({ hands, minutes }) =>
      subsets(workers.length)
        .filter((crew) => crew.length === hands)
        .map((crew) => {
          const paces = crew.reduce((sum, p) => sum + (workers[p]?.pace ?? 1), 0);
          return { crew, takes: Math.max(1, Math.ceil((minutes * hands) / paces - 1e-9)) };
        }),
    );
  const ways = activities.map(crews);
  let best = Infinity;
  const go = (ends: readonly (number | undefined)[], free: readonly number[], last: number) => {
    if (last >= best) return;
    if (ends.every((end) => end !== undefined)) {
      best = last;
      return;
    }
    for (const [i, one] of activities.entries()) {
      const waits = one.after.map(({ id }) => ends[Number(id.slice(1))]);
      if (ends[i] !== undefined || waits.includes(undefined)) continue;
      for (const { crew, takes } of ways[i] ?? []) {
        const start = Math.max(0, ...(waits as number[]), ...crew.map((p) => free[p] as number));
        const end = start + takes;
        go(
          ends.with(i, end),
          free.map((at, p) => (crew.includes(p) ? end : at)),
          Math.max(last, end),
        );
      }
    }
  };
  go(
    activities.map(() => undefined),
    workers.map(() => 0),
    0,
  );
  return best;
}

const subsets = (count: number): number[][] =>
  Array.from({ length: 2 ** count }, (_, bits) =>
    [...new Array(count).keys()].filter((p) => bits & (1 << p)),
  );

const allDay = [[0, 10_000]] as const;

const people = fc.array(fc.constantFrom(0.5, 0.8, 1, 1.5, 2), { minLength: 2, maxLength: 3 });
const work = fc.array(
  fc.record({
    minutes: fc.integer({ min: 5, max: 60 }),
    alone: fc.boolean(),
    together: fc.boolean(),
    before: fc.option(fc.nat(3)),
  }),
  { minLength: 2, maxLength: 4 },
);

const smallJob = fc.tuple(people, work).map(
  ([paces, tasks]): Problem => ({
    workers: paces.map((pace, p) => ({ id: `p${p}`, skills: [], shifts: allDay, pace })),
    gear: {},
    activities: tasks.map(({ minutes, alone, together, before }, i): Activity => {
      const one = { hands: 1, minutes };
      const two = { hands: 2, minutes: Math.ceil(minutes * 0.55) };
      return {
        id: `t${i}`,
        modes: together && alone ? [one, two] : together ? [two] : [one],
        isPaced: true,
        skills: [],
        gear: {},
        after: before !== null && before < i ? [{ id: `t${before}` }] : [],
        earliest: 0,
      };
    }),
  }),
);

test('who does what among quick and slow people equals brute force, and no bound lies above it', () => {
  let missed = 0;
  let waited = 0;
  for (const problem of fc.sample(smallJob, { numRuns: 150, seed: 5 })) {
    const best = exhaustive(problem);
    const end: Activity = {
      id: 'end',
      modes: [{ hands: 0, minutes: 0 }],
      skills: [],
      gear: {},
      after: problem.activities.map(({ id }) => ({ id })),
    };
    const compiled = compile({ ...problem, activities: [...problem.activities, end] });
    const bound = earliestEnd(compiled, problem.activities.length);
    expect(bound).toBeLessThanOrEqual(best);
    const search = new Search(compiled, (schedule) => Math.max(...schedule.end), { bound: best });
    search.run(3000);
    expect(search.found.cost).toBeGreaterThanOrEqual(best);
    if (search.found.cost > best) missed += 1;
    // Somebody quick is waited for while somebody slow has nothing to do.
    if (bound < best) waited += 1;
  }
  expect(missed).toBe(0);
  expect(waited).toBeGreaterThan(20);
});

test('a bound holds for the way that takes longer with fewer hands', () => {
  const plain = { skills: [], gear: {} };
  const problem: Problem = {
    workers: ['wren', 'ilo'].map((id) => ({ id, skills: [], shifts: allDay })),
    gear: {},
    activities: [
      {
        ...plain,
        id: 'long',
        modes: [
          { hands: 2, minutes: 30 },
          { hands: 1, minutes: 50 },
        ],
        after: [],
        earliest: 0,
      },
      { ...plain, id: 'short', modes: [{ hands: 1, minutes: 2 }], after: [], earliest: 24 },
      { ...plain, id: 'wait', modes: [{ hands: 0, minutes: 24 }], after: [{ id: 'short' }] },
      { ...plain, id: 'end', modes: [{ hands: 0, minutes: 0 }], after: [{ id: 'long' }, { id: 'wait' }] },
    ],
  };
  // One does the long thing all the while, the other the short one just then.
  const compiled = compile(problem);
  const search = new Search(compiled, ({ end }) => end[3] as number, { bound: 50 });
  search.run(500);
  expect(search.found.cost).toBe(50);
  expect(earliestEnd(compiled, 3)).toBe(50);
});

test('ways that hang together are as many', () => {
  const [first, second] = ['a', 'b'].map(
    (id): Activity => ({ id, modes: [{ hands: 0, minutes: 1 }], skills: [], gear: {}, after: [] }),
  ) as [Activity, Activity];
  const ways = { ...first, modes: [...first.modes, { hands: 0, minutes: 2 }] as Activity['modes'] };
  expect(() => compile({ activities: [ways, { ...second, wayOf: 'a' }], workers: [], gear: {} })).toThrow(
    '"b" has not as many ways',
  );
});

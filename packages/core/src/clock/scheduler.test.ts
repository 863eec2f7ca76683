import fc from 'fast-check';
import { justifiedLate } from './justify.ts';
import type { Activity, Problem, Schedule } from './problem.ts';
import { earliestSchedule, latestSchedule } from './scheduler.ts';

const always = [[0, 10_000]] as const;
const task = (
  id: string,
  minutes: number,
  hands: number,
  inflator: number,
  after: string[] = [],
): Activity => ({
  id,
  minutes,
  hands,
  skills: [],
  gear: inflator ? ['inflator'] : [],
  after,
});
const people = (count: number, shifts: readonly (readonly [number, number])[] = always) =>
  Array.from({ length: count }, (_, i) => ({ id: `p${i}`, skills: [] as string[], shifts }));

/** Every rule, written from the rules and not from the scheduler. */
function breaches(problem: Problem, schedule: Schedule): string[] {
  if (!schedule.feasible) return [];
  const found: string[] = [];
  const at = (id: string) => schedule.placings.get(id) ?? { start: NaN, end: NaN, crew: [], gear: [] };
  for (const activity of problem.activities) {
    const { start, end, crew, gear } = at(activity.id);
    if (end - start !== activity.minutes) found.push(`${activity.id} lasts ${end - start}`);
    if (new Set(crew).size !== activity.hands) found.push(`${activity.id} has ${crew.length} hands`);
    if (start < (activity.earliest ?? -Infinity) || end > (activity.latest ?? Infinity))
      found.push(`${activity.id} leaves its window`);
    for (const before of activity.after)
      if (at(before).end > start) found.push(`${activity.id} starts before ${before} ends`);
    for (const id of crew) {
      const worker = problem.workers.find((one) => one.id === id);
      if (!worker?.shifts.some(([from, to]) => from <= start && end <= to))
        found.push(`${id} works off shift`);
    }
    for (const skill of activity.skills) {
      if (!crew.some((id) => problem.workers.find((one) => one.id === id)?.skills.includes(skill)))
        found.push(`${activity.id} lacks ${skill}`);
    }
    if (gear.length !== activity.gear.length) found.push(`${activity.id} lacks gear`);
    for (const other of problem.activities) {
      if (other.id <= activity.id) continue;
      const rival = at(other.id);
      const overlap = rival.start < end && start < rival.end;
      const shared = [...crew, ...gear].filter((id) => [...rival.crew, ...rival.gear].includes(id));
      if (overlap && shared.length) found.push(`${activity.id} and ${other.id} both hold ${shared}`);
    }
  }
  return found;
}

const makespan = (schedule: Schedule) =>
  schedule.feasible ? Math.max(...[...schedule.placings.values()].map((placing) => placing.end)) : Infinity;

// Worked example with its optimum known by exhaustive search.
const worked: Activity[] = [
  task('0', 3, 2, 1),
  task('1', 2, 1, 0),
  task('2', 4, 1, 1),
  task('3', 2, 2, 0, ['0', '1']),
  task('4', 3, 1, 1, ['1']),
  task('5', 1, 3, 0, ['2']),
  task('6', 2, 2, 0, ['3', '4']),
];
const fromZero = worked.map((activity) => ({ ...activity, earliest: 0 }));

test('seven tasks, three people, one inflator: done in 11; with the crew away in [5,6), in 14', () => {
  const problem = { activities: fromZero, workers: people(3), gear: { inflator: ['i'] } };
  expect(makespan(earliestSchedule(problem))).toBe(11);
  const away = {
    ...problem,
    workers: people(3, [
      [0, 5],
      [6, 10_000],
    ]),
  };
  expect(makespan(earliestSchedule(away))).toBe(14);
  expect(breaches(away, earliestSchedule(away))).toEqual([]);
});

test('counted back from a deadline, the same seven tasks start 11 before it', () => {
  const problem = {
    activities: worked.map((activity) => ({ ...activity, latest: 500 })),
    workers: people(3),
    gear: { inflator: ['i'] },
  };
  const schedule = latestSchedule(problem);
  expect(
    schedule.feasible && Math.min(...[...schedule.placings.values()].map((placing) => placing.start)),
  ).toBe(489);
});

/** Shortest makespan by trying every start of every task: people as a capacity, since all are alike. */
function exhaustive(problem: Problem): number {
  const { activities, workers, gear } = problem;
  const horizon = activities.reduce((sum, activity) => sum + activity.minutes, 0);
  const starts = new Map<string, number>();
  let best = Infinity;
  const free = (activity: Activity, start: number) => {
    for (let t = start; t < start + activity.minutes; t++) {
      let hands = activity.hands;
      let held = activity.gear.length;
      for (const [id, other] of starts) {
        const running = activities.find((one) => one.id === id) as Activity;
        if (other <= t && t < other + running.minutes) {
          hands += running.hands;
          held += running.gear.length;
        }
      }
      if (hands > workers.length || held > (gear.inflator?.length ?? 0)) return false;
    }
    return true;
  };
  const place = (index: number, end: number) => {
    if (end >= best) return;
    const activity = activities[index];
    if (!activity) {
      best = end;
      return;
    }
    const from = Math.max(
      0,
      ...activity.after.map(
        (id) => (starts.get(id) as number) + (activities.find((one) => one.id === id) as Activity).minutes,
      ),
    );
    for (let start = from; start + activity.minutes <= horizon; start++) {
      if (!free(activity, start)) continue;
      starts.set(activity.id, start);
      place(index + 1, Math.max(end, start + activity.minutes));
      starts.delete(activity.id);
    }
  };
  place(0, 0);
  return best;
}

const randomProblem = fc
  .record({
    tasks: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 4 }),
        hands: fc.integer({ min: 1, max: 2 }),
        inflator: fc.integer({ min: 0, max: 1 }),
        before: fc.array(fc.nat(4), { maxLength: 2 }),
      }),
      { minLength: 2, maxLength: 5 },
    ),
    crew: fc.integer({ min: 2, max: 3 }),
  })
  .map(
    ({ tasks, crew }): Problem => ({
      workers: people(crew),
      gear: { inflator: ['i'] },
      activities: tasks.map((one, i) => ({
        ...task(`t${i}`, one.minutes, one.hands, one.inflator, [
          ...new Set(one.before.filter((j) => j < i).map((j) => `t${j}`)),
        ]),
        earliest: 0,
      })),
    }),
  );

test('small random problems: no rule broken, never below the exhaustive optimum, and nearly always at it', () => {
  const problems = fc.sample(randomProblem, { numRuns: 150, seed: 42 });
  let optimal = 0;
  for (const problem of problems) {
    const schedule = earliestSchedule(problem);
    expect(breaches(problem, schedule)).toEqual([]);
    const best = exhaustive(problem);
    expect(makespan(schedule)).toBeGreaterThanOrEqual(best);
    expect(makespan(schedule)).toBeLessThanOrEqual(best * 1.5);
    if (makespan(schedule) === best) optimal += 1;
  }
  expect(optimal / problems.length).toBeGreaterThan(0.95);
});

test('days with shifts, skills and two-sided windows: no rule broken', () => {
  const day = fc.record({
    tasks: fc.array(
      fc.record({
        minutes: fc.integer({ min: 5, max: 90 }),
        hands: fc.integer({ min: 1, max: 2 }),
        inflator: fc.integer({ min: 0, max: 1 }),
        skilled: fc.boolean(),
        before: fc.array(fc.nat(9), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: 14 },
    ),
    opens: fc.integer({ min: 360, max: 600 }),
  });
  fc.assert(
    fc.property(day, ({ tasks, opens }) => {
      const shifts = [
        [opens, opens + 500],
        [opens + 1440, opens + 1940],
      ] as const;
      const problem: Problem = {
        workers: [
          { id: 'wren', skills: ['ladder'], shifts },
          { id: 'ilo', skills: [], shifts },
          { id: 'sefa', skills: ['ladder'], shifts: [[opens + 60, opens + 400]] },
        ],
        gear: { inflator: ['i'] },
        activities: tasks.map((one, i) => ({
          ...task(`t${i}`, one.minutes, one.hands, one.inflator, [
            ...new Set(one.before.filter((j) => j < i).map((j) => `t${j}`)),
          ]),
          skills: one.skilled ? ['ladder'] : [],
          latest: opens + 1900,
        })),
      };
      expect(breaches(problem, latestSchedule(problem))).toEqual([]);
      // Pushed late, an early schedule breaks no rule, ends no later, and nothing in it begins earlier.
      const early = earliestSchedule(problem);
      if (!early.feasible) return;
      const late: Schedule = { feasible: true, placings: justifiedLate(problem, early.placings) };
      expect(breaches(problem, late)).toEqual([]);
      expect(makespan(late)).toBe(makespan(early));
      for (const [id, { start }] of early.placings)
        expect(late.placings.get(id)?.start).toBeGreaterThanOrEqual(start);
    }),
    { numRuns: 300 },
  );
});

test('what cannot be done is said, and nonsense is refused', () => {
  const alone = { activities: [{ ...task('lift', 10, 2, 0), latest: 500 }], workers: people(1), gear: {} };
  expect(latestSchedule(alone)).toEqual({ feasible: false, stuck: 'lift' });
  const circle = {
    activities: [task('a', 1, 1, 0, ['b']), task('b', 1, 1, 0, ['a'])],
    workers: people(1),
    gear: {},
  };
  expect(() => latestSchedule(circle)).toThrow('waits for itself');
});

import { jStat } from 'jstat';
import { planningDay } from '../day/plan-day.ts';
import { planJob, workedJob } from '../plan.ts';
import { seededRandom } from '../quantity/random.ts';
import { demoJob } from '../test/samples.ts';
import { normal, pert } from './pert.ts';
import { rehearse, rehearsing } from './rehearse.ts';

const meadow = demoJob('01-meadow-finish');
const plan = planJob(meadow);

/** Sorted draws. */
const draws = (count: number, draw: () => number) =>
  Array.from({ length: count }, draw).sort((a, b) => a - b);
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;

test.each([
  [10, 20, 60],
  [14, 20, 32],
  [5, 5, 25],
  [0, 30, 30],
])('beta-PERT of %d, %d, %d has the moments and quantiles of its beta distribution', (quick, usual, slow) => {
  const random = seededRandom(7);
  const deal = pert(quick, usual, slow);
  const values = draws(40_000, () => deal(random));
  const width = slow - quick;
  // Closed form: mean (a + 4 m + b) / 6; variance (mean − a)(b − mean) / 7.
  const expected = (quick + 4 * usual + slow) / 6;
  expect(Math.abs(mean(values) - expected)).toBeLessThan(0.01 * width);
  const variance = mean(values.map((one) => (one - expected) ** 2));
  expect(Math.abs(variance / (((expected - quick) * (slow - expected)) / 7) - 1)).toBeLessThan(0.04);
  // Quantiles: jStat, an independent library.
  const [alpha, beta] = [1 + (4 * (usual - quick)) / width, 1 + (4 * (slow - usual)) / width];
  for (const share of [0.05, 0.5, 0.95]) {
    const known = quick + width * jStat.beta.inv(share, alpha, beta);
    expect(Math.abs((values[Math.floor(share * values.length)] as number) - known)).toBeLessThan(
      0.015 * width,
    );
  }
});

test('normal numbers have mean 0 and deviation 1, and what does not vary stays', () => {
  const random = seededRandom(3);
  const values = draws(40_000, () => normal(random));
  expect(Math.abs(mean(values))).toBeLessThan(0.02);
  expect(Math.abs(mean(values.map((one) => one * one)) - 1)).toBeLessThan(0.03);
  expect(pert(60, 60, 60)(random)).toBe(60);
});

test('the same seed gives the same days, however many at a time; another seed others', () => {
  const one = rehearse(meadow, plan, 600, 5);
  const some = rehearsing([{ file: meadow, plan }], 5);
  for (let i = 0; i < 6; i++) some?.run(100);
  expect(some?.results()).toEqual([one]);
  expect(rehearse(meadow, plan, 600, 6)).not.toEqual(one);
});

test('quantiles rise, bars add up, shares are shares, and later doors never lower the chance', () => {
  const result = rehearse(meadow, plan, 2000);
  if (!result) throw new Error('nothing was rehearsed');
  expect(Date.parse(result.p10)).toBeLessThanOrEqual(Date.parse(result.p50));
  expect(Date.parse(result.p50)).toBeLessThanOrEqual(Date.parse(result.p90));
  expect(result.spread.reduce((sum, { runs }) => sum + runs, 0)).toBe(2000);
  for (const { share } of result.byTask) expect(share).toBeLessThanOrEqual(1);
  const later = { ...plan, onTime: { ...plan.onTime, doors: '2027-06-19T13:00:00-05:00' } };
  expect(rehearse(meadow, later, 2000)?.chance ?? 0).toBeGreaterThanOrEqual(result.chance);
  // With the minutes it asks for, the wanted certainty is reached.
  const doors = new Date(Date.parse(plan.onTime.doors) + result.earlierMin * 60_000).toISOString();
  const enough = rehearse(meadow, { ...plan, onTime: { ...plan.onTime, doors } }, 2000);
  expect(enough?.chance ?? 0).toBeGreaterThanOrEqual(result.wantedPct / 100);
});

test('without spread and mishaps every day is the plan itself, and two tasks in turn add up', () => {
  const still = plan.tasks.map((task) => {
    const seconds = (Date.parse(task.end) - Date.parse(task.start)) / 1000;
    return { ...task, quickS: seconds, usualS: seconds, slowS: seconds };
  });
  const result = rehearse(meadow, { ...plan, tasks: still }, 50);
  // Nobody starts before the plan's order allows, but may before its hour: never later than planned.
  expect(Date.parse(result?.p50 ?? '')).toBeLessThanOrEqual(Date.parse(plan.onTime.ready ?? ''));
  // Tasks that do not vary still meet late access and jams: half the days meet neither.
  expect(result?.p10).toBe(result?.p50);
});

test('a plan has its chance and what it waits for; a mishap that happened put things back', () => {
  expect(plan.rehearsal?.runs).toBeGreaterThan(100);
  expect(plan.onTime.chance).toBe(plan.rehearsal?.chance);
  expect(plan.tasks.some(({ id }) => id === plan.onTime.bottleneck)).toBe(true);
  expect(plan.lamps.onTime.reason).toContain('of 100 rehearsed days');
  const missing = rehearse(meadow, plan, 4000)?.mishaps.find(({ id }) => id === 'missing');
  expect(missing?.runs).toBeGreaterThan(20);
  expect(missing?.minutes).toBeGreaterThan(10);
});

test('the jobs of a day rehearsed together: each has its chance, and what holds up the first holds up the second', () => {
  const files = [meadow, demoJob('02-engine-shed')];
  const day = planningDay(files.map(workedJob), 200);
  day.run(200);
  const plans = day.result().jobs;
  const jobs = files.map((file, j) => ({ file, plan: plans[j] as (typeof plans)[number] }));
  const together = rehearsing(jobs, 3);
  together?.run(2000);
  const [first, second] = together?.results() ?? [];
  expect(first?.runs).toBe(2000);
  expect(second?.byTask.some(({ id }) => id === 'sign-off')).toBe(true);
  expect(second?.byResource.length).toBeGreaterThan(0);
  for (const { share } of second?.byResource ?? []) expect(share).toBeLessThanOrEqual(1);
  // The same people put up both: a way home from the first that takes far too long costs the second.
  const slower = jobs.map(({ file, plan: one }, j) => ({
    file,
    plan: {
      ...one,
      tasks: one.tasks.map((task) =>
        j === 0 && task.id === 'drive-home'
          ? { ...task, quickS: task.quickS * 20, usualS: task.usualS * 20, slowS: task.slowS * 20 }
          : task,
      ),
    },
  }));
  const later = rehearsing(slower, 3);
  later?.run(2000);
  expect(later?.results()[0]?.p50).toBe(first?.p50);
  expect(later?.results()[1]?.chance ?? 1).toBeLessThan(second?.chance ?? 0);
});

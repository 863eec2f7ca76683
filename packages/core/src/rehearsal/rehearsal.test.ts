import type { Plan, Task } from '@early-lantern/contract';
import { jStat } from 'jstat';
import { planningDay } from '../day/plan-day.ts';
import { draftPlan, planJob, workedJob } from '../plan.ts';
import { seededRandom } from '../quantity/random.ts';
import { demoJob } from '../test/samples.ts';
import { normal, pert } from './pert.ts';
import { rehearse, rehearsing } from './rehearse.ts';
import { chanceText, uncertaintyOf } from './uncertainty.ts';

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
  const moved = (iso: string) => new Date(Date.parse(iso) + result.earlierMin * 60_000).toISOString();
  const access = { ...meadow.job.access, until: moved(meadow.job.access.until) };
  const doors = moved(plan.onTime.doors);
  const enough = rehearse(
    { ...meadow, job: { ...meadow.job, access } },
    { ...plan, onTime: { ...plan.onTime, doors } },
    2000,
  );
  expect(enough?.chance ?? 0).toBeGreaterThanOrEqual(result.wantedPct / 100);
});

/** A plan whose tasks take just what they are planned for, on every day. */
const still = <T extends Pick<Plan, 'tasks'>>(one: T): T => ({
  ...one,
  tasks: one.tasks.map((task) => {
    const seconds = (Date.parse(task.end) - Date.parse(task.start)) / 1000;
    return { ...task, quickS: seconds, usualS: seconds, slowS: seconds };
  }),
});

test.each([undefined, 'late'] as const)(
  'with quick = usual = slow a rehearsed day ends exactly when the plan does, arrival %s',
  (arrival) => {
    for (const name of ['01-meadow-finish', '02-engine-shed', '03-glasshouse-night']) {
      const file = structuredClone(demoJob(name));
      if (arrival) file.job.arrival = arrival;
      else delete file.job.arrival;
      const planned = draftPlan(file);
      const result = rehearse(file, still(planned), 60);
      // What does not vary still meets a late house and a jam: more than half the days meet neither.
      expect([name, Date.parse(result?.p10 ?? '')]).toEqual([name, Date.parse(planned.onTime.ready ?? '')]);
      expect([name, result?.p50]).toEqual([name, result?.p10]);
    }
  },
);

test('the ten minutes away before the second look are waited on every rehearsed day', () => {
  const look = plan.tasks.find(({ id }) => id === 'look-again');
  expect(look?.waits).toEqual({ 'touch-up': 10 });
  const { waits: _, ...rushed } = look as Task;
  const without = { ...plan, tasks: plan.tasks.map((task) => (task === look ? rushed : task)) };
  const [with10, with0] = [rehearse(meadow, plan, 500, 2), rehearse(meadow, without, 500, 2)];
  const later = Date.parse(with10?.p50 ?? '') - Date.parse(with0?.p50 ?? '');
  // Where nothing is waited for, the plan's own hour still holds: not all of the ten minutes show.
  expect(later).toBeGreaterThan(0);
  expect(later).toBeLessThanOrEqual(10 * 60_000);
});

/**
 * The same day simulated apart: each task by its own clock time, durations from jStat's beta numbers, people and gear
 * in the order in which the plan has them, what the plan lets wait not before its hour.
 */
function simulatedApart({ tasks, onTime }: Plan, opensMs: number, closes: string, days: number): number[] {
  const up = tasks.filter(
    ({ trip, id, start }) => trip !== 'strike' && (start < onTime.doors || id === 'load-out'),
  );
  const begun = [...up].sort(
    (a, b) => Date.parse(a.start) - Date.parse(b.start) || Date.parse(a.end) - Date.parse(b.end),
  );
  const at = (iso: string) => Date.parse(iso) / 60_000;
  const random = seededRandom(99);
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Array.from({ length: days }, () => {
    const pace = Math.exp(0.08 * gauss() - 0.0032);
    const ends = new Map<string, number>();
    const planned = new Map<string, number>();
    const free = new Map<string, number>();
    const freePlanned = new Map<string, number>();
    for (const { id, start, end, after, waits, crew, gear, place, quickS, usualS, slowS } of begun) {
      const used = [...crew, ...gear];
      const latest = (done: Map<string, number>, idle: Map<string, number>) =>
        Math.max(
          -Infinity,
          ...after.flatMap((one) => (done.has(one) ? [(done.get(one) as number) + (waits?.[one] ?? 0)] : [])),
          ...used.flatMap((one) => idle.get(one) ?? []),
        );
      let from = latest(ends, free);
      if (at(start) > latest(planned, freePlanned)) from = Math.max(from, at(start));
      if (place === 'site') from = Math.max(from, opensMs / 60_000);
      const [a, b] = [
        1 + (4 * (usualS - quickS)) / (slowS - quickS),
        1 + (4 * (slowS - usualS)) / (slowS - quickS),
      ];
      const x = slowS > quickS ? jStat.beta.inv(random(), a, b) : 0;
      const minutes = slowS > quickS ? ((quickS + (slowS - quickS) * x) * pace) / 60 : usualS / 60;
      ends.set(id, from + minutes);
      planned.set(id, at(end));
      for (const one of used) {
        free.set(one, from + minutes);
        freePlanned.set(one, at(end));
      }
    }
    return Math.min(
      at(onTime.doors) - (ends.get('sign-off') as number),
      at(closes) - (ends.get('load-out') as number),
    );
  });
}

test('nothing going wrong, the chance is that of an independent simulation of the same day', () => {
  const file = demoJob('02-engine-shed');
  const planned = draftPlan(file);
  const going = rehearsing([{ file, plan: planned }], 4, []);
  going?.run(4000);
  const [result] = going?.results() ?? [];
  const apart = simulatedApart(planned, Date.parse(file.job.access.from), file.job.access.until, 1500);
  const chance = apart.filter((inHand) => inHand >= 0).length / apart.length;
  const error = Math.sqrt(chance * (1 - chance) * (1 / 1500 + 1 / 4000));
  expect(Math.abs((result?.chance ?? 0) - chance)).toBeLessThan(2 * error);
  const spreadOf = (spare: readonly number[]) =>
    spare.filter((minutes) => minutes >= 20 && minutes < 30).length / spare.length;
  const bar = result?.spread.find(({ fromMin }) => fromMin === 20)?.runs ?? 0;
  expect(Math.abs(bar / 4000 - spreadOf(apart))).toBeLessThan(0.05);
  // An hour's access to load out less, and the chance is less by what comes out in that time.
  const access = { ...file.job.access, until: planned.onTime.ready as string };
  const closed = rehearsing([{ file: { ...file, job: { ...file.job, access } }, plan: planned }], 4, []);
  closed?.run(4000);
  const until = simulatedApart(planned, Date.parse(file.job.access.from), access.until, 1500);
  const inTime = until.filter((inHand) => inHand >= 0).length / until.length;
  expect(inTime).toBeLessThan(chance);
  expect(Math.abs((closed?.results()[0]?.chance ?? 0) - inTime)).toBeLessThan(0.03);
});

test('a chance is known to so many points', () => {
  // Wilson (1927), from tables of the score interval: 8 of 10 lies between 0.4902 and 0.9433.
  expect(2 * uncertaintyOf(0.8, 10)).toBeCloseTo(0.9433 - 0.4902, 3);
  expect(chanceText(0.83, 300)).toBe('83 of 100 (± 4)');
  expect(chanceText(0.83, 2000, 'rehearsed days')).toBe('83 of 100 rehearsed days (± 2)');
  expect(plan.rehearsal?.runs).toBe(2000);
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

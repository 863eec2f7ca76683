import type { JobFile } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { asWish, movedTasks } from '../clock/repair.ts';
import { draftPlan, workedJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { agreedTasks, planningDay } from './plan-day.ts';
import { dayMoves, isDayWorthMoving, shortJobs } from './repair-day.ts';
import { sharingDay } from './sharing.ts';

function agreed(file: JobFile): JobFile {
  const tasks = agreedTasks(draftPlan(file).tasks);
  return { ...file, job: { ...file.job, clock: { agreed: { at: file.job.doors, tasks } } } };
}

function together(files: readonly JobFile[], orders: number) {
  const planning = planningDay(files.map(workedJob), orders);
  planning.run(20);
  planning.result();
  planning.run(orders);
  return planning.result();
}

const later = (iso: string, minutes: number) =>
  DateTime.fromISO(iso, { setZone: true }).plus({ minutes }).toISO({ suppressMilliseconds: true }) as string;

const shed = agreed(demoJob('02-engine-shed'));
const before = shed.job.clock?.agreed?.tasks ?? [];

test('half an hour in which somebody is busy: the plan agreed on is repaired, little moves, and what moved is told', () => {
  const busyOne = structuredClone(shed);
  const dressing = before.find(({ task, crew }) => task.endsWith('--dress') && crew.length > 0) ?? before[10];
  if (!dressing) throw new Error('nothing to do');
  const person = busyOne.workshop.crew.find(({ id }) => id === dressing.crew[0]);
  if (!person) throw new Error('nobody');
  person.busy = [{ from: dressing.start, until: later(dressing.start, 30), label: 'The dentist' }];
  const plan = draftPlan(busyOne);
  expect(plan.onTime.broken).toMatch(/no longer fits: .* Repaired here: \d+ of \d+ tasks moved: /);
  const moved = Number(/Repaired here: (\d+) of/.exec(plan.onTime.broken ?? '')?.[1]);
  // Fewer than a plan made from scratch would move.
  const { clock: _, ...head } = busyOne.job;
  const scratch = draftPlan({ ...busyOne, job: head });
  expect(moved).toBeLessThan(movedTasks(before, scratch.tasks).length * 0.8);
  expect(plan.onTime.minutesInHand).toBeGreaterThanOrEqual(0);
  // Nobody works while they are busy.
  for (const { crew, start, end } of plan.tasks.filter((one) => one.crew.includes(person.id)))
    expect([crew, start < later(dressing.start, 30) && dressing.start < end]).toEqual([crew, false]);
});

test('slower work names what grew; earlier doors are met by the repaired plan', () => {
  const slower = structuredClone(shed);
  slower.workshop.rates = {
    ...slower.workshop.rates,
    'touch-up': { quickS: 1500, usualS: 1800, slowS: 2400 },
  };
  expect(draftPlan(slower).onTime.broken).toMatch(
    /"Close gaps, hide mechanics, clear the floor" is 3\d min of work where it was 1\d\./,
  );
  const earlier = { ...shed, job: { ...shed.job, doors: later(shed.job.doors, -20) } };
  const plan = draftPlan(earlier);
  expect(plan.onTime.broken).toContain('no longer fits');
  expect(plan.onTime.minutesInHand).toBeGreaterThan(10);
});

test('a day that was agreed on and no longer fits is repaired, and nothing is proven from what was agreed', () => {
  const changed = { ...shed, job: { ...shed.job, doors: later(shed.job.doors, -20) } };
  const kept = together([changed], 20);
  expect(shortJobs([changed], kept).map(({ jobId }) => jobId)).toEqual([shed.job.id]);
  const repaired = together([asWish(changed)], 400);
  expect(isDayWorthMoving([changed], repaired, kept)).toBe(true);
  expect(dayMoves([changed], repaired)[0]?.words).toMatch(/^\d+ of \d+ tasks moved/);
  const inHand = repaired.jobs[0]?.onTime.minutesInHand ?? 0;
  expect(kept.jobs[0]?.onTime.bound).toBeGreaterThanOrEqual(inHand);
  // As it was agreed it needs no repair.
  expect(shortJobs([shed], together([shed], 20))).toEqual([]);
});

test('a bench of the evening before is planned with the strike of that evening, on either day’s page', () => {
  const job = (id: string, doors: string, tasks: [start: string, end: string][]) => ({
    file: { workshop: { timeZone: 'America/Chicago' }, job: { id, doors } } as JobFile,
    plan: { tasks: tasks.map(([start, end]) => ({ start, end })) as never },
  });
  const saturday = job('saturday', '2027-06-19T18:00:00-05:00', [
    ['2027-06-19T08:00:00-05:00', '2027-06-19T17:00:00-05:00'],
    ['2027-06-19T22:00:00-05:00', '2027-06-20T00:30:00-05:00'],
  ]);
  const sunday = job('sunday', '2027-06-20T08:00:00-05:00', [
    ['2027-06-19T19:00:00-05:00', '2027-06-19T21:00:00-05:00'],
    ['2027-06-20T05:00:00-05:00', '2027-06-20T07:30:00-05:00'],
  ]);
  const monday = job('monday', '2027-06-21T18:00:00-05:00', [
    ['2027-06-21T08:00:00-05:00', '2027-06-21T17:00:00-05:00'],
  ]);
  const on = (day: string) => sharingDay([saturday, sunday, monday], day).map((file) => file.job.id);
  expect(on('2027-06-19')).toEqual(['saturday', 'sunday']);
  expect(on('2027-06-20')).toEqual(['saturday', 'sunday']);
  expect(on('2027-06-21')).toEqual(['monday']);
});

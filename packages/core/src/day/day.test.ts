import type { JobFile } from '@early-lantern/contract';
import { applyChanges } from '../lamps/fixes.ts';
import { draftPlan, workedJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { choiceCost } from './choice-cost.ts';
import { clashesOf } from './clashes.ts';
import { agreedTasks, planningDay } from './plan-day.ts';
import { type WayOut, waysOut } from './ways-out.ts';
import { culpritsOf } from './why-not.ts';

const saturday = () => [demoJob('01-meadow-finish'), demoJob('02-engine-shed')];
const clashes = (files: readonly JobFile[]) =>
  clashesOf(files.map((file) => ({ file, plan: draftPlan(file) })));

function together(files: readonly JobFile[], orders = 300) {
  const planning = planningDay(files.map(workedJob), orders);
  planning.run(orders);
  return planning.result();
}

function allWays(files: readonly JobFile[]): WayOut[] {
  return [...waysOut(files, culpritsOf(files.map(workedJob)), workedJob)].flatMap(({ way }) => way ?? []);
}

function withWay(files: readonly JobFile[], { changes, hire }: WayOut): JobFile[] {
  return files.map((file) => {
    const staffed = hire
      ? { ...file, workshop: { ...file.workshop, crew: [...file.workshop.crew, hire] } }
      : file;
    return applyChanges(staffed, changes.find(({ jobId }) => jobId === file.job.id)?.changes ?? []);
  });
}

test('the demo’s Saturday: who is wanted twice, what stands in the way, and no plan keeps every window', () => {
  const files = saturday();
  const found = clashes(files);
  expect(found.map(({ ref }) => ref)).toEqual(expect.arrayContaining(['wren', 'ilo']));
  for (const { jobs, from, until } of found) {
    expect(jobs).toHaveLength(2);
    expect(Date.parse(from)).toBeLessThan(Date.parse(until));
  }
  expect(culpritsOf(files.map(workedJob))).toEqual([
    { jobId: 'meadow-finish', part: 'strike' },
    { jobId: 'engine-shed-unveiled', part: 'set-up' },
  ]);
  const { jobs } = together(files);
  expect(jobs.some(({ broken }) => broken.length > 0)).toBe(true);
  for (const { onTime } of jobs) expect(onTime.minutesInHand).toBeLessThanOrEqual(onTime.bound ?? Infinity);
});

test('every way out that is offered keeps every window when it is taken, and nobody is wanted twice once agreed', () => {
  const files = saturday();
  const ways = allWays(files);
  expect(ways.length).toBeGreaterThanOrEqual(4);
  expect(ways.some(({ hire }) => hire)).toBe(true);
  for (const way of ways) {
    const changed = withWay(files, way);
    const { jobs } = together(changed, 120);
    expect(jobs.map(({ broken }) => broken)).toEqual([[], []]);
    const agreed = changed.map((file, i): JobFile => {
      const tasks = agreedTasks(jobs[i]?.tasks ?? []);
      return { ...file, job: { ...file.job, clock: { agreed: { at: file.job.doors, tasks } } } };
    });
    expect(clashes(agreed)).toEqual([]);
    for (const file of agreed) expect(draftPlan(file).onTime.broken).toBeNull();
  }
});

test('jobs that do not meet need no way out; what is chosen by hand says what it costs', () => {
  const files = [demoJob('01-meadow-finish'), demoJob('03-glasshouse-night')];
  expect(clashes(files)).toEqual([]);
  expect(culpritsOf(files.map(workedJob))).toEqual([]);
  const shed = demoJob('02-engine-shed');
  const pinned = (start: string): JobFile => ({
    ...shed,
    job: { ...shed.job, clock: { pins: [{ task: 'drive-out', start }] } },
  });
  const day = shed.job.doors.slice(0, 10);
  // Half an hour later out of the yard is about half an hour less in hand: both are found, not proven.
  const cost = (time: string) => choiceCost(pinned(`${day}T${time}:00-05:00`), 'drive-out');
  expect(cost('14:15')).toBeGreaterThanOrEqual(18);
  expect(cost('14:15')).toBeLessThanOrEqual(35);
  expect(cost('13:45')).toBe(0);
});

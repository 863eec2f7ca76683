import type { JobFile } from '@early-lantern/contract';
import { draftPlan, planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { applyChanges } from './fixes.ts';

const shed = (edit: (file: JobFile) => void): JobFile => {
  const file = structuredClone(demoJob('02-engine-shed'));
  edit(file);
  return file;
};
const minutes = (iso: string, by: number) => new Date(Date.parse(iso) + by * 60_000).toISOString();
const lampOf = (file: JobFile) => planJob(file).lamps.onTime;

/** The window as the checker reads it, apart from the engine: every task on site within its own. */
function within({ job }: JobFile, tasks: ReturnType<typeof planJob>['tasks']): boolean {
  return tasks
    .filter(({ place }) => place === 'site')
    .every(
      ({ trip, end }) =>
        Date.parse(end) <= Date.parse(trip === 'strike' ? job.strike.until : job.access.until),
    );
}

test('loading out after access has closed is told, and a longer access asked for lights the lamp', () => {
  const out = draftPlan(shed(() => {})).tasks.find(({ id }) => id === 'load-out')?.end as string;
  const file = shed(({ job }) => {
    job.access.until = minutes(out, -40);
  });
  const late = planJob(file);
  expect(within(file, late.tasks)).toBe(false);
  expect(late.lamps.onTime.state).toBe('out');
  expect(late.lamps.onTime.reason).toMatch(/min after access closes/);
  const fix = late.lamps.onTime.fixes.find(({ label }) => label.includes('for access until'));
  const mended = applyChanges(file, fix?.changes ?? []);
  const after = draftPlan(mended);
  expect(within(mended, after.tasks)).toBe(true);
  expect(after.lamps.onTime.state).not.toBe('out');
});

test('the way out alone can be too late: signed off in time, still loading when access closes', () => {
  const usual = draftPlan(shed(() => {}));
  const at = (id: string) => usual.tasks.find((task) => task.id === id);
  const file = shed(({ job }) => {
    job.access.until = at('sign-off')?.end as string;
    job.access.from = minutes(job.access.from, 25);
  });
  const plan = draftPlan(file);
  const late = Date.parse(plan.onTime.ready ?? '') > Date.parse(file.job.access.until);
  expect(within(file, plan.tasks)).toBe(false);
  expect(plan.lamps.onTime.state).toBe('out');
  if (!late) expect(plan.lamps.onTime.reason).toMatch(/^Loading out ends \d+ min after access closes/);
});

test('a strike that runs over its window is told and a longer one asked for', () => {
  const file = shed(({ job }) => {
    job.strike.until = minutes(job.strike.from, 30);
  });
  const plan = planJob(file);
  expect(within(file, plan.tasks)).toBe(false);
  expect(plan.lamps.onTime).toMatchObject({
    state: 'out',
    reason: expect.stringMatching(/^The strike ends \d+ min after/),
  });
  const fix = plan.lamps.onTime.fixes.find(({ label }) => label.includes('the strike until'));
  const mended = applyChanges(file, fix?.changes ?? []);
  expect(within(mended, draftPlan(mended).tasks)).toBe(true);
});

test('seats bind: more people than seats are out; a hired car or somebody’s own gives everybody a seat', () => {
  const seats = (counts: number[]) =>
    shed(({ workshop }) => {
      workshop.vehicles = counts.map((count, i) => ({ id: `van-${i}`, name: `Van ${i}`, seats: count }));
    });
  expect(draftPlan(seats([3])).lamps.onTime.state).not.toBe('out');
  const file = seats([2]);
  const lamp = lampOf(file);
  expect(lamp).toMatchObject({ state: 'out', figure: '1 seat short' });
  expect(lamp.reason).toContain('3 people');
  const ways = lamp.fixes.filter(({ gain }) => gain === 'everybody has a seat');
  expect(ways).toHaveLength(2);
  for (const { changes } of ways)
    expect(draftPlan(applyChanges(file, changes)).lamps.onTime.state).not.toBe('out');
  // A second van of the workshop's own does as well, and both go.
  const two = draftPlan(seats([2, 1]));
  expect(two.lamps.onTime.state).not.toBe('out');
  expect(
    two.tasks.find(({ id }) => id === 'drive-out')?.gear.filter((id) => id.startsWith('van')),
  ).toHaveLength(2);
  // At home nobody needs a seat.
  const home = seats([1]);
  home.site.isWorkshop = true;
  expect(draftPlan(home).lamps.onTime.figure).not.toContain('seat');
});

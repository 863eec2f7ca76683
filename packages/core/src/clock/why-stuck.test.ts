import type { JobFile } from '@early-lantern/contract';
import { draftPlan } from '../plan.ts';
import { demoJob } from '../test/samples.ts';

const reasonOf = (edit: (file: JobFile) => void): string => {
  const file = structuredClone(demoJob('02-engine-shed'));
  edit(file);
  const { onTime } = draftPlan(file).lamps;
  expect(onTime.state).toBe('out');
  return onTime.reason;
};
const without = (skill: string) => (file: JobFile) => {
  for (const member of file.workshop.crew) member.skills = member.skills.filter((one) => one !== skill);
};

test('no plan: the reason names what is missing, too short or too close together', () => {
  expect(reasonOf(without('driver'))).toMatch(/nobody in the crew drives, which "Drive to .*" needs/);
  expect(reasonOf(without('ladder'))).toMatch(
    /nobody in the crew is trusted on a ladder, which "Garland to the beam/,
  );
  expect(
    reasonOf((file) => {
      for (const member of file.workshop.crew) member.shift = { from: '05:00', to: '06:00' };
    }),
  ).toMatch(/nobody who can do it works longer than 1 h a day|do not work in the hours of access/);
  expect(
    reasonOf((file) => {
      file.job.access.from = new Date(Date.parse(file.job.doors) - 40 * 60_000).toISOString();
    }),
  ).toMatch(
    /doors come too early: from access at \d\d:\d\d the work on site takes .* at least, and doors are 40 min later/,
  );
});

test('a night has its people: hours over midnight, and hours of one person for one job', () => {
  const night = structuredClone(demoJob('02-engine-shed'));
  const move = (iso: string) => new Date(Date.parse(iso) + 10 * 3_600_000).toISOString();
  const { job } = night;
  job.doors = move(job.doors);
  job.access = { from: move(job.access.from), until: move(job.access.until) };
  job.strike = { from: move(job.strike.from), until: move(job.strike.until) };
  night.site.quiet = null;
  expect(draftPlan(night).lamps.onTime.state).toBe('out');
  const overMidnight = structuredClone(night);
  for (const member of overMidnight.workshop.crew) member.shift = { from: '18:00', to: '11:00' };
  expect(draftPlan(overMidnight).onTime.minutesInHand).not.toBeNull();
  const asked = structuredClone(night);
  const from = new Date(Date.parse(job.access.from) - 6 * 3_600_000).toISOString();
  asked.job.hours = job.crew.map((person) => ({ person, from, until: job.strike.until }));
  const plan = draftPlan(asked);
  expect(plan.onTime.minutesInHand).not.toBeNull();
  // Four hours later there is a plan, the next morning: who is off while the house stands open is named.
  const late = structuredClone(demoJob('02-engine-shed'));
  const later = (iso: string) => new Date(Date.parse(iso) + 14 * 3_600_000).toISOString();
  late.job.doors = later(late.job.doors);
  late.job.access = { from: later(late.job.access.from), until: later(late.job.access.until) };
  late.job.strike = { from: later(late.job.strike.from), until: later(late.job.strike.until) };
  late.site.quiet = null;
  // Access from 13:40 and fourteen hours; the first shift of the three begins at six.
  expect(draftPlan(late).lamps.onTime.reason).toContain(
    'Wren, Ilo and Sefa do not work between 03:40 and 06:00',
  );
  // Hours of this job are nobody's on another day.
  expect(draftPlan({ ...night, job: { ...night.job, hours: [] } }).lamps.onTime.state).toBe('out');
});

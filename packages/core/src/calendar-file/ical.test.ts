import ICAL from 'ical.js';
import { agreedTasks } from '../day/plan-day.ts';
import { draftPlan } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { calendarOf, calendarOfPerson } from './ical.ts';

const made = new Date('2027-06-17T12:00:00Z');

/** As ical.js, an independent parser, reads it. */
function entries(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text));
  return calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
}

test('an independent parser reads back every task with its hours, words and place', () => {
  const file = demoJob('02-engine-shed');
  file.job.name = 'Shed; "old", new \\ bright\nünveiled 🏮 '.repeat(3);
  const plan = draftPlan(file);
  const text = calendarOf(file, plan, { made });
  const found = entries(text);
  expect(found).toHaveLength(plan.tasks.length);
  plan.tasks.forEach((task, i) => {
    const entry = found[i];
    expect(entry?.summary).toBe(task.label);
    expect(entry?.startDate.toJSDate().getTime()).toBe(Date.parse(task.start));
    expect(entry?.endDate.toJSDate().getTime()).toBe(Date.parse(task.end));
    expect(entry?.description.startsWith(file.job.name)).toBe(true);
  });
  // RFC 5545, 3.1: no line longer than 75 octets.
  for (const line of text.split('\r\n'))
    expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
});

test('a person has their own tasks only; entries keep their names, and a later file goes before an earlier one', () => {
  const file = demoJob('02-engine-shed');
  const plan = draftPlan(file);
  const own = entries(calendarOf(file, plan, { person: 'wren', made }));
  expect(own).toHaveLength(plan.tasks.filter(({ crew }) => crew.includes('wren')).length);
  const moved = structuredClone(file);
  moved.job.access.from = '2027-06-19T14:30:00-05:00';
  const later = new Date(made.getTime() + 60_000);
  const again = entries(calendarOf(moved, draftPlan(moved), { person: 'wren', made: later }));
  const names = new Set(own.map(({ uid }) => uid));
  expect(names.size).toBe(own.length);
  expect(again.some(({ uid }) => names.has(uid))).toBe(true);
  expect(again[0]?.sequence ?? 0).toBeGreaterThan(own[0]?.sequence ?? 0);
});

test('somebody on two jobs has one calendar, with the same entries as in that of each job', () => {
  const jobs = ['02-engine-shed', '01-meadow-finish'].map((name) => {
    const file = demoJob(name);
    return { file, plan: draftPlan(file) };
  });
  const wanted = { person: 'wren', made };
  const together = entries(calendarOfPerson('Wren', jobs, wanted)).map(({ uid, summary }) => [uid, summary]);
  const apart = jobs.flatMap(({ file, plan }) => entries(calendarOf(file, plan, wanted)));
  expect(together).toEqual(apart.map(({ uid, summary }) => [uid, summary]));
  expect(new Set(together.map(([uid]) => uid)).size).toBe(together.length);
});

test('over the night on which the clocks change every entry keeps its moment', () => {
  const file = structuredClone(demoJob('91-reading-room'));
  const text = JSON.stringify(file).replaceAll('2027-05-29', '2027-11-07').replaceAll('-05:00', '-06:00');
  const autumn = JSON.parse(text) as typeof file;
  const plan = draftPlan(autumn);
  const found = entries(calendarOf(autumn, plan, { made }));
  expect(found.map(({ startDate }) => startDate.toJSDate().getTime())).toEqual(
    plan.tasks.map(({ start }) => Date.parse(start)),
  );
});

test('a step left out, and a task that has passed to somebody else, are sent as cancelled (RFC 5545, 3.8.1.11)', () => {
  const file = demoJob('02-engine-shed');
  const before = draftPlan(file);
  const shown = agreedTasks(before.tasks);
  const step = before.tasks.find(({ id }) => id === 'beam-garland--fill');
  const passed = before.tasks.find(({ id, crew }) => crew.join() === 'wren' && id !== step?.id);
  if (!step || !passed) throw new Error('no such task');
  file.job.clock = {
    shown,
    leftOut: [step.id],
    keptOff: [{ task: passed.id, person: 'wren' }],
  };
  const text = calendarOf(file, draftPlan(file), { person: 'wren', made });
  const cancelled = new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents('vevent')
    .filter((one) => one.getFirstPropertyValue('status') === 'CANCELLED')
    .map((one) => new ICAL.Event(one));
  const uids = cancelled.map(({ uid }) => uid);
  const own = entries(
    calendarOf({ ...file, job: demoJob('02-engine-shed').job }, before, { person: 'wren', made }),
  );
  for (const { id } of [step, passed]) expect(uids).toContain(`${file.job.id}.${id}.wren@early-lantern`);
  // The same names as in the file before, so that the calendar finds what to strike out.
  expect(own.map(({ uid }) => uid)).toContain(`${file.job.id}.${passed.id}.wren@early-lantern`);
  expect(
    cancelled
      .find(({ uid }) => uid.includes(passed.id))
      ?.startDate.toJSDate()
      .getTime(),
  ).toBe(Date.parse(passed.start));
});

import type { DropOff, JobFile, Task } from '@early-lantern/contract';
import { draftPlan, judgeJob } from '../plan.ts';
import { dayBreaches } from '../test/day-rules.ts';
import { demoJob } from '../test/samples.ts';

/** The boat hall's job with so many people, its crew brought by somebody who drives off. */
function brought(crew: string[], dropOffs: DropOff[], vehicles?: string[]): JobFile {
  const file = demoJob('90-boat-hall');
  const { clock: _, vehicles: __, ...job } = file.job;
  return {
    ...file,
    job: { ...job, crew, strikeCrew: crew, dropOffs, ...(vehicles ? { vehicles } : {}) },
  };
}

const inTurn = (tasks: readonly Task[], trip: Task['trip']) =>
  tasks
    .filter((one) => one.place === 'road' && one.trip === trip)
    .map(({ id, crew, gear }) => [
      id,
      crew.join(),
      gear.filter((thing) => !thing.startsWith('wagon')).join(),
    ]);

const ms = (iso: string | undefined) => Date.parse(iso ?? '');

test('a driver of the crew drives off once everything is unloaded, and is back as the crew loads out', () => {
  const file = brought(['wren', 'ilo', 'sefa'], [{ trip: 'set-up', driver: 'ilo' }]);
  const plan = judgeJob(file);
  const [out, off, fetch, home] = ['drive-out', 'drive-off', 'drive-fetch', 'drive-home'].map((id) =>
    plan.tasks.find((task) => task.id === id),
  );
  expect(inTurn(plan.tasks, 'set-up').map(([id, crew]) => [id, crew])).toEqual([
    ['drive-out', 'wren,ilo,sefa'],
    ['drive-off', 'ilo'],
    ['drive-fetch', 'ilo'],
    ['drive-home', 'wren,ilo,sefa'],
  ]);
  const unloaded = plan.tasks.find(({ id }) => id === 'unload');
  const loadOut = plan.tasks.find(({ id }) => id === 'load-out');
  expect(ms(off?.start)).toBe(ms(unloaded?.end));
  expect(ms(fetch?.end)).toBeLessThanOrEqual(ms(loadOut?.start));
  expect(ms(loadOut?.start) - ms(fetch?.end)).toBeLessThanOrEqual(3_600_000);
  // Nobody who has left works there.
  const there = plan.tasks.filter(
    ({ place, trip, start }) =>
      place === 'site' && trip === 'set-up' && ms(start) >= ms(off?.start) && ms(start) < ms(fetch?.end),
  );
  expect(there.length).toBeGreaterThan(5);
  expect(there.filter(({ crew }) => crew.includes('ilo')).map(({ id }) => id)).toEqual([]);
  expect(dayBreaches([{ file, plan }])).toEqual([]);
  // Out with everything, home with nothing; out with nothing, home with what comes back.
  const runs = plan.fits.runs.filter(({ trip }) => trip === 'set-up');
  expect(runs.map(({ legs }) => legs.map(({ carries }) => carries.length > 0))).toEqual([
    [true, false],
    [false, true],
  ]);
  expect(runs[0]?.legs.map(({ leave }) => leave)).toEqual([out?.start, off?.start]);
  expect(runs[1]?.legs.map(({ arrive }) => arrive)).toEqual([fetch?.end, home?.end]);
});

test('a crew in which nobody drives is brought and fetched by somebody who does no other work', () => {
  const noDriver = (dropOffs: DropOff[]): JobFile => {
    const file = brought(['wren', 'sefa'], dropOffs);
    const crew = file.workshop.crew.map((one) =>
      one.id === 'wren' ? { ...one, skills: one.skills.filter((skill) => skill !== 'driver') } : one,
    );
    return { ...file, workshop: { ...file.workshop, crew } };
  };
  expect(draftPlan(noDriver([])).tasks).toEqual([]);
  const file = noDriver([
    { trip: 'set-up', driver: 'ilo' },
    { trip: 'strike', driver: 'ilo' },
  ]);
  const plan = draftPlan(file);
  expect(plan.onTime.broken).toBeNull();
  expect(plan.tasks.filter(({ crew }) => crew.includes('ilo')).map(({ id }) => id)).toEqual([
    'drive-out',
    'drive-off',
    'drive-fetch',
    'drive-home',
    'drive-strike',
    'strike-drive-off',
    'strike-drive-fetch',
    'drive-back',
  ]);
  expect(dayBreaches([{ file, plan }])).toEqual([]);
});

test('of two vehicles one stays and brings the crew home; the other drives off for good', () => {
  const ids = brought(['wren'], []).workshop.vehicles.map(({ id }) => id);
  const [van = '', other = ''] = ids;
  const chosen = brought(
    ['wren', 'ilo', 'sefa'],
    [{ trip: 'set-up', driver: 'ilo', keeps: [van] }],
    [van, other],
  );
  const plan = draftPlan(chosen);
  const vehicles = (id: string) =>
    plan.tasks.find((task) => task.id === id)?.gear.filter((thing) => ids.includes(thing));
  expect(vehicles('drive-out')?.sort()).toEqual([van, other].sort());
  expect(vehicles('drive-off')).toEqual([other]);
  expect(vehicles('drive-home')).toEqual([van]);
  expect(plan.tasks.find(({ id }) => id === 'drive-home')?.crew).toEqual(['wren', 'sefa']);
  expect(plan.tasks.some(({ id }) => id === 'drive-fetch')).toBe(false);
  expect(dayBreaches([{ file: chosen, plan }])).toEqual([]);
});

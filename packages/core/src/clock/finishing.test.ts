import type { JobFile } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { applyChanges } from '../lamps/fixes.ts';
import { draftPlan, planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';

const minutes = ({ start, end }: { start: string; end: string }) =>
  (Date.parse(end) - Date.parse(start)) / 60_000;
const earlier = (iso: string, by: number) =>
  DateTime.fromISO(iso, { setZone: true })
    .minus({ minutes: by })
    .toISO({ suppressMilliseconds: true }) as string;

/** A small job with so much access up to doors. */
function hall(accessMin: number): JobFile {
  const file = structuredClone(demoJob('90-boat-hall'));
  file.job.pieces = file.job.pieces.filter(({ kind }) => kind === 'organic-garland').slice(0, 1);
  file.job.crew = file.workshop.crew.map(({ id }) => id);
  const long = { from: earlier(file.job.doors, 480), until: earlier(file.job.doors, -180) };
  file.job.hours = file.job.crew.map((person) => ({ person, ...long }));
  file.job.access = { from: earlier(file.job.doors, accessMin), until: file.job.doors };
  return file;
}

test('with little time on site the finishing is shared out, and leaving the second look gives its ten minutes', () => {
  const plan = planJob(hall(90));
  const touchUp = plan.tasks.find(({ id }) => id === 'touch-up');
  expect(touchUp?.crew.length).toBeGreaterThan(1);
  const spare = plan.onTime.minutesInHand ?? 0;
  const fix = plan.lamps.onTime.fixes.find(({ label }) => label.startsWith('Leave out: Look again'));
  expect(plan.lamps.onTime.state).not.toBe('lit');
  expect(Number(/^(\d+) min to spare$/.exec(fix?.gain ?? '')?.[1])).toBeGreaterThanOrEqual(spare + 10);
});

test('a lift takes longer with its floors, and where not all who carry go into it at once; nobody walks its steps', () => {
  const unload = (loadIn: Partial<JobFile['site']['loadIn']>) => {
    const file = hall(400);
    file.site.loadIn = { distanceM: 30, steps: 60, lift: true, ...loadIn };
    file.workshop.wagons = 0;
    const task = draftPlan(file).tasks.find(({ id }) => id === 'unload');
    if (!task) throw new Error('nothing unloaded');
    return minutes(task) * task.crew.length;
  };
  const near = unload({});
  expect(unload({ steps: 0 })).toBe(near);
  expect(unload({ floors: 12 })).toBeGreaterThan(near);
  expect(unload({ floors: 12, liftLoads: 1 })).toBeGreaterThan(unload({ floors: 12 }));
  expect(unload({ lift: false })).toBeGreaterThan(near);
});

test('hours that end before the way home are named, and longer ones for this job are offered', () => {
  const { hours: _, ...job } = hall(90).job;
  const plan = planJob({ ...hall(90), job });
  expect(plan.lamps.onTime.reason).toMatch(
    /the hours of Ilo end at 19:00, before "Drive back to the workshop" can be done/,
  );
  const longer = plan.lamps.onTime.fixes.find(({ label }) => label.startsWith('Longer hours'));
  if (!longer) throw new Error('not offered');
  expect(draftPlan(applyChanges({ ...hall(90), job }, longer.changes)).tasks.length).toBeGreaterThan(0);
});

test('the van stands at the kerb in its hours only, and for so long; carrying may be too loud as inflators are', () => {
  const file = hall(400);
  const at = (one: JobFile, id: string) => {
    const task = draftPlan(one).tasks.find((each) => each.id === id);
    return task && DateTime.fromISO(task.start, { setZone: true }).toFormat('HH:mm');
  };
  const usual = at(file, 'unload') ?? '';
  expect(usual >= '13:00').toBe(true);
  const loadIn = { ...file.site.loadIn, kerb: { from: '06:00', to: '12:30' } };
  // Doors are at 18:30: unloaded before half past twelve, loaded out when the kerb is shut: there is no plan.
  expect(draftPlan({ ...file, site: { ...file.site, loadIn } }).lamps.onTime.figure).toBe('no plan');
  const dawn = { ...loadIn, kerb: { from: '05:00', to: '06:00' } };
  expect(draftPlan({ ...file, site: { ...file.site, loadIn: dawn } }).lamps.onTime.reason).toContain(
    'only from 05:00 to 06:00',
  );
  const evening = { ...loadIn, kerb: { from: '17:00', to: '12:30' } };
  const kept = draftPlan({ ...file, site: { ...file.site, loadIn: evening } });
  for (const task of kept.tasks.filter(({ id }) => ['unload-first', 'unload', 'load-out'].includes(id))) {
    const [from, until] = [task.start, task.end].map((iso) => iso.slice(11, 16));
    expect([task.id, (until ?? '') <= '12:30' || (from ?? '') >= '17:00']).toEqual([task.id, true]);
  }
  // Quiet from noon to five, carrying too: what is carried is carried before or after.
  const early = hall(480);
  const quiet = { from: '12:00', to: '17:00', loud: ['carrying' as const] };
  const carried = draftPlan({ ...early, site: { ...early.site, quiet } }).tasks.filter(({ id }) =>
    ['unload-first', 'unload', 'load-out'].includes(id),
  );
  expect(carried).toHaveLength(3);
  for (const { id, start, end } of carried)
    expect([id, end.slice(11, 16) <= '12:00' || start.slice(11, 16) >= '17:00']).toEqual([id, true]);
  // A house that hears no drilling then: the step of our own that drills keeps out of it, one that is quiet does not.
  const drill = (noise?: 'drilling') => ({
    id: 'drill',
    label: 'Drill the plinth',
    stage: 'on-arrival' as const,
    minutes: 20,
    hands: 1,
    ...(noise ? { noise } : {}),
  });
  const drilled = (noise?: 'drilling') => {
    const workshop = { ...early.workshop, methods: { changes: [], own: [drill(noise)] } };
    const found = draftPlan({ ...early, workshop }).tasks.find(({ id }) => id === 'drill');
    // Quiet through the very minutes that it would take.
    const times = [found?.start ?? '', found?.end ?? ''].map((iso) => iso.slice(11, 16));
    const [from, to] = times as [string, string];
    const site = { ...early.site, quiet: { from, to, loud: ['drilling' as const] } };
    const after = draftPlan({ ...early, workshop, site }).tasks.find(({ id }) => id === 'drill');
    const [start, end] = [after?.start ?? '', after?.end ?? ''].map((iso) => iso.slice(11, 16));
    return { isClear: (end ?? '') <= from || (start ?? '') >= to, isSame: start === from };
  };
  expect(drilled('drilling').isClear).toBe(true);
  expect(drilled().isSame).toBe(true);
  const short = { ...file.site.loadIn, kerbMin: 10 };
  expect(draftPlan({ ...file, site: { ...file.site, loadIn: short } }).lamps.onTime).toMatchObject({
    state: 'low',
    figure: 'van too long',
  });
});

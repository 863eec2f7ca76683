import type { SiteEntry, SiteEvent, Task } from '@early-lantern/contract';
import fc from 'fast-check';
import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { asReplanned, replanEvent } from './as-replanned.ts';
import { dayFacts } from './day-facts.ts';
import { happenedOf } from './happened.ts';
import { leaveOuts } from './leave-out.ts';
import { type DayNow, type Projection, projected } from './projected.ts';
import { replanned } from './replan.ts';

const MIN = 60_000;
const files = { meadow: demoJob('01-meadow-finish'), shed: demoJob('02-engine-shed') };
const plans = { meadow: planJob(files.meadow), shed: planJob(files.shed) };
type Name = keyof typeof files;

let made = 0;
const entry = (event: SiteEvent, atMs: number, by = 'wren'): SiteEntry => {
  made += 1;
  return { id: made.toString(16).padStart(32, '0'), at: new Date(atMs).toISOString(), by, event };
};
const startOf = (name: Name, id: string) =>
  Date.parse((plans[name].tasks.find((one) => one.id === id) as Task).start);

/** The day as it stands: everything planned to end by a moment is done as planned, people are on what they are to be on, and what is said besides. */
function dayAt(name: Name, nowMs: number, said: SiteEvent[] = [], doneLaterMin = 0): DayNow {
  const { tasks } = plans[name];
  const done = tasks
    .filter(({ end }) => Date.parse(end) <= nowMs - doneLaterMin * MIN)
    .flatMap(({ id, start, end, crew }) =>
      crew.flatMap((person) => [
        entry({ kind: 'start', task: id }, Date.parse(start) + doneLaterMin * MIN, person),
        entry({ kind: 'done', task: id }, Date.parse(end) + doneLaterMin * MIN, person),
      ]),
    );
  const going = tasks
    .filter(({ start, end }) => Date.parse(start) < nowMs && Date.parse(end) > nowMs && doneLaterMin === 0)
    .flatMap(({ id, start, crew }) =>
      crew.map((person) => entry({ kind: 'start', task: id }, Date.parse(start), person)),
    );
  const happened = happenedOf([...done, ...going, ...said.map((event) => entry(event, nowMs))]);
  return { file: files[name], plan: plans[name], happened, facts: dayFacts(files[name], happened), nowMs };
}

/** Whether a plan of the rest of the day could be done: nothing before what it waits for, nobody and nothing at two places. */
function faultsOf({ tasks }: Projection, day: DayNow): string[] {
  const faults: string[] = [];
  const all = [...tasks.values()];
  for (const { task, startMs, endMs, crew, gear } of all) {
    if (day.happened.tasks.has(task.id) || endMs <= day.nowMs) continue;
    if (startMs < day.nowMs && task.crew.length > 0) faults.push(`${task.id} begins in the past`);
    for (const id of task.after) {
      const before = tasks.get(id);
      const wait = (task.waits?.[id] ?? 0) * MIN;
      if (before && before.endMs + wait > startMs) faults.push(`${task.id} does not wait for ${id}`);
    }
    for (const other of all) {
      if (other.task.id >= task.id || other.endMs <= startMs || other.startMs >= endMs) continue;
      if (day.happened.tasks.get(other.task.id)?.state === 'done') continue;
      const shared = [...crew, ...gear].find((id) => [...other.crew, ...other.gear].includes(id));
      if (shared) faults.push(`${shared} is at ${task.id} and at ${other.task.id}`);
    }
  }
  return faults;
}

test.each(['meadow', 'shed'] as const)(
  '%s: all as planned, the day goes on as planned, to the minute',
  (name) => {
    for (const id of ['drive-out', 'unload', 'step-back', 'sign-off']) {
      const day = dayAt(name, startOf(name, id));
      const now = projected(day);
      expect(now.readyMs).toBe(Date.parse(plans[name].onTime.ready as string));
      expect(now.spareMin).toBe(plans[name].onTime.minutesInHand);
      expect(now.impossible).toEqual([]);
    }
  },
);

test('everything half an hour behind: sign-off half an hour later, or a little earlier where somebody waited', () => {
  const at = startOf('meadow', 'finish-arch--frame') + 30 * MIN;
  const late = projected(dayAt('meadow', at, [], 30)).readyMs as number;
  const planned = Date.parse(plans.meadow.onTime.ready as string);
  expect(late - planned).toBeGreaterThan(20 * MIN);
  expect(late - planned).toBeLessThanOrEqual(30 * MIN);
});

test('the house opens later: nothing on site before that, and sign-off by as much later', () => {
  const { access } = files.meadow.job;
  const from = new Date(Date.parse(access.from) + 60 * MIN).toISOString();
  const day = dayAt('meadow', startOf('meadow', 'drive-out'), [{ kind: 'access-late', from }]);
  const now = projected(day);
  for (const { task, startMs } of now.tasks.values())
    if (task.place === 'site' && !day.happened.tasks.has(task.id))
      expect(startMs).toBeGreaterThanOrEqual(Date.parse(from));
  expect(now.readyMs).toBe(Date.parse(plans.meadow.onTime.ready as string) + 60 * MIN);
});

test('it rains: outdoors nothing is put up before it stops, things are carried in meanwhile; under a roof it does not matter', () => {
  const started = startOf('meadow', 'unload');
  const until = new Date(started + 90 * MIN).toISOString();
  const wet = dayAt('meadow', started, [{ kind: 'rain', until }]);
  const { tasks, readyMs } = projected(wet);
  for (const { task, startMs } of tasks.values())
    if (task.stage && !wet.happened.tasks.has(task.id))
      expect(startMs).toBeGreaterThanOrEqual(Date.parse(until));
  expect(tasks.get('unload')?.startMs).toBeLessThan(Date.parse(until));
  // By hand: hanging begins at 7:35 as planned, and at 8:42 in the rain.
  const hang = startOf('meadow', 'rope-garland--hang');
  expect(readyMs).toBe(Date.parse(plans.meadow.onTime.ready as string) + Date.parse(until) - hang);
  const shed = dayAt('shed', startOf('shed', 'unload'), [{ kind: 'rain', until: '2199-01-01T00:00:00Z' }]);
  expect(projected(shed).readyMs).toBe(projected({ ...shed, facts: { ...shed.facts, rainMs: 0 } }).readyMs);
});

test('one of two is missing: everything falls to the other, twice as long where it took both', () => {
  const day = dayAt('meadow', startOf('meadow', 'rope-garland--hang'), [{ kind: 'absent', person: 'ilo' }]);
  const { tasks, readyMs } = replanned(day);
  const open = [...tasks.values()].filter(
    ({ task }) => !day.happened.tasks.has(task.id) && task.place === 'site',
  );
  expect(open.every(({ crew }) => crew.length === 1 && crew[0] === 'wren')).toBe(true);
  const both = plans.meadow.tasks.find(({ id }) => id === 'rope-garland--hang') as Task;
  const alone = tasks.get('rope-garland--hang');
  expect((alone?.endMs ?? 0) - (alone?.startMs ?? 0)).toBe(
    2 * (Date.parse(both.end) - Date.parse(both.start)),
  );
  expect(readyMs).toBeGreaterThan(Date.parse(plans.meadow.onTime.ready as string));
});

test('without anybody who may drive, or without the van, it says so', () => {
  const drivers = files.meadow.workshop.crew.filter(({ skills }) => skills.includes('driver'));
  const at = startOf('meadow', 'load-vehicle');
  const nobody = drivers.map(({ id }): SiteEvent => ({ kind: 'absent', person: id }));
  const { impossible } = projected(dayAt('meadow', at, nobody));
  expect(impossible.find(({ task }) => task.id === 'drive-out')?.why).toBe('Nobody who is here may drive.');
  const gone = projected(dayAt('meadow', at, [{ kind: 'gear-gone', gear: 'van' }])).impossible;
  expect(gone.map(({ task }) => task.id)).toContain('drive-out');
});

test('an inflator or a ladder that is broken is replaced by one that will do; without any, it says so', () => {
  const at = startOf('meadow', 'rope-garland--inflate-11');
  const one = replanned(dayAt('meadow', at, [{ kind: 'gear-gone', gear: 'twin-1' }]));
  expect(one.impossible).toEqual([]);
  expect(one.tasks.get('rope-garland--inflate-11')?.gear).toEqual(['twin-2']);
  expect(one.gearChanges.map(({ to }) => to)).toContainEqual(['twin-2']);
  // One blows after the other now.
  expect(one.readyMs as number).toBeGreaterThanOrEqual(Date.parse(plans.meadow.onTime.ready as string));
  const none = projected(
    dayAt('meadow', at, [
      { kind: 'gear-gone', gear: 'twin-1' },
      { kind: 'gear-gone', gear: 'twin-2' },
    ]),
  );
  expect(none.impossible[0]?.why).toMatch(/^It needs "twin-[12]", which is not here\.$/);
  // The higher one will do for the lower one, but not the other way.
  const low = dayAt('shed', startOf('shed', 'unload'), [{ kind: 'gear-gone', gear: 'step-4' }]);
  expect(projected(low).tasks.get('standing--hang')?.gear).toEqual(['step-8']);
  const high = dayAt('shed', startOf('shed', 'unload'), [{ kind: 'gear-gone', gear: 'step-8' }]);
  expect(projected(high).impossible.map(({ task }) => task.id)).toContain('beam-garland--hang');
});

test('a bag that is lost stops what it was packed for', () => {
  const [lost] = plans.meadow.packing.filter(({ forTask }) => forTask === 'rope-garland--fill');
  const day = dayAt('meadow', startOf('meadow', 'unload'), [{ kind: 'bag-gone', bag: lost?.bag as string }]);
  expect(projected(day).impossible.map(({ task, why }) => [task.id, why])).toEqual([
    ['rope-garland--fill', `What it takes is in bag ${lost?.bag}, which is lost.`],
  ]);
});

test('whatever happens, the rest of the day can be done: in order, and nobody at two places', () => {
  const crew = ['wren', 'ilo', 'sefa', 'ode'];
  fc.assert(
    fc.property(
      fc.constantFrom<Name[]>('meadow', 'shed'),
      fc.integer({ min: -120, max: 700 }),
      fc.integer({ min: 0, max: 60 }),
      fc.option(fc.constantFrom(...crew)),
      fc.array(fc.record({ task: fc.nat(60), minutes: fc.integer({ min: 1, max: 90 }) }), { maxLength: 4 }),
      (name, minute, later, absent, late) => {
        const { tasks } = plans[name];
        const said: SiteEvent[] = late.map(({ task, minutes }) => ({
          kind: 'late',
          task: (tasks[task % tasks.length] as Task).id,
          minutes,
        }));
        if (absent) said.push({ kind: 'absent', person: absent });
        const going = tasks.find(({ start }) => Date.parse(start) >= startOf(name, 'unload') + minute * MIN);
        if (going) said.push({ kind: 'start', task: going.id });
        const day = dayAt(name, startOf(name, 'unload') + minute * MIN, said, later);
        const pushed = projected(day);
        const anew = replanned(day);
        expect(faultsOf(pushed, day)).toEqual([]);
        expect(faultsOf(anew, day)).toEqual([]);
        expect(anew.readyMs ?? 0).toBeLessThanOrEqual((pushed.readyMs ?? 0) + 1);
      },
    ),
    { numRuns: 60 },
  );
});

test('a plan taken over is the one that all go by, and what was left out is not waited for', () => {
  const at = startOf('meadow', 'rope-garland--fill');
  const said: SiteEvent[] = [{ kind: 'late', task: 'finish-arch--layers', minutes: 25 }];
  const day = dayAt('meadow', at, said);
  const [first] = leaveOuts({ ...day, nowMs: at });
  expect(first?.gainMin).toBeGreaterThan(0);
  const leftOut = ['rope-garland--fill', 'look-again'];
  const without = { ...day, facts: { ...day.facts, leftOut: new Set(leftOut) } };
  const anew = replanned(without);
  expect(anew.readyMs as number).toBeLessThan(replanned(day).readyMs as number);
  const event = replanEvent(anew, day.happened, leftOut);
  const happened = happenedOf([entry(event, at)]);
  const { tasks } = asReplanned(plans.meadow, happened);
  expect(tasks.some(({ id }) => leftOut.includes(id))).toBe(false);
  const signOff = tasks.find(({ id }) => id === 'sign-off') as Task;
  expect(Date.parse(signOff.end)).toBe(Math.round(anew.readyMs as number));
  // Looking again waited for the touch-up: now signing off does.
  expect(signOff.after).toEqual(['touch-up']);
});

test('what is seen least for its time is left out first', () => {
  const day = dayAt('meadow', startOf('meadow', 'rope-garland--hang'));
  const found = leaveOuts(day);
  expect(found.map(({ worthPerMin }) => worthPerMin)).toEqual(
    [...found.map(({ worthPerMin }) => worthPerMin)].sort((one, other) => one - other),
  );
  expect(found.map(({ task }) => task.id)).toContain('rope-garland--fill');
  expect(found.every(({ task }) => task.mayBeLeftOut)).toBe(true);
  const effect = found.find(({ task }) => task.id === 'rope-garland--fill')?.effect ?? '';
  const [, before, after] =
    /^42 places stay open: ([\d.]+) % of it seen through in place of ([\d.]+) %$/.exec(effect) ?? [];
  expect(Number(before)).toBeGreaterThan(Number(after));
});

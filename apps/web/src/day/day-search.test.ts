import type { JobFile, Rehearsal } from '@early-lantern/contract';
import type { Clash, Culprit, DayPlan, WayOut } from '@early-lantern/core';
import { type DayEngine, DaySearch, type DayState } from './day-search.ts';

const files = [
  { job: { id: 'north', pieces: [] } },
  { job: { id: 'south', pieces: [] } },
] as unknown as JobFile[];
const planOf = (tried: number, isWhole: boolean): DayPlan =>
  ({ tried, jobs: [{ jobId: 'north', tasks: [], broken: isWhole ? [] : ['late'] }] }) as unknown as DayPlan;
const settle = () => new Promise((resolve) => setImmediate(resolve));

/** An engine that answers when it is told to, step by step. */
function slowEngine() {
  const steps: { on: (tried: number, plan?: DayPlan) => boolean; end: () => void; orders: number }[] = [];
  const went: string[] = [];
  const engine: DayEngine = {
    clashes: async () => [{ kind: 'person' }] as unknown as Clash[],
    plan: (_, orders, onStep) =>
      new Promise((resolve) => {
        steps.push({ orders, on: onStep as never, end: () => resolve(undefined) });
      }),
    rehearse: async (_, plan) => {
      went.push(`rehearsed ${plan.tried}`);
      return [{ chance: 0.9 }] as unknown as Rehearsal[];
    },
    culprits: async () => {
      went.push('culprits');
      return [{ id: 'drive' }] as unknown as Culprit[];
    },
    ways: async (_, __, onStep) => {
      onStep(1, 2, { label: 'a' } as WayOut);
      onStep(2, 2, undefined);
    },
  };
  return { engine, steps, went };
}

function begun() {
  const { engine, steps, went } = slowEngine();
  let state: DayState = {};
  const search = new DaySearch(files, engine, (next) => {
    state = next;
  });
  search.start();
  return { search, steps, went, now: () => state };
}

test('each better plan is shown as it is found; a whole one at the end is gone through, and nothing is to blame', async () => {
  const { steps, went, now } = begun();
  await settle();
  expect(now()).toMatchObject({ of: 2500, clashes: [{ kind: 'person' }] });
  expect(steps[0]?.on(10, planOf(10, false))).toBe(true);
  expect(now()).toMatchObject({ plan: { tried: 10 }, tried: 10, of: 2500 });
  steps[0]?.on(400);
  expect(now()).toMatchObject({ plan: { tried: 10 }, tried: 400 });
  steps[0]?.on(900, planOf(900, true));
  steps[0]?.end();
  await settle();
  expect(now()).toMatchObject({
    plan: { tried: 900 },
    tried: 900,
    culprits: [],
    rehearsed: { plan: { tried: 900 } },
  });
  expect(now().of).toBeUndefined();
  expect(went).toEqual(['rehearsed 900']);
});

test('where no plan keeps every job whole it is told what cannot be done, and the ways out as they are tried', async () => {
  const { steps, went, now } = begun();
  steps[0]?.on(1500, planOf(1500, false));
  steps[0]?.end();
  await settle();
  expect(went).toEqual(['rehearsed 1500', 'culprits']);
  expect(now()).toMatchObject({
    culprits: [{ id: 'drive' }],
    ways: { found: [{ label: 'a' }], done: 2, of: 2 },
  });
});

test('stopped, it keeps what it has; what comes later is sent away', async () => {
  const { search, steps, went, now } = begun();
  steps[0]?.on(10, planOf(10, true));
  search.stop();
  await settle();
  expect(now()).toMatchObject({ plan: { tried: 10 }, culprits: [] });
  expect(now().of).toBeUndefined();
  expect(steps[0]?.on(20, planOf(20, true))).toBe(false);
  steps[0]?.end();
  await settle();
  expect(now().plan?.tried).toBe(10);
  // A longer search goes on from there; an older one that ends meanwhile changes nothing.
  search.look(40_000);
  expect(now().of).toBe(40_000);
  expect(steps[1]?.orders).toBe(40_000);
  steps[1]?.on(50, planOf(50, true));
  steps[1]?.end();
  await settle();
  expect(went).toEqual(['rehearsed 10', 'rehearsed 50']);
});

test('closed, nothing is told any more; a failure is', async () => {
  const { search, steps, now } = begun();
  await settle();
  search.close();
  const before = now();
  expect(steps[0]?.on(10, planOf(10, true))).toBe(false);
  expect(now()).toBe(before);
  const { engine } = slowEngine();
  let failed: DayState = {};
  const broken = { ...engine, plan: () => Promise.reject(new Error('worker gone')) };
  new DaySearch(files, broken, (next) => {
    failed = next;
  }).start();
  await settle();
  expect(failed.failure?.message).toBe('worker gone');
});

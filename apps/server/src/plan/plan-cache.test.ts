import type { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import { demoJob } from '../test/server.ts';
import { planCache } from './plan-cache.ts';

const named = (name: string): JobFile => {
  const file = demoJob('02-engine-shed');
  return { ...file, job: { ...file.job, name } };
};

test('the same file is worked out once, however many ask at the same time and after', async () => {
  const asked: string[] = [];
  const cached = planCache(async (file) => {
    asked.push(file.job.name);
    return planJob(file);
  });
  const [one, two, other] = await Promise.all([
    cached(named('one')),
    cached(structuredClone(named('one'))),
    cached(named('other')),
  ]);
  expect(two).toBe(one);
  expect(other).not.toBe(one);
  expect(await cached(named('one'))).toBe(one);
  expect(asked).toEqual(['one', 'other']);
  expect(one).toEqual(planJob(named('one')));
});

test('what could not be worked out is told to all who asked, and tried anew for the next', async () => {
  let turn = 0;
  const cached = planCache(async () => {
    turn += 1;
    if (turn === 1) throw new RangeError('no such colour');
    return { timeZone: 'UTC' } as Plan;
  });
  const asked = [cached(named('one')), cached(named('one'))];
  for (const answer of asked) await expect(answer).rejects.toThrow('no such colour');
  await expect(cached(named('one'))).resolves.toEqual({ timeZone: 'UTC' });
  expect(turn).toBe(2);
});

test('only so many are kept: the oldest is worked out again', async () => {
  let worked = 0;
  const cached = planCache(async () => {
    worked += 1;
    return { timeZone: 'UTC' } as Plan;
  });
  for (let i = 0; i < 61; i++) await cached(named(`job ${i}`));
  expect(worked).toBe(61);
  await cached(named('job 60'));
  expect(worked).toBe(61);
  await cached(named('job 0'));
  expect(worked).toBe(62);
});

test('a plan is stopped when all who asked for it have gone, and only then', async () => {
  const stopped: string[] = [];
  const cached = planCache(
    (file, signal) =>
      new Promise((_, reject) => {
        signal?.addEventListener('abort', () => {
          stopped.push(file.job.name);
          reject(new Error('stopped'));
        });
      }),
  );
  const [first, second] = [new AbortController(), new AbortController()];
  const asked = [cached(named('one'), first.signal), cached(named('one'), second.signal)];
  void cached(named('two')).catch(() => undefined);
  const impatient = new AbortController();
  void cached(named('two'), impatient.signal).catch(() => undefined);
  impatient.abort();
  first.abort();
  expect(stopped).toEqual([]);
  second.abort();
  for (const answer of asked) await expect(answer).rejects.toThrow('stopped');
  // Somebody still waits for the other.
  expect(stopped).toEqual(['one']);
});

import type { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import { demoJob } from '../test/server.ts';
import { planDesk } from './desk.ts';

const named = (name: string): JobFile => {
  const file = demoJob('02-engine-shed');
  return { ...file, job: { ...file.job, name } };
};

test('the same file is worked out once, however many ask at the same time and after', async () => {
  const asked: string[] = [];
  const desk = planDesk(async (file) => {
    asked.push(file.job.name);
    return planJob(file);
  });
  const [one, two, other] = await Promise.all([
    desk(named('one')),
    desk(structuredClone(named('one'))),
    desk(named('other')),
  ]);
  expect(two).toBe(one);
  expect(other).not.toBe(one);
  expect(await desk(named('one'))).toBe(one);
  expect(asked).toEqual(['one', 'other']);
  expect(one).toEqual(planJob(named('one')));
});

test('what could not be worked out is told to all who asked, and tried anew for the next', async () => {
  let turn = 0;
  const desk = planDesk(async () => {
    turn += 1;
    if (turn === 1) throw new RangeError('no such colour');
    return { timeZone: 'UTC' } as Plan;
  });
  const asked = [desk(named('one')), desk(named('one'))];
  for (const answer of asked) await expect(answer).rejects.toThrow('no such colour');
  await expect(desk(named('one'))).resolves.toEqual({ timeZone: 'UTC' });
  expect(turn).toBe(2);
});

test('only so many are kept: the oldest is worked out again', async () => {
  let worked = 0;
  const desk = planDesk(async () => {
    worked += 1;
    return { timeZone: 'UTC' } as Plan;
  });
  for (let i = 0; i < 61; i++) await desk(named(`job ${i}`));
  expect(worked).toBe(61);
  await desk(named('job 60'));
  expect(worked).toBe(61);
  await desk(named('job 0'));
  expect(worked).toBe(62);
});

test('a plan is stopped when all who asked for it have gone, and only then', async () => {
  const stopped: string[] = [];
  const desk = planDesk(
    (file, signal) =>
      new Promise((_, reject) => {
        signal?.addEventListener('abort', () => {
          stopped.push(file.job.name);
          reject(new Error('stopped'));
        });
      }),
  );
  const [first, second] = [new AbortController(), new AbortController()];
  const asked = [desk(named('one'), first.signal), desk(named('one'), second.signal)];
  void desk(named('two')).catch(() => undefined);
  const impatient = new AbortController();
  void desk(named('two'), impatient.signal).catch(() => undefined);
  impatient.abort();
  first.abort();
  expect(stopped).toEqual([]);
  second.abort();
  for (const answer of asked) await expect(answer).rejects.toThrow('stopped');
  // Somebody still waits for the other.
  expect(stopped).toEqual(['one']);
});

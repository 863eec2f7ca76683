import { setTimeout as sleep } from 'node:timers/promises';
import type { JobFile, JobLamps, ToldLamps } from '@early-lantern/contract';
import { judgeJob } from '@early-lantern/core';
import { demoJob, type TestServer, testServer } from '../test/server.ts';
import { keepLamps } from './keeper.ts';
import { told } from './told.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  for (const name of ['01-meadow-finish', '04-regatta-breakfast'])
    await server.call('POST', '/job-files', demoJob(name));
});
afterEach(() => server.end());

const span = `from=${encodeURIComponent('2027-06-01T00:00:00Z')}&until=${encodeURIComponent('2027-08-01T00:00:00Z')}`;
const lamps = async (): Promise<Record<string, JobLamps>> =>
  (await server.call('GET', `/lamps?${span}`)).body;

/** Asked again until all are there. */
async function whenAllThere(ask: () => Promise<Record<string, JobLamps>>): Promise<Record<string, JobLamps>> {
  for (;;) {
    const found = await ask();
    if (Object.values(found).every((one) => one.lamps ?? one.failure)) return found;
    await sleep(50);
  }
}

test('lamps of a list are worked out behind it, kept, and worked out anew only for a job that has changed', async () => {
  const first = await lamps();
  expect(Object.values(first)).toEqual([
    { lamps: null, failure: null },
    { lamps: null, failure: null },
  ]);
  const found = await whenAllThere(lamps);
  // What each says is what its whole plan says, with what the other leaves to it.
  for (const id of Object.keys(found)) {
    const file = (await server.call('GET', `/jobs/${id}/file`)).body as JobFile;
    const left = (await server.call('GET', `/jobs/${id}/left`)).body;
    const plan = judgeJob({ ...file, workshop: { ...file.workshop, ...left } });
    expect(found[id]?.lamps).toEqual(told(plan));
  }
  expect(await lamps()).toEqual(found);
  const [piece] = (await server.call('GET', '/jobs/regatta-breakfast')).body.pieces;
  await server.call('DELETE', `/jobs/regatta-breakfast/pieces/${piece.data.id}?revision=${piece.revision}`);
  const changed = await lamps();
  expect(changed['regatta-breakfast']?.lamps).toBeNull();
  expect((await whenAllThere(lamps))['regatta-breakfast']?.lamps?.enough.figure).toBe('no piece yet');
});

test('what was asked for last comes first; a job that cannot be looked at says why and holds up nobody', async () => {
  const file = (id: string): JobFile => {
    const one = demoJob('04-regatta-breakfast');
    return { ...one, job: { ...one.job, id } };
  };
  for (const id of ['one', 'two', 'three']) await server.call('POST', '/job-files', file(id));
  const looked: string[] = [];
  const said = told(judgeJob(demoJob('04-regatta-breakfast')));
  const keeper = keepLamps(async ({ job }): Promise<ToldLamps> => {
    looked.push(job.id);
    await sleep(20);
    if (job.id === 'two') throw new Error('took longer than 60 seconds');
    return said;
  });
  await keeper.lampsOf(server.db, [file('one'), file('two')]);
  const ask = () => keeper.lampsOf(server.db, [file('three'), file('two'), file('one')]);
  const found = await whenAllThere(ask);
  expect(found).toEqual({
    one: { lamps: said, failure: null },
    two: { lamps: null, failure: 'took longer than 60 seconds' },
    three: { lamps: said, failure: null },
  });
  // The first was under way; then those of whoever looked last. None twice.
  expect(looked).toEqual(['one', 'three', 'two']);
  expect(await ask()).toEqual(found);
  expect(looked).toHaveLength(3);
});

import type { JobFile } from '@early-lantern/contract';
import { judgeJob, longerLoads } from '../plan.ts';
import { demoJob } from '../test/samples.ts';

/** The meadow's job with less and less room, until not all goes in at the first search. */
function tight(): JobFile {
  for (let m = 3; m > 1.5; m -= 0.05) {
    const file = structuredClone(demoJob('01-meadow-finish'));
    for (const { cargo } of file.workshop.vehicles) if (cargo) cargo.lengthM = m;
    file.job.vehicles = file.workshop.vehicles.slice(0, 1).map(({ id }) => id);
    const { unplaced } = judgeJob(file).fits;
    if (unplaced.length > 0 && unplaced.length < 6) return file;
  }
  throw new Error('it goes into any room');
}

test('a longer search tells only what is better, and a plan that begins where it was found has just that load', () => {
  const file = tight();
  const before = judgeJob(file).fits;
  let least = before.unplaced.length;
  let found = 0;
  let last = { done: 0, of: 0 };
  for (const load of longerLoads(file)) {
    expect(load.done).toBe(last.done + 1);
    last = load;
    if (!load.better || load.better.seed === found) continue;
    const { seed, ...better } = load.better;
    found = seed;
    expect(better.unplaced.length).toBeLessThanOrEqual(least);
    least = better.unplaced.length;
    const { fits } = judgeJob({ ...file, job: { ...file.job, loadSeed: seed } });
    expect(fits).toMatchObject(better);
    // It can be broken off after each.
    break;
  }
  expect(last.done).toBeLessThan(last.of);
  expect(least).toBeLessThan(before.unplaced.length);
});

test('where everything is as it should be there is nothing to search for', () => {
  expect([...longerLoads(demoJob('94-raft-race'))]).toEqual([]);
});

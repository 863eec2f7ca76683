import fc from 'fast-check';
import { together } from './together.ts';

test('whoever asks gets what is so after asking, never from before; many share a query', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.scheduler(),
      fc.array(fc.constantFrom('read a', 'read b', 'write a', 'write b'), { maxLength: 30 }),
      async (s, steps) => {
        const stored = new Map([
          ['a', 0],
          ['b', 0],
        ]);
        let queries = 0;
        const read = together(async (keys) => {
          queries += 1;
          // What it finds is what is so when it is sent.
          const found = new Map(keys.map((key) => [key, stored.get(key) ?? -1]));
          return s.schedule(Promise.resolve(found));
        });
        const wrong: string[] = [];
        let reads = 0;
        const sequence = steps.map((step) => async () => {
          const [what, key] = step.split(' ') as [string, string];
          if (what === 'write') return void stored.set(key, (stored.get(key) ?? 0) + 1);
          const before = stored.get(key) ?? 0;
          reads += 1;
          void read(key).then((value) => {
            if ((value ?? -1) < before) wrong.push(`${step}: ${value} is from before ${before}`);
          });
        });
        s.scheduleSequence(sequence);
        await s.waitAll();
        expect(wrong).toEqual([]);
        expect(queries).toBeLessThanOrEqual(reads);
      },
    ),
    { numRuns: 300 },
  );
});

test('a query that fails fails those who shared it, and the next one goes on; what is not there is undefined', async () => {
  let isBroken = true;
  const read = together(async (keys) => {
    if (isBroken) throw new Error('no connection');
    return new Map(keys.filter((key) => key !== 'gone').map((key) => [key, key.toUpperCase()]));
  });
  await expect(read('a')).rejects.toThrow('no connection');
  isBroken = false;
  expect(await Promise.all([read('a'), read('b'), read('a'), read('gone')])).toEqual([
    'A',
    'B',
    'A',
    undefined,
  ]);
});

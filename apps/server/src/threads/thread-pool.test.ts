import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type ThreadPool, threadPool } from './thread-pool.ts';

let folder: string;
let pool: ThreadPool<string, string>;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'threads-'));
  const filename = join(folder, 'work.mjs');
  await writeFile(
    filename,
    `export default (word) => {
       if (word === 'hang') for (;;) {}
       if (word === 'swell') for (const all = []; ; ) all.push(new Array(1e5).fill(Math.random()));
       if (word === 'fail') throw new RangeError('no such word');
       return word + '!';
     };`,
  );
  pool = threadPool({ filename, what: 'This word', threads: 1, budgetMs: 1500, mostMib: 64 });
});
afterAll(async () => {
  await pool.close();
  await rm(folder, { recursive: true });
});

test('a thread that hangs is stopped after its budget and replaced; what waits behind it is told', async () => {
  const [hung, behind] = await Promise.allSettled([pool.run('hang'), pool.run('one')]);
  expect(hung).toMatchObject({ status: 'rejected', reason: { code: 'took-too-long' } });
  expect(behind.status).toBe('rejected');
  expect(await pool.run('two')).toBe('two!');
});

test('work that nobody wants any more is stopped, and the next has its turn', async () => {
  const gone = new AbortController();
  const hung = pool.run('hang', gone.signal);
  const next = pool.run('three');
  gone.abort();
  await expect(hung).rejects.toMatchObject({ name: 'AbortError' });
  expect(await next).toBe('three!');
});

test('work that fails, or eats more than its memory, fails alone', async () => {
  await expect(pool.run('fail')).rejects.toThrow('no such word');
  await expect(pool.run('swell')).rejects.toThrow();
  expect(await pool.run('four')).toBe('four!');
});

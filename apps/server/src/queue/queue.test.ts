import { setTimeout as sleep } from 'node:timers/promises';
import { sql } from 'drizzle-orm';
import { listenTo } from '../events/hub.ts';
import { type TestServer, testServer } from '../test/server.ts';
import { workQueue } from './ask.ts';
import { migrateQueue, type Work, workOff } from './worker.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
  await migrateQueue(server.url);
});
afterAll(() => server.end());

/** A worker process, as far as the database can tell. */
async function worker(work: Work) {
  const events = listenTo(server.url);
  const hands = await workOff({ url: server.url, db: server.db, events }, [{ task: 'plan', work, count: 1 }]);
  return async () => {
    await hands.close();
    await events.close();
  };
}

/** A server that asks, with its own ear. */
function asker() {
  const events = listenTo(server.url);
  return { queue: workQueue(server.db, events), end: events.close };
}

test('two servers that ask for the same have it worked out once; a failure is told to both, with its reason', async () => {
  const worked: unknown[] = [];
  const end = await worker(async (input) => {
    worked.push(input);
    await sleep(50);
    if (input === 'bad') throw new RangeError('no such colour');
    return { twice: `${input} ${input}` };
  });
  const [one, two] = [asker(), asker()];
  const ask = (input: string) => [one, two].map(({ queue }) => queue.ask('plan', input, { priority: 0 }));
  expect(await Promise.all(ask('ho'))).toEqual([{ twice: 'ho ho' }, { twice: 'ho ho' }]);
  // Kept for whoever asks later.
  expect(await ask('ho')[0]).toEqual({ twice: 'ho ho' });
  for (const answer of await Promise.allSettled(ask('bad')))
    expect(answer).toMatchObject({ status: 'rejected', reason: { message: 'no such colour' } });
  expect(worked).toEqual(['ho', 'bad']);
  await Promise.all([end(), one.end(), two.end()]);
});

test('what somebody waits for goes before what was asked for behind a list; what nobody wants is stopped', async () => {
  const order: string[] = [];
  const stopped: string[] = [];
  const { queue, end: silence } = asker();
  const gone = new AbortController();
  const asked = [
    queue.ask('plan', 'behind', { priority: 900 }),
    queue.ask('plan', 'later still', { priority: 800 }),
    queue.ask('plan', 'waited for', { priority: 0 }),
    queue.ask('plan', 'unwanted', { priority: 0, signal: gone.signal }).catch(({ name }: Error) => name),
  ];
  await sleep(300);
  gone.abort();
  expect(await asked[3]).toBe('AbortError');
  const end = await worker(async (input, signal) => {
    order.push(input as string);
    signal.addEventListener('abort', () => stopped.push(input as string));
    await sleep(input === 'long' ? 5_000 : 5, undefined, { signal });
    return input;
  });
  expect(await Promise.all(asked.slice(0, 3))).toEqual(['behind', 'later still', 'waited for']);
  expect(order).toEqual(['waited for', 'later still', 'behind']);
  const impatient = new AbortController();
  const long = queue
    .ask('plan', 'long', { priority: 0, signal: impatient.signal })
    .catch(({ name }: Error) => name);
  while (!order.includes('long')) await sleep(20);
  impatient.abort();
  expect(await long).toBe('AbortError');
  while (stopped.length === 0) await sleep(20);
  expect(stopped).toEqual(['long']);
  await Promise.all([end(), silence()]);
});

test('what a dead worker had begun is done by another', async () => {
  const { queue, end: silence } = asker();
  // As a worker leaves it that was killed: begun, and never heard of again.
  const answer = queue.ask('plan', 'begun', { priority: 0 });
  await sleep(300);
  await server.db.execute(sql`
    update graphile_worker._private_jobs set locked_by = 'worker-dead', locked_at = now(), attempts = 1 where key like 'plan:%'
  `);
  await server.db.execute(sql`
    insert into work_hands (id, seen_at) values ('worker-dead', now() - interval '10 s')
  `);
  const end = await worker(async (input) => input);
  expect(await answer).toBe('begun');
  await Promise.all([end(), silence()]);
});

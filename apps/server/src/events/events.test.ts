import type { Changed } from '@early-lantern/contract';
import pg from 'pg';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
let address: string;
beforeAll(async () => {
  server = await testServer();
  address = await server.app.listen({ port: 0, host: '127.0.0.1' });
});
afterAll(() => server.end());

/** The stream of changes, read as a page would. */
async function follow() {
  const reply = await fetch(`${address}/api/v1/events`);
  const told: Changed[] = [];
  const reader = (reply.body as ReadableStream<Uint8Array>).pipeThrough(new TextDecoderStream()).getReader();
  const reading = (async () => {
    for (let rest = ''; ; ) {
      const { value, done } = await reader.read();
      if (done) return;
      rest += value;
      const parts = rest.split('\n\n');
      rest = parts.pop() ?? '';
      for (const part of parts) {
        const data = /^data: (.*)$/m.exec(part)?.[1];
        if (data) told.push(JSON.parse(data) as Changed);
      }
    }
  })();
  const until = async (is: (change: Changed) => boolean) => {
    for (let tries = 0; tries < 200 && !told.some(is); tries++)
      await new Promise((done) => setTimeout(done, 25));
    expect(told.some(is)).toBe(true);
  };
  return { type: reply.headers.get('content-type'), told, until, reading, stop: () => reader.cancel() };
}

test('a job read in, a piece changed and a job deleted are told, each once; what was rolled back is not', async () => {
  const { type, told, until, stop } = await follow();
  expect(type).toBe('text/event-stream');
  const file = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', file);
  await until(({ what, id }) => what === 'piece' && id === file.job.id);
  expect(told.filter(({ what }) => what === 'piece')).toHaveLength(1);
  told.length = 0;
  const { body: job } = await server.call('GET', `/jobs/${file.job.id}`);
  const [piece] = job.pieces;
  const path = `/jobs/${file.job.id}/pieces/${piece.data.id}`;
  // Refused: a width that is none.
  const wrong = await server.call('PUT', path, {
    revision: piece.revision,
    data: { ...piece.data, spotId: 'nowhere' },
  });
  expect(wrong.status).toBe(422);
  const changed = { revision: piece.revision, data: { ...piece.data, name: 'Beam' } };
  expect((await server.call('PUT', path, changed)).status).toBe(200);
  await until(({ what }) => what === 'piece');
  await server.call('DELETE', `/jobs/${file.job.id}?revision=${job.revision}`);
  await until(({ what }) => what === 'job');
  expect(told.filter(({ what }) => what === 'piece' || what === 'job')).toHaveLength(2);
  await stop();
});

test('after its connection broke it listens again, and says that anything may have changed', async () => {
  const { told, until, stop } = await follow();
  const admin = new pg.Client({ connectionString: server.url });
  await admin.connect();
  const { rowCount } = await admin.query(
    "select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen %' and datname = current_database()",
  );
  expect(rowCount).toBe(1);
  await until(({ what }) => what === 'anything');
  await admin.query(
    "select pg_notify('early_lantern', 'no JSON'), pg_notify('early_lantern', '{\"what\":\"rain\"}')",
  );
  for (const [workshop, id] of [
    ['elsewhere', 'theirs'],
    ['first', 'hall'],
  ])
    await admin.query('select pg_notify($1, $2)', [
      'early_lantern',
      JSON.stringify({ workshop, what: 'site', id }),
    ]);
  await until(({ what, id }) => what === 'site' && id === 'hall');
  expect(told.map(({ what }) => what)).not.toContain('rain');
  expect(told.map(({ id }) => id)).not.toContain('theirs');
  await admin.end();
  await stop();
});

test('an open stream does not keep the server from stopping', async () => {
  const { reading } = await follow();
  const before = performance.now();
  await server.app.close();
  await reading;
  expect(performance.now() - before).toBeLessThan(3000);
});

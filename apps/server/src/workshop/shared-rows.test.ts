import type { JobFile } from '@early-lantern/contract';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
});
afterEach(() => server.end());

test.each(['/workshop', '/crew/wren', '/sites/meadow'])(
  '%s: updates count up, stale ones are told what is there',
  async (path) => {
    const { body: row } = await server.call('GET', path);
    const first = await server.call('PUT', path, {
      revision: row.revision,
      data: { ...row.data, name: 'First' },
    });
    expect(first).toMatchObject({
      status: 200,
      body: { revision: row.revision + 1, data: { name: 'First' } },
    });
    const second = await server.call('PUT', path, {
      revision: row.revision,
      data: { ...row.data, name: 'Second' },
    });
    expect(second).toMatchObject({ status: 409, body: { code: 'changed-elsewhere', current: first.body } });
    const unsound = await server.call('PUT', path, {
      revision: row.revision + 1,
      data: { ...row.data, name: ' ', extra: 1 },
    });
    expect(unsound.status).toBe(422);
    expect(unsound.body.faults.map((fault: { path: string }) => fault.path).sort()).toEqual([
      'data.extra',
      'data.name',
    ]);
    expect((await server.call('GET', path)).body).toEqual(first.body);
  },
);

test.each([
  ['/crew', { id: 'nell', name: 'Nell Reed', skills: ['tying'], shift: { from: '08:00', to: '16:00' } }],
  ['/sites', { ...demoJob('03-glasshouse-night').site, id: 'second-house' }],
])('%s: added once, refused twice, deleted at its own revision only', async (list, data) => {
  expect(await server.call('POST', list, data)).toMatchObject({ status: 201, body: { revision: 1, data } });
  expect((await server.call('POST', list, data)).status).toBe(409);
  expect((await server.call('DELETE', `${list}/${data.id}?revision=2`)).status).toBe(409);
  expect((await server.call('DELETE', `${list}/${data.id}`)).status).toBe(422);
  expect((await server.call('DELETE', `${list}/${data.id}?revision=1`)).status).toBe(200);
  expect((await server.call('GET', `${list}/${data.id}`)).status).toBe(404);
});

test('crew come in pages, each once', async () => {
  const seen: string[] = [];
  let after = '';
  do {
    const { body } = await server.call('GET', `/crew?limit=3${after}`);
    expect(body.total).toBe(4);
    seen.push(...body.items.map((row: { data: { id: string } }) => row.data.id));
    after = body.next ? `&after=${body.next}` : '';
  } while (after);
  expect(seen).toEqual(['bram', 'ilo', 'sefa', 'wren']);
  expect((await server.call('GET', '/crew?limit=0')).status).toBe(422);
});

test('a colour that a piece uses cannot be taken out of the workshop, another can', async () => {
  const { body: row } = await server.call('GET', '/workshop');
  const without = (colour: string) => ({
    ...row.data,
    colours: row.data.colours.filter((one: { id: string }) => one.id !== colour),
    stock: row.data.stock.filter((one: { colour: string }) => one.colour !== colour),
  });
  const refusal = await server.call('PUT', '/workshop', { revision: row.revision, data: without('lagoon') });
  expect(refusal.status).toBe(422);
  // Wherever a piece names it: in a mix, a pattern, on top.
  expect(refusal.body.faults.map((fault: { path: string }) => fault.path)).toEqual(
    expect.arrayContaining([
      'job.pieces[0].colours[0].colour',
      'job.pieces[1].pattern.colours[0]',
      'job.pieces[2].topper.colour',
    ]),
  );
  expect(
    (await server.call('PUT', '/workshop', { revision: row.revision, data: without('slate') })).status,
  ).toBe(200);
});

test('a colour taken out while pieces that want it come in: never a job with a colour that is not there', async () => {
  const { body: row } = await server.call('GET', '/workshop');
  const { body: job } = await server.call('GET', '/jobs/meadow-finish');
  const garland = job.pieces[0].data;
  const slateless = {
    ...row.data,
    colours: row.data.colours.filter((one: { id: string }) => one.id !== 'slate'),
    stock: row.data.stock.filter((one: { colour: string }) => one.colour !== 'slate'),
  };
  const replies = await Promise.all([
    ...Array.from({ length: 6 }, (_, i) =>
      server.call('POST', '/jobs/meadow-finish/pieces', {
        ...garland,
        id: `slate-${i}`,
        colours: [{ colour: 'slate', sharePct: 100 }],
      }),
    ),
    server.call('PUT', '/workshop', { revision: row.revision, data: slateless }),
  ]);
  const taken = replies.at(-1)?.status === 200;
  const added = replies.slice(0, -1).filter((reply) => reply.status === 201).length;
  expect(taken ? added : 6).toBe(taken ? 0 : added);
  const file = (await server.call('GET', '/jobs/meadow-finish/file')).body as JobFile;
  expect((await server.call('POST', '/plan', file)).status).toBe(200);
});

test('a job made by hand at a known site can be planned at once; unknown crew are refused', async () => {
  const { pieces: _, ...head } = demoJob('01-meadow-finish').job;
  const made = await server.call('POST', '/jobs', { ...head, id: 'by-hand' });
  expect(made).toMatchObject({ status: 201, body: { revision: 1, pieces: [] } });
  expect((await server.call('GET', '/jobs/by-hand/plan')).body.lamps.enough.state).toBe('unlit');
  expect((await server.call('POST', '/jobs', { ...head, id: 'by-hand' })).status).toBe(409);
  const stranger = await server.call('POST', '/jobs', { ...head, id: 'other', crew: ['nobody'] });
  expect(stranger.body.faults).toEqual([
    { path: 'job.crew[0]', reason: 'no crew member "nobody" in this file' },
  ]);
  expect((await server.call('GET', '/jobs/other')).status).toBe(404);
});

import type { PackingRow } from '@early-lantern/contract';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
let packing: PackingRow[];
const at = '/jobs/boat-hall-supper/packing';

beforeAll(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('90-boat-hall'));
  packing = (await server.call('GET', '/jobs/boat-hall-supper/plan')).body.packing;
});
afterAll(() => server.end());
beforeEach(async () => {
  await server.call('DELETE', `${at}/departure`);
  await server.call('POST', `${at}/untick`, { rows: packing.map(({ id }) => id) });
});

const tick = (rows: readonly string[], by = 'wren') => server.call('PUT', `${at}/ticks`, { rows, by });
const ids = () => packing.map(({ id }) => id);

test('a line is ticked once: the second phone that ticks it changes neither who nor when', async () => {
  const [row = ''] = ids();
  const first = await tick([row, row]);
  expect(first.body.ticks).toMatchObject([{ row, by: 'wren' }]);
  const again = await tick([row], 'ilo');
  expect(again.body).toEqual(first.body);
  expect((await server.call('GET', at)).body).toEqual(first.body);
  const undone = await server.call('POST', `${at}/untick`, { rows: [row] });
  expect(undone.body).toEqual({ ticks: [], departure: null });
});

test('with lines not ticked it leaves only with a reason, and both are kept; ticked, it needs none', async () => {
  const missing = packing.at(-1) as PackingRow;
  await tick(ids().filter((id) => id !== missing.id));
  const held = await server.call('PUT', `${at}/departure`, { by: 'wren' });
  expect(held.status).toBe(422);
  expect(held.body.faults).toMatchObject([
    { path: 'reason', reason: expect.stringContaining(missing.label) },
  ]);
  expect((await server.call('PUT', `${at}/departure`, { by: 'wren', reason: '  ' })).status).toBe(422);
  const left = await server.call('PUT', `${at}/departure`, { by: 'wren', reason: 'It is there already.' });
  expect(left.body.departure).toMatchObject({
    by: 'wren',
    reason: 'It is there already.',
    left: [missing.label],
  });
  expect((await server.call('DELETE', `${at}/departure`)).body.departure).toBeNull();
  await tick([missing.id]);
  const ready = await server.call('PUT', `${at}/departure`, { by: 'ilo' });
  expect(ready.body.departure).toMatchObject({ by: 'ilo', reason: '', left: [] });
});

test.each([
  ['a person who is not there', 'PUT', `${at}/ticks`, { rows: ['x'], by: 'nobody' }, 422],
  ['no line at all', 'PUT', `${at}/ticks`, { rows: [], by: 'wren' }, 422],
  ['a job that is not there', 'GET', '/jobs/none/packing', undefined, 404],
  ['a departure by nobody', 'PUT', `${at}/departure`, { by: 'nobody', reason: 'so' }, 422],
] as const)('%s is refused', async (_, method, path, body, status) => {
  expect((await server.call(method, path, body)).status).toBe(status);
});

test('the list as a table has every line with its tick, the load as JSON every thing', async () => {
  const [row = ''] = ids();
  await tick([row]);
  const csv = (await server.call('GET', `${at}/csv`)).body as string;
  const lines = csv.trim().split('\r\n');
  expect(lines).toHaveLength(packing.length + 1);
  expect(lines[1]).toMatch(/Wren/);
  expect((await server.call('GET', `${at}/xlsx`)).type).toContain('spreadsheetml');
  const load = (await server.call('GET', '/jobs/boat-hall-supper/load.json')).body;
  expect(load.vehicles[0].items.length).toBeGreaterThan(3);
});

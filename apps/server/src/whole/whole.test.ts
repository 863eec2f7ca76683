import { readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { sql } from 'drizzle-orm';
import { newestApplied } from '../db/database.ts';
import { inWorkshop } from '../db/which-workshop.ts';
import { addNewWorkshop } from '../setup/new-workshop.ts';
import { demoJob, type TestServer, testServer } from '../test/server.ts';
import { readIn } from './read-in.ts';
import { exported, leftOut } from './tables.ts';

let from: TestServer;
let to: TestServer;
const path = join(tmpdir(), `export-${process.pid}.jsonl.gz`);
beforeAll(async () => {
  [from, to] = [await testServer(), await testServer()];
  for (const name of ['01-meadow-finish', '02-engine-shed', '03-glasshouse-night'])
    await from.call('POST', '/job-files', demoJob(name));
  // Something of every kind: a version, a booking, a tick, a template, a deleted job.
  const { body: job } = await from.call('GET', '/jobs/meadow-finish');
  await from.call('PUT', '/jobs/meadow-finish', { revision: 1, data: { ...job.data, notes: 'by the gate' } });
  await from.call('POST', '/stock/movements', {
    movements: [{ nominalIn: 11, colour: 'chalk', kind: 'received', change: 25, note: 'as delivered' }],
  });
  const { body: plan } = await from.call('GET', '/jobs/meadow-finish/plan');
  const ticked = { rows: [plan.packing[0].id], by: 'wren' };
  expect((await from.call('PUT', '/jobs/meadow-finish/packing/ticks', ticked)).status).toBe(200);
  const event = { kind: 'note', text: 'gate open' };
  const entries = [{ id: '0'.repeat(32), at: '2026-06-01T08:00:00Z', by: 'wren', event }];
  const log = { device: 'phone', clockOffMs: 0, after: 0, entries };
  expect((await from.call('POST', '/jobs/meadow-finish/site-log', log)).status).toBe(200);
  const pieces = [job.pieces[0].data];
  await from.call('POST', '/templates', { id: 't', name: 'Ours', what: 'piece', pieces });
  const { body: shed } = await from.call('GET', '/jobs/engine-shed-unveiled');
  await from.call('DELETE', `/jobs/engine-shed-unveiled?revision=${shed.revision}`);
});
afterAll(async () => {
  await Promise.all([from.end(), to.end()]);
});

const taken = async () => {
  const reply = await from.app.inject({ url: '/api/v1/export', headers: { host: 'localhost' } });
  await writeFile(path, reply.rawPayload);
  return newestApplied(from.db);
};
const rowsOf = async (server: TestServer, workshop: string) =>
  Promise.all(
    exported.map(async ({ name, order, without }) => {
      const columns = ['workshop_id', ...without].map((column) => `'${column}'`).join(', ');
      const { rows } = await server.db.execute(
        sql.raw(
          `select to_jsonb(t) - array[${columns}] as row from "${name}" t where workshop_id = '${workshop}' order by ${order}`,
        ),
      );
      return [name, rows];
    }),
  );

test('every table of a workshop is in an export, or is left out for a reason', async () => {
  const { rows } = await from.db.execute<{ name: string }>(sql`
    select table_name as name from information_schema.columns
    where table_schema = 'public' and column_name = 'workshop_id' order by 1
  `);
  const told = [...exported.map(({ name }) => name), ...leftOut].sort();
  expect(rows.map(({ name }) => name)).toEqual(told);
});

test('an export brought into a new workshop of another installation is the same state, found and planned alike', async () => {
  const schema = await taken();
  await inWorkshop('weir', () => addNewWorkshop(to.rows, 'Weir Lane'));
  const count = await inWorkshop('weir', () => readIn(to.rows, path, schema));
  const before = await rowsOf(from, 'first');
  expect(await rowsOf(to, 'weir')).toEqual(before);
  for (const [name, rows] of before)
    if (
      name !== 'orders' &&
      name !== 'departures' &&
      name !== 'photos' &&
      name !== 'accounts' &&
      name !== 'item_movements'
    )
      expect([name, rows]).not.toEqual([name, []]);
  expect(count).toBe(before.reduce((sum, [, rows]) => sum + (rows as unknown[]).length, 0));
  const words = await to.db.execute(sql`select from job_words where workshop_id = 'weir'`);
  expect(words.rowCount).toBe(3);
  // In use now: nothing is brought in over it.
  await expect(inWorkshop('weir', () => readIn(to.rows, path, schema))).rejects.toThrow('is in use');
});

test.each([
  ['its end is missing', (text: string) => text.split('\n').slice(0, -2).join('\n'), 'incomplete'],
  ['a row is missing', (text: string) => text.replace(/\n.*?\n/, '\n'), 'incomplete'],
  ['it is something else', () => 'name,colour\n', 'not an export'],
  [
    'a newer version made it',
    (text: string) => text.replace(/"schema":\d+/, '"schema":9999999999999'),
    'newer',
  ],
])('where %s nothing is brought in', async (_, spoil, told) => {
  const schema = await taken();
  await writeFile(path, gzipSync(spoil(gunzipSync(await readFile(path)).toString())));
  const workshop = `new-${told.length}-${_.length}`;
  await inWorkshop(workshop, () => addNewWorkshop(to.rows, 'New'));
  const before = await rowsOf(to, workshop);
  await expect(inWorkshop(workshop, () => readIn(to.rows, path, schema))).rejects.toThrow(told);
  expect(await rowsOf(to, workshop)).toEqual(before);
});

test('a file that is cut or is not there is told', async () => {
  const schema = await taken();
  const whole = await readFile(path);
  await writeFile(path, whole.subarray(0, whole.length / 2));
  await inWorkshop('cut', () => addNewWorkshop(to.rows, 'Cut'));
  await expect(inWorkshop('cut', () => readIn(to.rows, path, schema))).rejects.toThrow(/damaged|incomplete/);
  await expect(inWorkshop('cut', () => readIn(to.rows, `${path}.none`, schema))).rejects.toThrow(
    'There is no file',
  );
});

import type { Version } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
const shed = demoJob('02-engine-shed');
const path = `/jobs/${shed.job.id}`;
beforeAll(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', shed);
});
afterAll(() => server.end());

const list = async (): Promise<Version[]> => (await server.call('GET', `${path}/versions`)).body;
const rename = async (name: string) => {
  const { body } = await server.call('GET', path);
  const [piece] = body.pieces;
  const data = { ...piece.data, name };
  await server.call('PUT', `${path}/pieces/${piece.data.id}`, { revision: piece.revision, data });
  return piece.data.id as string;
};

test('of changes close together what was before the first is kept, later ones again; what is deleted always', async () => {
  expect(await list()).toEqual([]);
  const first = shed.job.pieces[0]?.name ?? '';
  for (const name of ['O', 'On', 'One']) await rename(name);
  expect((await list()).map(({ name, isDeleted }) => [name, isDeleted])).toEqual([[first, false]]);
  await server.db.execute(sql`update versions set at = at - interval '6 minutes'`);
  const id = await rename('Two');
  expect((await list()).map(({ name }) => name)).toEqual(['One', first]);
  const { body: job } = await server.call('GET', path);
  const { revision } = job.pieces.find((piece: { data: { id: string } }) => piece.data.id === id);
  await server.call('DELETE', `${path}/pieces/${id}?revision=${revision}`);
  const [latest] = await list();
  expect(latest).toMatchObject({ what: 'piece', rowId: id, name: 'Two', isDeleted: true });
  const { body: whole } = await server.call('GET', `${path}/versions/${latest?.id}`);
  expect(whole.data).toEqual({ ...shed.job.pieces[0], name: 'Two' });
  // It can be sent as it is.
  expect((await server.call('POST', `${path}/pieces`, whole.data)).status).toBe(201);
});

test('nothing of other jobs, and of one row no more than a hundred', async () => {
  const other = demoJob('01-meadow-finish');
  await server.call('POST', '/job-files', other);
  const [own] = await list();
  expect((await server.call('GET', `/jobs/${other.job.id}/versions/${own?.id}`)).status).toBe(404);
  expect((await server.call('GET', '/jobs/nowhere/versions')).status).toBe(404);
  for (let i = 0; i < 104; i++) {
    await server.db.execute(
      sql`update jobs set data = jsonb_set(data, '{notes}', to_jsonb(${String(i)}::text)) where id = ${other.job.id}`,
    );
    await server.db.execute(
      sql`update versions set at = at - interval '6 minutes' where job_id = ${other.job.id}`,
    );
  }
  const { rows } = await server.db.execute(
    sql`select count(*)::int from versions where job_id = ${other.job.id}`,
  );
  expect(rows[0]?.count).toBe(100);
});

test('places, people and the workshop keep what they were too, and who is gone can be brought back', async () => {
  const { id } = shed.site;
  const site = (await server.call('GET', `/sites/${id}`)).body;
  await server.call('PUT', `/sites/${id}`, { revision: site.revision, data: { ...site.data, driveMin: 77 } });
  const [before] = (await server.call('GET', `/history/site?id=${id}`)).body;
  expect(before).toMatchObject({ what: 'site', rowId: id, isDeleted: false });
  const { body: whole } = await server.call('GET', `/history/site/${before.id}`);
  expect(whole.data).toEqual(site.data);
  expect((await server.call('GET', `/history/crew/${before.id}`)).status).toBe(404);

  const person = { id: 'gone', name: 'Gone Soon', skills: [], shift: { from: '08:00', to: '18:00' } };
  const added = await server.call('POST', '/crew', person);
  await server.call('DELETE', `/crew/gone?revision=${added.body.revision}`);
  const [deleted] = (await server.call('GET', '/history/crew')).body;
  expect(deleted).toMatchObject({ rowId: 'gone', name: 'Gone Soon', isDeleted: true });
  const back = (await server.call('GET', `/history/crew/${deleted.id}`)).body.data;
  expect((await server.call('POST', '/crew', back)).body.data).toEqual(person);

  const house = (await server.call('GET', '/workshop')).body;
  await server.call('PUT', '/workshop', {
    revision: house.revision,
    data: { ...house.data, name: 'Renamed' },
  });
  expect((await server.call('GET', '/history/workshop')).body[0].name).toBe(house.data.name);
});

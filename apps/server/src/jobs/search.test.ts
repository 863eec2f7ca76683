import type { MonthJob } from '@early-lantern/contract';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
const shed = demoJob('02-engine-shed');
const meadow = demoJob('01-meadow-finish');
beforeAll(async () => {
  server = await testServer();
  for (const file of [shed, meadow]) await server.call('POST', '/job-files', file);
});
afterAll(() => server.end());

const ids = async (query: string): Promise<string[]> =>
  (await server.call('GET', `/jobs?${query}`)).body.items.map((row: { data: { id: string } }) => row.data.id);
const put = async (id: string, edit: object) => {
  const { body } = await server.call('GET', `/jobs/${id}`);
  const { status } = await server.call('PUT', `/jobs/${id}`, {
    revision: body.revision,
    data: { ...body.data, ...edit },
  });
  expect(status).toBe(200);
};

test('jobs are found by beginnings of words of name, place, pieces, people and notes, whatever changes them', async () => {
  const found = async (words: string): Promise<string[]> =>
    (await server.call('GET', `/search?q=${encodeURIComponent(words)}`)).body.map(
      ({ what, name }: { what: string; name: string }) => `${what} ${name}`,
    );
  expect(await found('engi')).toContain(`job ${shed.job.name}`);
  expect(await found(`${meadow.site.name.slice(0, 5)}`)).toEqual(
    expect.arrayContaining([`job ${meadow.job.name}`, `site ${meadow.site.name}`]),
  );
  expect(await found(shed.job.pieces[0]?.name ?? '')).toContain(`job ${shed.job.name}`);
  expect(await found('zebra')).toEqual([]);
  await put(shed.job.id, { notes: 'Bring the zebra crossing' });
  expect(await found('zeb cros')).toEqual([`job ${shed.job.name}`]);
  // Both words are asked for, and signs mean nothing.
  expect(await found('zebra meadow')).toEqual([]);
  expect(await found("ze&b:*'); drop table jobs")).toEqual([]);
  const { body: job } = await server.call('GET', `/jobs/${shed.job.id}`);
  const [piece] = job.pieces;
  const renamed = { revision: piece.revision, data: { ...piece.data, name: 'Quagga' } };
  await server.call('PUT', `/jobs/${shed.job.id}/pieces/${piece.data.id}`, renamed);
  expect(await found('quagga')).toEqual([`job ${shed.job.name}`]);
});

test('filters: state, place, person, kind and words; together they ask for all of it', async () => {
  const both = [meadow.job.id, shed.job.id].sort();
  expect((await ids('')).sort()).toEqual(both);
  expect((await ids('state=firm')).sort()).toEqual(both);
  await put(meadow.job.id, { state: 'offered' });
  expect(await ids('state=firm')).toEqual([shed.job.id]);
  expect((await ids('state=firm,offered')).sort()).toEqual(both);
  expect(await ids(`site=${meadow.site.id}`)).toEqual([meadow.job.id]);
  expect(await ids(`site=${meadow.site.id}&state=firm`)).toEqual([]);
  expect(await ids('kind=photo-frame')).toEqual([shed.job.id]);
  const only = shed.job.crew.find((id) => !meadow.job.crew.includes(id)) ?? shed.job.crew[0];
  expect(await ids(`person=${only}`)).toContain(shed.job.id);
  expect(await ids('q=engine&kind=photo-frame')).toEqual([shed.job.id]);
  expect((await server.call('GET', '/jobs?state=perhaps')).status).toBe(422);
  expect((await server.call('GET', '/jobs?kind=kite')).status).toBe(422);
});

test('an offer holds nothing of the shelf: others find it free, and it finds what they hold', async () => {
  const heldFor = async (id: string) => {
    const { reserved, heldMaterials, othersLack } = (await server.call('GET', `/jobs/${id}/left`)).body;
    return { taken: reserved.length + othersLack.length, materials: heldMaterials.length };
  };
  await put(meadow.job.id, { state: 'firm' });
  const firm = await heldFor(shed.job.id);
  expect(firm.taken + firm.materials).toBeGreaterThan(0);
  for (const state of ['enquiry', 'offered', 'cancelled']) {
    await put(meadow.job.id, { state });
    expect(await heldFor(shed.job.id)).toEqual({ taken: 0, materials: 0 });
  }
  const offered = await heldFor(meadow.job.id);
  await put(meadow.job.id, { state: 'done' });
  expect(await heldFor(meadow.job.id)).toEqual(offered);
  expect(await heldFor(shed.job.id)).toEqual(firm);
});

test('a month: its jobs by day with the worst of their lamps, and no longer than two months', async () => {
  const month = async (from: string, until: string) =>
    server.call('GET', `/month?from=${from}T00:00:00Z&until=${until}T00:00:00Z`);
  const day = shed.job.doors.slice(0, 10);
  const { body } = await month(day, `${Number(day.slice(0, 4))}-${day.slice(5, 7)}-28`);
  const own = (body as MonthJob[]).find(({ id }) => id === shed.job.id);
  expect(own).toEqual({
    id: shed.job.id,
    name: shed.job.name,
    doors: new Date(shed.job.doors).toISOString(),
    state: 'firm',
    worst: null,
  });
  expect((await month('2027-01-01', '2027-12-31')).status).toBe(422);
});

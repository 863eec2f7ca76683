import type { JobFile, OrganicGarland } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import { loadDemo } from '../setup/demo.ts';
import { demoFolder, demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.end());

const shed = demoJob('02-engine-shed');

test('a job file comes out as it went in, and plans the same', async () => {
  expect(await server.call('POST', '/job-files', shed)).toMatchObject({
    status: 201,
    body: { jobId: 'engine-shed-unveiled', renamed: false },
  });
  const exported = await server.call('GET', '/jobs/engine-shed-unveiled/file');
  const crew = [...shed.workshop.crew].sort((a, b) => (a.id < b.id ? -1 : 1));
  expect(exported.body).toEqual({ ...shed, workshop: { ...shed.workshop, crew } });
  const planned = await server.call('GET', '/jobs/engine-shed-unveiled/plan');
  expect(planned.body).toEqual(JSON.parse(JSON.stringify(planJob(exported.body))));
});

test('imported again it stands beside itself under a new id; nothing shared is doubled', async () => {
  await server.call('POST', '/job-files', shed);
  const again = await server.call('POST', '/job-files', shed);
  expect(again.body).toMatchObject({ renamed: true, notes: [] });
  expect(again.body.jobId).toMatch(/^engine-shed-unveiled-[0-9a-f]{8}$/);
  expect((await server.call('GET', '/jobs')).body.total).toBe(2);
  expect((await server.call('GET', '/sites')).body.total).toBe(1);
  expect((await server.call('GET', '/crew')).body.total).toBe(4);
});

test('from another workshop: missing people, colours and a differing site are added, own rates and stock stay', async () => {
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
  const foreign = structuredClone(shed);
  foreign.workshop.spareTargetPct = 80;
  foreign.workshop.crew.push({
    id: 'guest',
    name: 'Guest Hand',
    skills: [],
    shift: { from: '08:00', to: '12:00' },
  });
  foreign.job.crew = ['guest', 'ilo'];
  foreign.workshop.colours.push({ id: 'dusk', name: 'Dusk', hex: '#5b4a7a' });
  (foreign.job.pieces[0] as OrganicGarland).colours = [{ colour: 'dusk', sharePct: 100 }];
  const result = await server.call('POST', '/job-files', foreign);
  expect(result.body.notes).toEqual(['Colours added: Dusk.', 'Crew added: Guest Hand.']);
  expect((await server.call('GET', '/workshop')).body.data.spareTargetPct).toBe(97);
});

test('a file with faults is refused with all of them, and nothing of it is kept', async () => {
  const bad = structuredClone(shed) as JobFile & { extra?: boolean };
  bad.extra = true;
  bad.job.crew = [];
  (bad.job.pieces[0] as OrganicGarland).widthM = -2;
  const reply = await server.call('POST', '/job-files', bad);
  expect(reply.status).toBe(422);
  expect(reply.type).toContain('application/problem+json');
  expect(reply.body.faults.map((fault: { path: string }) => fault.path).sort()).toEqual([
    'extra',
    'job.crew',
    'job.pieces[0].widthM',
  ]);
  expect((await server.call('GET', '/jobs')).body.total).toBe(0);
  expect((await server.call('GET', '/workshop')).status).toBe(404);
});

test('a change to a shared site that would leave a job without its spot is taken back', async () => {
  await server.call('POST', '/job-files', shed);
  const site = structuredClone(shed.site);
  site.spots = site.spots.slice(0, 1);
  const row = (await server.call('GET', '/sites/engine-shed')).body;
  const refusal = await server.call('PUT', '/sites/engine-shed', { revision: row.revision, data: site });
  expect(refusal.status).toBe(422);
  expect(refusal.body.faults[0]).toEqual({
    path: 'job.pieces[1].spotId',
    reason: 'no spot "podium" in this file',
  });
  expect((await server.call('GET', '/sites/engine-shed')).body).toEqual(row);
});

test('the demo lands whole, its Saturday ahead of the day it is loaded, at the same hours', async () => {
  expect(await loadDemo(server.db, demoFolder, new Date('2031-01-08T10:00:00Z'))).toBe(8);
  const { body } = await server.call('GET', '/jobs/engine-shed-unveiled');
  expect(body.data.doors).toBe('2031-01-11T17:30:00-06:00');
  expect((await server.call('GET', '/jobs?limit=100')).body.total).toBe(8);
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobFile, OrganicGarland } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import { sql } from 'drizzle-orm';
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

test('imported again just as it is here it is recognised; changed here or there it stands beside itself under a new id, nothing shared doubled', async () => {
  await server.call('POST', '/job-files', shed);
  const same = await server.call('POST', '/job-files', shed);
  expect(same.body).toEqual({ jobId: 'engine-shed-unveiled', renamed: false, wasHere: true, notes: [] });
  expect((await server.call('GET', '/jobs')).body.total).toBe(1);
  const other = { ...shed, job: { ...shed.job, notes: 'Another one' } };
  const again = await server.call('POST', '/job-files', other);
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
  expect(await loadDemo(server.db, demoFolder, new Date('2031-01-08T10:00:00Z'))).toBe(11);
  const { body } = await server.call('GET', '/jobs/engine-shed-unveiled');
  expect(body.data.doors).toBe('2031-01-11T17:30:00-06:00');
  expect((await server.call('GET', '/jobs?limit=100')).body.total).toBe(11);
});

/** The shed as version 1 wrote it: a star on its first garland is a pick under `hold`. */
function shedOfVersion1(): unknown {
  const old = structuredClone(shed) as unknown as {
    version: number;
    job: { pieces: Record<string, unknown>[] };
  };
  old.version = 1;
  Object.assign(old.job.pieces[0] as object, {
    hold: { picks: [{ id: 'star', label: 'Copper star', massKg: 0.1, at: 0.4 }] },
  });
  return old;
}

test('a file of version 1 is imported and planned, its picks as attachments', async () => {
  const old = shedOfVersion1();
  expect((await server.call('POST', '/job-files', old)).status).toBe(201);
  const { body } = await server.call('GET', '/jobs/engine-shed-unveiled/file');
  expect(body.version).toBe(2);
  expect(body.job.pieces[0].attachments).toEqual([{ id: 'star', name: 'Copper star', massKg: 0.1, at: 0.4 }]);
  expect((await server.call('POST', '/plan', old)).status).toBe(200);
});

test('rows stored before are brought to version 2 where they lie', async () => {
  await server.call('POST', '/job-files', shed);
  const [first] = shed.job.pieces;
  const old = (hold: object) => JSON.stringify({ ...first, hold });
  const star = { id: 'star', label: 'Copper star', massKg: 0.1, at: 0.4 };
  const migration = readFileSync(join(__dirname, '../../drizzle/0002_attachments.sql'), 'utf8');
  for (const [hold, kept] of [
    [{ picks: [star, { ...star, id: 'second' }] }, undefined],
    [{ base: 'tamper', picks: [star] }, { base: 'tamper' }],
  ] as const) {
    await server.db.execute(sql`update pieces set data = ${old(hold)}::jsonb where id = ${first?.id}`);
    await server.db.execute(sql.raw(migration));
    const { body } = await server.call('GET', `/jobs/engine-shed-unveiled/pieces/${first?.id}`);
    expect(body.data.hold).toEqual(kept);
    expect(body.data.attachments.map(({ name }: { name: string }) => name)).toEqual(
      hold.picks.map(({ label }) => label),
    );
    expect((await server.call('GET', '/jobs/engine-shed-unveiled/plan')).status).toBe(200);
  }
});

test('a piece that carries another cannot be deleted alone, nor hung on what is not there', async () => {
  await server.call('POST', '/job-files', demoJob('03-glasshouse-night'));
  const pieces = '/jobs/glasshouse-night/pieces';
  const refused = await server.call('DELETE', `${pieces}/moss-screen?revision=1`);
  expect(refused).toMatchObject({ status: 422 });
  expect(JSON.stringify(refused.body.faults)).toContain('no piece \\"moss-screen\\"');
  for (const id of ['moon', 'moss-garland', 'moss-screen'])
    expect((await server.call('DELETE', `${pieces}/${id}?revision=1`)).status).toBe(200);
  const arch = (await server.call('GET', `${pieces}/moon-arch`)).body;
  const data = { ...arch.data, on: { pieceId: 'moss-screen', part: 'top-bar' } };
  expect((await server.call('PUT', `${pieces}/moon-arch`, { revision: 1, data })).status).toBe(422);
});

test('people hired for the strike alone come in with the file, cannot be removed while named, and a job brought back does without them', async () => {
  const file = structuredClone(shed);
  const hired = ['h1', 'h2', 'h3', 'h4'].map((id) => ({
    id,
    name: `Hand ${id}`,
    skills: ['driver' as const, 'ladder' as const],
    shift: { from: '07:00', to: '23:00' },
  }));
  file.workshop.crew.push(...hired);
  file.job.strikeCrew = hired.map(({ id }) => id);
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
  const result = await server.call('POST', '/job-files', file);
  expect(result.status).toBe(201);
  expect(result.body.notes.join()).toContain('Hand h4');
  const exported = await server.call('GET', `/jobs/${result.body.jobId}/file`);
  expect(exported.body.job.strikeCrew).toEqual(['h1', 'h2', 'h3', 'h4']);
  // Named only for the strike: still in use.
  expect((await server.call('DELETE', '/crew/h1?revision=1')).status).toBe(409);
  const { revision } = (await server.call('GET', `/jobs/${result.body.jobId}`)).body;
  await server.call('DELETE', `/jobs/${result.body.jobId}?revision=${revision}`);
  expect((await server.call('DELETE', '/crew/h1?revision=1')).status).toBe(200);
  const back = await server.call('POST', `/jobs/${result.body.jobId}/restore`);
  expect(back.status).toBe(200);
  expect(back.body.data.strikeCrew).toEqual(['h2', 'h3', 'h4']);
});

test('what a file names and does not have is refused with its path: second load, shade, ladders, pins', async () => {
  const file = structuredClone(shed);
  file.job.secondLoad = ['nothing'];
  file.job.shaded = ['nowhere'];
  file.job.hiredLadders = ['no-ladder'];
  file.job.clock = { pins: [{ task: 'drive-out', crew: ['nobody'] }] };
  const { status, body } = await server.call('POST', '/job-files', file);
  expect(status).toBe(422);
  expect(body.faults.map(({ path }: { path: string }) => path)).toEqual([
    'job.secondLoad.0',
    'job.shaded.0',
    'job.hiredLadders.0',
    'job.clock.pins.0.crew.0',
  ]);
});

import { gunzipSync } from 'node:zlib';
import { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { sql } from 'drizzle-orm';
import { plainError } from './http/logging.ts';
import { demoJob, type TestServer, testServer } from './test/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.end());

test('health tells of process and database', async () => {
  const { status, body } = await server.call('GET', '/api/health');
  expect(status).toBe(200);
  expect(body).toMatchObject({ status: 'ok', database: { reachable: true, writable: true } });
});

test('a full disk is said plainly: by a change, which stores nothing, and by health; reading goes on', async () => {
  // What PostgreSQL itself throws then (`disk_full`, 53100), thrown by triggers.
  await server.db.execute(sql`
    create function no_room() returns trigger language plpgsql as $$
    begin raise exception 'could not extend file: No space left on device' using errcode = '53100'; end $$;
    create trigger no_room before insert or update on jobs for each row execute function no_room();
    create trigger no_room before insert or update on pulse for each row execute function no_room();
  `);
  const refused = await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
  expect(refused).toMatchObject({ status: 507, body: { code: 'disk-full' } });
  expect(JSON.stringify(refused.body)).not.toContain('extend file');
  await new Promise((done) => setTimeout(done, 400));
  const failing = await server.call('GET', '/api/health');
  expect(failing).toMatchObject({ status: 503, body: { database: { reachable: true, writable: false } } });
  expect((await server.call('GET', '/jobs')).body.total).toBe(0);
  await server.db.execute(sql`drop function no_room cascade`);
});

test('a posted job file is planned and not stored', async () => {
  const file = demoJob('03-glasshouse-night');
  const { status, body } = await server.call('POST', '/plan', file);
  expect(status).toBe(200);
  expect(Plan.parse(body)).toEqual(JSON.parse(JSON.stringify(planJob(JobFile.parse(file)))));
  expect((await server.call('GET', '/jobs')).body.total).toBe(0);
  const refusal = await server.call('POST', '/plan', { ...file, version: 3 });
  expect(refusal.body.faults).toEqual([{ path: 'version', reason: 'only versions 1 and 2 are known' }]);
});

test('the published schema accepts what the server accepts', async () => {
  const { type, body } = await server.call('GET', '/api/schema/job.json');
  expect(type).toContain('application/schema+json');
  const valid = addFormats(new Ajv2020({ strict: false })).compile(body);
  expect(valid(demoJob('01-meadow-finish'))).toBe(true);
  expect(valid({ ...demoJob('01-meadow-finish'), version: 3 })).toBe(false);
});

test('the API describes every resource, and is itself described', async () => {
  const { body } = await server.call('GET', '/api/docs/json');
  expect(body.openapi).toBe('3.1.0');
  for (const path of [
    '/jobs',
    '/jobs/{id}',
    '/jobs/{jobId}/pieces/{id}',
    '/sites/{id}',
    '/crew/{id}',
    '/workshop',
    '/plan',
    '/job-files',
  ]) {
    expect(Object.keys(body.paths)).toContain(`/api/v1${path}`);
  }
  expect((await server.call('GET', '/api/docs')).status).toBe(200);
});

test('what is not there, not JSON, or meant for another host is answered as a problem', async () => {
  expect(await server.call('GET', '/nowhere')).toMatchObject({ status: 404, body: { title: 'Not found' } });
  const garbage = await server.app.inject({
    method: 'POST',
    url: '/api/v1/plan',
    headers: { host: 'localhost', 'content-type': 'application/json' },
    payload: '{',
  });
  expect(garbage.statusCode).toBe(400);
  expect(garbage.headers['content-type']).toContain('application/problem+json');
  const elsewhere = await server.app.inject({
    method: 'GET',
    url: '/api/v1/jobs',
    headers: { host: 'attacker.invalid' },
  });
  expect(elsewhere.statusCode).toBe(421);
});

test('an answer of the API may load nothing and stand in no frame; the page that describes it loads what is here', async () => {
  const policyOf = async (url: string) =>
    (await server.app.inject({ url, headers: { host: 'localhost' } })).headers;
  // OWASP REST Security Cheat Sheet, "Security Headers".
  for (const url of ['/api/health', '/api/v1/jobs', '/api/v1/jobs/none'])
    expect(await policyOf(url)).toMatchObject({
      'content-security-policy': "default-src 'none';frame-ancestors 'none'",
      'x-content-type-options': 'nosniff',
    });
  expect((await policyOf('/api/docs/static/index.html'))['content-security-policy']).toContain("'self'");
});

test('a change is taken from the server’s own pages and from programs, never from another site’s form', async () => {
  const file = demoJob('03-glasshouse-night');
  const send = async (headers: Record<string, string>) =>
    (
      await server.app.inject({
        method: 'POST',
        url: '/api/v1/plan',
        headers: { host: 'localhost:4310', ...headers },
        payload: file,
      })
    ).statusCode;
  expect(await send({})).toBe(200);
  expect(await send({ origin: 'http://localhost:4310', 'sec-fetch-site': 'same-origin' })).toBe(200);
  for (const headers of [
    { origin: 'https://elsewhere.invalid', 'sec-fetch-site': 'cross-site' },
    { origin: 'http://localhost:9999', 'sec-fetch-site': 'same-site' },
    { origin: 'null' },
    { 'sec-fetch-site': 'cross-site' },
  ])
    expect([headers, await send(headers as Record<string, string>)]).toEqual([headers, 403]);
  // The form of a foreign page that would bring a deleted job back.
  const form = await server.app.inject({
    method: 'POST',
    url: '/api/v1/jobs/any/restore',
    headers: {
      host: 'localhost:4310',
      origin: 'https://elsewhere.invalid',
      'content-type': 'application/x-www-form-urlencoded',
    },
    payload: '',
  });
  expect(form.statusCode).toBe(403);
  // Reading gives nothing away: another site's page cannot see the answer.
  const read = await server.app.inject({
    url: '/api/v1/jobs',
    headers: { host: 'localhost:4310', origin: 'https://elsewhere.invalid' },
  });
  expect(read.statusCode).toBe(200);
});

test('what would stop the server is refused with its path: broken texts, a strike without end, a shelf without end, a crowd', async () => {
  const faultsOf = async (edit: (file: JobFile) => void) => {
    const file = demoJob('03-glasshouse-night');
    edit(file);
    const started = Date.now();
    const { status, body } = await server.call('POST', '/plan', file);
    expect(Date.now() - started).toBeLessThan(20_000);
    return [status, body.faults?.[0]?.path];
  };
  expect(
    await faultsOf(({ job }) => {
      job.notes = 'a\0b';
    }),
  ).toEqual([422, 'job.notes']);
  expect(
    await faultsOf(({ job }) => {
      job.name = 'half \ud83c';
    }),
  ).toEqual([422, 'job.name']);
  const strike = (from: string, until: string) => (file: JobFile) => {
    file.job.strike = { from, until };
  };
  expect(await faultsOf(strike('2027-06-24T22:30:00-05:00', '9999-06-25T00:30:00-05:00'))).toEqual([
    422,
    'job.strike.until',
  ]);
  expect(await faultsOf(strike('2077-06-24T22:30:00-05:00', '2077-06-25T00:30:00-05:00'))).toEqual([
    422,
    'job.strike.from',
  ]);
  const shelf = (onHand: number) => (file: JobFile) => {
    file.workshop.materials = [{ item: 'backdrop-stand', onHand }];
  };
  expect(await faultsOf(shelf(1e9))).toEqual([422, 'workshop.materials[0].onHand']);
  expect(await faultsOf(shelf(1e6))).toEqual([200, undefined]);
  expect(
    await faultsOf(({ workshop, job }) => {
      const [one] = workshop.crew;
      for (let i = 0; i < 40; i++)
        workshop.crew.push({ ...(one as NonNullable<typeof one>), id: `helper-${i}` });
      job.crew = workshop.crew.map(({ id }) => id);
    }),
  ).toEqual([422, 'job.crew']);
});

test('what a page has already is not sent again, and what is long goes packed', async () => {
  await server.call('POST', '/job-files', demoJob('02-engine-shed'));
  const get = (headers: Record<string, string>, url: string) =>
    server.app.inject({ method: 'GET', url: `/api/v1${url}`, headers: { host: 'localhost', ...headers } });
  const path = '/jobs/engine-shed-unveiled';
  const first = await get({}, path);
  const tag = first.headers.etag as string;
  const again = await get({ 'if-none-match': tag }, path);
  expect([again.statusCode, again.body]).toEqual([304, '']);
  const { revision, data } = first.json();
  await server.call('PUT', path, { revision, data: { ...data, notes: 'other' } });
  expect((await get({ 'if-none-match': tag }, path)).statusCode).toBe(200);
  const plain = await get({}, `${path}/file`);
  const file = await get({ 'accept-encoding': 'gzip' }, `${path}/file`);
  expect(file.headers['content-encoding']).toBe('gzip');
  expect(file.rawPayload.length).toBeLessThan(plain.rawPayload.length / 2);
  expect(JSON.parse(gunzipSync(file.rawPayload).toString()).job.notes).toBe('other');
});

test('a fault of the program is told by its code and an id, and nothing of its insides; every code is explained', async () => {
  const { db } = server;
  await db.execute(sql`alter table pack_ticks rename to pack_ticks_away`);
  try {
    await server.call('POST', '/job-files', demoJob('03-glasshouse-night'));
    const { status, body } = await server.call('GET', '/jobs/glasshouse-night/packing');
    expect(status).toBe(500);
    expect(body).toMatchObject({ code: 'broke-here', requestId: expect.stringMatching(/^[0-9a-f]{10}$/) });
    expect(JSON.stringify(body)).not.toMatch(/select|pack_ticks|relation|at .*\.ts/i);
    const all = (await server.call('GET', '/api/problems')).body;
    expect(all[body.code]).toMatchObject({ status: 500, meaning: expect.stringContaining('requestId') });
    expect(body.type).toBe('/api/problems#broke-here');
  } finally {
    await db.execute(sql`alter table pack_ticks_away rename to pack_ticks`);
  }
});

test('the log tells what broke by its request, and neither values of queries nor what the database quotes of them', async () => {
  const error = Object.assign(
    new Error('Failed query: update jobs set data = $1\nparams: {"notes":"gate code 4040"}'),
    {
      cause: Object.assign(new Error('invalid input syntax for type integer: "4040"'), {
        code: '22P02',
        detail: 'Key (notes)=(4040) is wrong.',
      }),
    },
  );
  const logged = plainError(error);
  expect(logged).toMatchObject({
    message: 'Failed query',
    cause: { code: '22P02', message: 'invalid input syntax for type integer: …' },
  });
  expect(JSON.stringify(logged)).not.toContain('4040');
});

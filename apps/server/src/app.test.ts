import { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { demoJob, type TestServer, testServer } from './test/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.end());

test('health tells of process and database', async () => {
  const { status, body } = await server.call('GET', '/api/health');
  expect(status).toBe(200);
  expect(body).toMatchObject({ status: 'ok', database: { reachable: true } });
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

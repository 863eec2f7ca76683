import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
});
afterEach(() => server.end());

const asked = (from: string, until: string) =>
  `/sites/meadow/forecast?${new URLSearchParams({ from, until, made: '2027-06-15T12:00:00Z' })}`;

test('a site has a forecast hour by hour, the same whenever it is asked; nonsense is refused', async () => {
  const { job } = demoJob('01-meadow-finish');
  const path = asked(job.access.from, job.strike.until).replace('meadow', job.siteId);
  const { status, body } = await server.call('GET', path);
  expect(status).toBe(200);
  const hours = (Date.parse(job.strike.until) - Date.parse(job.access.from)) / 3_600_000;
  expect(body.hours.length).toBeGreaterThanOrEqual(hours);
  expect(body).toMatchObject({ source: 'simulated', madeAt: '2027-06-15T12:00:00.000Z' });
  expect((await server.call('GET', path)).body).toEqual(body);
  expect((await server.call('GET', path.replace(job.siteId, 'nowhere'))).status).toBe(404);
  const backwards = asked(job.strike.until, job.access.from).replace('meadow', job.siteId);
  expect((await server.call('GET', backwards)).status).toBe(422);
  // What was looked at stays with the job, and goes out and in with its file.
  const row = (await server.call('GET', `/jobs/${job.id}`)).body;
  const { pieces: _, ...head } = job;
  const put = await server.call('PUT', `/jobs/${job.id}`, {
    revision: row.revision,
    data: { ...head, weather: body },
  });
  expect(put.status).toBe(200);
  const file = (await server.call('GET', `/jobs/${job.id}/file`)).body;
  expect(file.job.weather).toEqual(body);
  expect((await server.call('POST', '/plan', file)).body.lamps.lasts.state).not.toBe('unlit');
});

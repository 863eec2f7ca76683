import type { SiteRow, WorkshopRow } from '@early-lantern/contract';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
});
afterEach(() => server.end());

test('the drive to a place depends on the hour; where it or the workshop is unknown, that is said', async () => {
  const { job } = demoJob('01-meadow-finish');
  const drive = (time: string) =>
    server.call('GET', `/sites/${job.siteId}/drive?at=${encodeURIComponent(`2027-06-16T${time}:00-05:00`)}`);
  const workshop = (await server.call('GET', '/workshop')).body as WorkshopRow;
  const { at: _, ...nowhere } = workshop.data;
  const lost = await server.call('PUT', '/workshop', { revision: workshop.revision, data: nowhere });
  expect(lost.status).toBe(200);
  expect((await drive('08:00')).status).toBe(422);
  const found = { ...nowhere, at: { lon: -30, lat: 45.02 } };
  await server.call('PUT', '/workshop', { revision: lost.body.revision, data: found });
  const site = (await server.call('GET', `/sites/${job.siteId}`)).body as SiteRow;
  await server.call('PUT', `/sites/${job.siteId}`, {
    revision: site.revision,
    data: { ...site.data, at: { lon: -30.12, lat: 45.1 } },
  });
  const early = await drive('05:00');
  expect(early.status).toBe(200);
  expect(early.body).toMatchObject({ source: 'simulated' });
  expect((await drive('08:00')).body.minutes).toBeGreaterThanOrEqual(early.body.minutes);
  expect((await server.call('GET', '/sites/nowhere/drive?at=2027-06-16T08%3A00%3A00Z')).status).toBe(404);
});

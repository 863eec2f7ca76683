import type { JobFile } from '@early-lantern/contract';
import { getJob, getPlan } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('a forecast is looked at and kept; a hot one brought in puts Lasts low or out, and undo takes it back', async ({
  page,
  request,
}) => {
  const file = (await (await request.get('/api/v1/jobs/meadow-finish/file')).json()) as JobFile;
  file.job.id = 'sunny';
  file.job.name = 'Sunny meadow';
  await request.post('/api/v1/job-files', { data: file });
  await page.goto('/jobs/sunny/bench?view=lasting');
  await expect(page.getByRole('button', { name: /^Lasts ?: not known/ })).toBeVisible();
  await page.getByRole('button', { name: 'Simulate the weather' }).click();
  const weather = page.getByRole('region', { name: 'Weather' });
  await expect(weather).toContainText('Hottest');
  await expect(page.getByRole('button', { name: /^Lasts ?: (lit|low|out)/ })).toBeVisible();
  await expect.poll(async () => (await getJob(request, 'sunny')).data.weather?.source).toBe('simulated');

  // A file with a fault changes nothing and says which line.
  const pick = page.getByLabel('Forecast file');
  const head = 'at,temp_c,humidity_pct,cloud_pct,wind_ms,gust_ms,rain_mm';
  await pick.setInputFiles({ name: 'bad.csv', mimeType: 'text/csv', buffer: Buffer.from('at,temp_c\n') });
  await expect(weather.getByRole('alert')).toContainText('Nothing was changed');
  const from = Date.parse(file.job.access.from) - 30 * 3_600_000;
  const lines = Array.from(
    { length: 72 },
    (_, i) => `${new Date(from + i * 3_600_000).toISOString()},37,40,0,2,3,0`,
  );
  await pick.setInputFiles({
    name: 'hot.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([head, ...lines].join('\n')),
  });
  await expect(weather).toContainText('Imported');
  const bad = page.getByRole('button', { name: /^Lasts ?: (low|out)/ });
  await expect(bad).toBeVisible();
  await expect(page.getByRole('table', { name: /Every lot/ })).toContainText('full sun');

  // What to blow to stands on the board in large type, smaller than what was designed.
  await page.getByRole('tab', { name: 'Inflation board' }).click();
  await expect.poll(async () => (await getPlan(request, 'sunny')).lasts.lots[0]?.hottestAirC).toBe(37);
  const [batch] = (await getPlan(request, 'sunny')).bench.batches;
  if (!batch) throw new Error('nothing is blown');
  await expect(
    page.getByText(new RegExp(`→ .*${String(Math.floor(batch.blowToIn.max))}`)).first(),
  ).toBeVisible();

  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await getJob(request, 'sunny')).data.weather?.source).toBe('simulated');
});

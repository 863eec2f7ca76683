import type { SiteRow, WorkshopRow } from '@early-lantern/contract';
import { getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('how the work runs is changed in the Workshop, the drive is asked for at the Site; the clock follows', async ({
  page,
  request,
}) => {
  await ownJob(request, 'our-way');
  const workshop = async () => ((await (await request.get('/api/v1/workshop')).json()) as WorkshopRow).data;
  await page.goto('/workshop');
  const panel = page.getByRole('region', { name: 'How the work runs' });
  await panel.getByRole('switch', { name: /^Step back/ }).click();
  await panel.getByRole('button', { name: 'Add a step' }).click();
  const label = panel.getByLabel('What is done');
  await expect(label).toHaveCount(1);
  await label.fill('Tape the cable down');
  await label.press('Tab');
  await expect.poll(async () => (await workshop()).methods?.own[0]?.label).toBe('Tape the cable down');
  const { tasks } = await getPlan(request, 'our-way');
  expect(tasks.some(({ id }) => id === 'step-back')).toBe(false);
  const tape = tasks.find((task) => task.label === 'Tape the cable down');
  const unload = tasks.find(({ id }) => id === 'unload');
  expect(Date.parse(tape?.start ?? '')).toBeGreaterThanOrEqual(Date.parse(unload?.end ?? ''));
  await panel.getByRole('button', { name: 'Back to the usual order' }).click();
  await expect.poll(async () => (await workshop()).methods?.own.length).toBe(0);

  await page.goto('/sites/engine-shed');
  await page.getByRole('button', { name: 'Ask for the drive' }).click();
  const take = page.getByRole('button', { name: /^Take \d+ min$/ }).first();
  const minutes = Number((await take.textContent())?.match(/\d+/)?.[0]);
  await take.click();
  const site = async () => (await (await request.get('/api/v1/sites/engine-shed')).json()) as SiteRow;
  await expect.poll(async () => (await site()).data.driveMin).toBe(minutes);
  const drive = (await getPlan(request, 'our-way')).tasks.find(({ id }) => id === 'drive-out');
  expect((Date.parse(drive?.end ?? '') - Date.parse(drive?.start ?? '')) / 60_000).toBe(minutes);
});

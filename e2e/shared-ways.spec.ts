import type { SiteRow, WorkshopRow } from '@early-lantern/contract';
import { getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('how the work runs is changed in the Workshop, the drive is asked for at the Site; the clock follows', async ({
  page,
  request,
}) => {
  await ownJob(request, 'our-way');
  const workshop = async () => ((await (await request.get('/api/v1/workshop')).json()) as WorkshopRow).data;
  await page.goto('/workshop/ways');
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
  await page.getByRole('button', { name: 'Get drive times' }).click();
  const take = page.getByRole('button', { name: /^Take \d+ min$/ }).first();
  const minutes = Number((await take.textContent())?.match(/\d+/)?.[0]);
  await take.click();
  const site = async () => (await (await request.get('/api/v1/sites/engine-shed')).json()) as SiteRow;
  await expect.poll(async () => (await site()).data.driveMin).toBe(minutes);
  const drive = (await getPlan(request, 'our-way')).tasks.find(({ id }) => id === 'drive-out');
  expect((Date.parse(drive?.end ?? '') - Date.parse(drive?.start ?? '')) / 60_000).toBe(minutes);
});

test('hours of the workshop, a bag, a slow hand and the steps of a kind are said in the Workshop; the plan keeps to them', async ({
  page,
  request,
}) => {
  await ownJob(request, 'our-place');
  const settings = async () => ((await (await request.get('/api/v1/workshop')).json()) as WorkshopRow).data;
  await page.goto('/workshop');
  const place = page.getByRole('region', { name: "The workshop's place" });
  await place.getByLabel('From').fill('08:00');
  await place.getByLabel('To').fill('13:00');
  await place.getByRole('button', { name: 'These hours' }).click();
  await expect(place).toContainText('from 08:00 to 13:00');
  await place.getByLabel(/^Floor for sections/).fill('20');
  await place.getByLabel(/^Floor for sections/).press('Enter');
  await expect.poll(async () => (await settings()).floorM2 ?? 0).toBeCloseTo(20 * 0.3048 ** 2, 6);

  await page.getByRole('link', { name: 'How we work' }).click();
  const steps = page.getByRole('region', { name: 'How a piece is put up' });
  await steps.getByLabel('Step').first().fill('Tie the base on');
  await steps.getByLabel('Step').first().press('Enter');
  await steps.getByRole('switch', { name: /add clusters at the sides/ }).click();
  await expect.poll(async () => (await settings()).methods?.pieces?.length).toBe(2);

  await page.goto('/jobs/our-place/clock');
  await expect(page.getByRole('button', { name: /Podium edge: Tie the base on$/ })).toBeVisible();
  const { tasks } = await getPlan(request, 'our-place');
  expect(tasks.some(({ id }) => id.endsWith('--dress'))).toBe(false);
  for (const { place: where, end, start } of tasks)
    if (where === 'workshop' && start < (tasks.find(({ id }) => id === 'drive-out')?.start ?? ''))
      expect(end.slice(11, 16) <= '13:00').toBe(true);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByTestId('floor')).toContainText('the workshop has');

  // Back to what it was, as a person would.
  await page.goto('/workshop/ways');
  await steps.getByRole('button', { name: 'Back to the usual steps' }).click();
  await page.getByRole('link', { name: 'House', exact: true }).click();
  await place.getByRole('button', { name: 'At any hour' }).click();
  await expect(place).toContainText('at any hour people have');
  await place.getByLabel(/^Floor for sections/).fill('');
  await place.getByLabel(/^Floor for sections/).press('Enter');
  await expect.poll(async () => (await settings()).floorM2).toBeNull();
  expect((await settings()).methods?.pieces).toEqual([]);
});

test('bags that the house owns and a case that it measured: named by the load, counted, and taken back', async ({
  page,
  request,
}) => {
  await ownJob(request, 'our-bags');
  const settings = async () => ((await (await request.get('/api/v1/workshop')).json()) as WorkshopRow).data;
  const fits = async () => (await getPlan(request, 'our-bags')).fits;
  expect((await fits()).bags).toEqual([]);
  await page.goto('/workshop/house');
  await page.getByRole('button', { name: 'Add a bag' }).click();
  await page.getByLabel('Bag', { exact: true }).fill('Bolster');
  await page.getByLabel('Long', { exact: true }).fill("8'");
  await page.getByLabel('Wide when full').fill("4'");
  await page.getByLabel('How many').fill('1');
  await page.getByLabel('How many').press('Enter');
  await expect.poll(async () => (await settings()).bagTypes?.[0]?.count).toBe(1);
  expect((await settings()).bagTypes?.[0]).toMatchObject({ name: 'Bolster' });

  await page.goto('/workshop/gear');
  await page.getByRole('button', { name: /^Cases, crates and stands/ }).click();
  const long = page.getByLabel('Tool case, long');
  await long.fill('30 in');
  await long.press('Enter');
  await expect.poll(async () => (await settings()).rideSizes?.[0]?.lengthM ?? 0).toBeCloseTo(0.762, 6);

  const [bag] = (await fits()).bags;
  expect(bag).toMatchObject({ name: 'Bolster', owned: 1 });
  expect(bag?.wanted).toBeGreaterThan(1);
  const tools = (await fits()).vehicles.flatMap(({ items }) => items).find(({ id }) => id === 'kit tools');
  expect([tools?.l, tools?.w]).toContain(762);
  await page.goto('/jobs/our-bags/load?view=doors');
  await expect(page.getByText(`Bolster: ${bag?.wanted} wanted, 1 owned.`)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Fits ?: (low|out)/ })).toBeVisible();

  // Back to what it was.
  await page.goto('/workshop/gear');
  await page.getByRole('button', { name: /^Cases, crates and stands/ }).click();
  await page.getByRole('button', { name: 'Tool case: as in the catalogue' }).click();
  await expect.poll(async () => (await settings()).rideSizes).toEqual([]);
  await page.goto('/workshop/house');
  await page.getByRole('button', { name: 'Delete Bolster' }).click();
  await expect.poll(async () => (await settings()).bagTypes).toEqual([]);
});

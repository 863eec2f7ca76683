import { readFileSync } from 'node:fs';
import type { JobFile } from '@early-lantern/contract';
import { changeWorkshop, getJob, getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('the shed does not go into the van; the fix takes the estate too; the load is gone through, a thing dragged, undone', async ({
  page,
  request,
}) => {
  // The whole shed eleven weeks later: on its own Saturday both would want the same gear, and up to
  // seven weeks on the jobs from nothing have theirs.
  const text = await (await request.get('/api/v1/jobs/engine-shed-unveiled/file')).text();
  const later = (day: string) => new Date(Date.parse(day) + 77 * 86_400_000).toISOString().slice(0, 10);
  const file = JSON.parse(text.replace(/\d{4}-\d{2}-\d{2}(?=T)/g, later)) as JobFile;
  // Other journeys move its pieces: a few inches decide whether the last bag goes in.
  const { job } = JSON.parse(readFileSync('demo/jobs/02-engine-shed.json', 'utf8')) as JobFile;
  Object.assign(file.job, { id: 'loaded', name: 'Shed to load', pieces: job.pieces, clock: undefined });
  expect((await request.post('/api/v1/job-files', { data: file })).ok()).toBe(true);
  await page.goto('/jobs/loaded/load');
  const fits = page.getByRole('button', { name: /^Fits ?:/ });
  await expect(page.getByTestId('unplaced')).toBeVisible();
  await expect(fits).toHaveAccessibleName(/^Fits ?: out/);
  // It is searched for longer, and stopped with what there is.
  await page.getByRole('button', { name: 'Search longer for a load' }).click();
  await expect(page.getByRole('progressbar', { name: 'Loads searched' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop here' }).click();
  await expect(page.getByTestId('better-load').or(page.getByText(/^No better load/))).toBeVisible();
  await fits.click();
  const way = page.getByRole('dialog').getByRole('listitem').filter({ hasText: 'estate car as well' });
  await way.getByRole('button', { name: 'Apply' }).click();
  await page.keyboard.press('Escape');
  await expect(fits).toHaveAccessibleName(/^Fits ?: (lit|low)/);
  await expect(page.getByTestId('unplaced')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'The estate car', exact: true })).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  expect((await getJob(request, 'loaded')).data.vehicles?.toSorted()).toEqual(['estate', 'van']);

  // Step by step: the last one out, and in again.
  await page.getByRole('button', { name: 'The long van', exact: true }).click();
  const above = page.getByRole('img', { name: /The long van from above/ });
  const things = async () => Number(/(\d+) things/.exec((await above.getAttribute('aria-label')) ?? '')?.[1]);
  const all = await things();
  await page.getByRole('button', { name: 'Take the last one out' }).click();
  expect(await things()).toBe(all - 1);
  await expect(page.getByText(/^Next in: /)).toBeVisible();
  await page.getByRole('button', { name: 'Put the next one in' }).click();
  await expect(page.getByText('All in.')).toBeVisible();

  // What lies deepest is dragged to the door, on other things: whether it may lie there is told.
  const first = above.locator('[data-load-item]').first();
  await first.scrollIntoViewIfNeeded();
  const box = await first.boundingBox();
  const whole = await above.boundingBox();
  if (!box || !whole) throw new Error('nothing is drawn');
  await page.mouse.move(box.x + 4, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(whole.x + whole.width * 0.7, whole.y + whole.height * 0.5, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByTestId('elsewhere')).toBeVisible();
  await expect(page.getByTestId('load-item')).toContainText('Number');

  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(fits).toHaveAccessibleName(/^Fits ?: out/);
});

test('the list is ticked on a phone; the ladder is missing: it holds the departure until somebody says why', async ({
  page,
  request,
}) => {
  await ownJob(request, 'packed');
  await page.setViewportSize({ width: 390, height: 844 });
  const { packing } = await getPlan(request, 'packed');
  const ladder = packing.find(({ label }) => /ladder/i.test(label));
  if (!ladder) throw new Error('no ladder on the list');
  const others = packing.filter(({ id }) => id !== ladder.id).map(({ id }) => id);
  const [first = '', ...rest] = others;
  await page.goto('/jobs/packed/load?view=list');
  const line = page.locator(`[data-packing="${first}"]`);
  await line.click();
  await expect(line).toHaveAttribute('aria-checked', 'true');
  expect((await line.boundingBox())?.height).toBeGreaterThanOrEqual(48);
  // The others are ticked on another phone, and seen here.
  await request.put('/api/v1/jobs/packed/packing/ticks', { data: { rows: rest, by: 'ilo' } });
  await expect(page.getByTestId('packed')).toHaveText(`${packing.length - 1} of ${packing.length} ticked`);
  const departure = page.getByTestId('departure');
  await expect(departure).toContainText(ladder.label);
  await departure.getByRole('button', { name: 'We leave now' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Leave anyway' })).toBeDisabled();
  await dialog.getByLabel('Why it leaves without').fill('The house lends us one.');
  await dialog.getByRole('button', { name: 'Leave anyway' }).click();
  await expect(departure).toContainText('The house lends us one.');
  await page.reload();
  await expect(page.getByTestId('departure')).toContainText('The house lends us one.');
  // Nothing hangs over the edge of the phone.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('a vehicle without its room leaves Fits unlit; the room is copied, measured, and the answer is there', async ({
  page,
  request,
}) => {
  const bare = { id: 'loan', name: 'The loan van', seats: 3 };
  await changeWorkshop(request, ({ vehicles }) => ({ vehicles: [...vehicles, bare] }));
  await ownJob(request, 'measured');
  const job = await getJob(request, 'measured');
  await request.put('/api/v1/jobs/measured', {
    data: { revision: job.revision, data: { ...job.data, vehicles: ['loan'] } },
  });
  await page.goto('/jobs/measured/load');
  const fits = page.getByRole('button', { name: /^Fits ?:/ });
  await expect(fits).toHaveAccessibleName(/needs its room/);

  await page.goto('/workshop/gear');
  const room = page.getByTestId('room-loan');
  await room.getByRole('combobox', { name: 'Copy from' }).click();
  await page.getByRole('option', { name: /panel van/ }).click();
  await expect(room.getByLabel('Length')).toHaveValue(/10/);
  await room.getByLabel('Length').fill('12 ft');
  await room.getByLabel('Length').press('Enter');
  await expect
    .poll(async () => {
      const { data: now } = await (await request.get('/api/v1/workshop')).json();
      return now.vehicles.find((one: { id: string }) => one.id === 'loan').cargo?.lengthM;
    })
    .toBeCloseTo(3.66, 2);
  await page.goto('/jobs/measured/load');
  await expect(page.getByText('Room 12 ft long', { exact: false })).toBeVisible();
  await expect(fits).toHaveAccessibleName(/The loan van/);
  // Other journeys count the seats there are.
  await changeWorkshop(request, ({ vehicles }) => ({ vehicles: vehicles.filter(({ id }) => id !== 'loan') }));
});

test('a garland is parted elsewhere by hand: pulled, typed, automatic again; sections and bags follow', async ({
  page,
  request,
}) => {
  await ownJob(request, 'parted');
  const lengths = async () => {
    const { fits } = await getPlan(request, 'parted');
    const own = fits.sections.filter(({ pieceId }) => pieceId === fits.sections[0]?.pieceId);
    return own.map(({ fromM, toM }) => Number(((toM - fromM) / 0.3048).toFixed(1)));
  };
  const before = await lengths();
  expect(new Set(before).size).toBe(1);
  await page.goto('/jobs/parted/pieces');
  const cut = page.getByRole('button', { name: /^Cut 1 of 2 of Garland to the beam/ });
  const box = await cut.boundingBox();
  if (!box) throw new Error('no cut');
  const [x, y] = [box.x + box.width / 2, box.y + box.height - 12];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await lengths())[0]).toBeGreaterThan((before[0] ?? 0) + 0.5);
  expect(await lengths()).toHaveLength(before.length);
  await page.getByLabel('Cut 1, from the thick end').fill('3 ft');
  await page.getByLabel('Cut 1, from the thick end').press('Enter');
  await expect.poll(async () => (await lengths())[0]).toBe(3);
  await page.getByLabel('Sections (0 = automatic)').fill('0');
  await page.getByLabel('Sections (0 = automatic)').press('Enter');
  await expect.poll(lengths).toEqual(before);
});

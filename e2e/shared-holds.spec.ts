import type { JobFile, SiteRow, WorkshopRow } from '@early-lantern/contract';
import { expect, test } from './support/test.ts';

test('what the workshop has and the way in allows decides what is cut, what weighs, and what gets there', async ({
  page,
  request,
}) => {
  const file = (await (await request.get('/api/v1/jobs/engine-shed-unveiled/file')).json()) as JobFile;
  await request.post('/api/v1/job-files', {
    data: { ...file, job: { ...file.job, id: 'cut', name: 'Cut' } },
  });
  await page.goto('/jobs/cut/holds');
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.getByText(/offcut of 6 ft/).first()).toBeVisible();

  // Two more offcuts, of just the right length: nothing is left over of them.
  await page.goto('/workshop/gear');
  const panel = page.getByRole('region', { name: 'Ladders, weights, fixings' });
  await panel.getByRole('button', { name: 'Add an offcut' }).click();
  await expect(panel.getByLabel('Length', { exact: true })).toHaveCount(3);
  const last = panel.getByLabel('Length', { exact: true }).last();
  await last.fill('5 ft');
  await last.press('Tab');
  const many = panel.getByLabel('How many').last();
  await many.fill('4');
  await many.press('Tab');
  await panel.getByRole('button', { name: 'Add a heavy thing' }).click();
  await expect(panel.getByLabel('What', { exact: true })).toHaveCount(2);
  const name = panel.getByLabel('What', { exact: true }).last();
  await name.fill('Brass gong');
  await name.press('Tab');
  const workshop = async () => ((await (await request.get('/api/v1/workshop')).json()) as WorkshopRow).data;
  await expect.poll(async () => (await workshop()).ownLoads?.at(-1)?.name).toBe('Brass gong');
  expect((await workshop()).ownPipes?.at(-1)).toMatchObject({ pipe: 'pvc-half', count: 4 });
  await page.goto('/jobs/cut/holds');
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.getByText(/offcut of 5 ft, whole/).first()).toBeVisible();

  // The gong hangs on the garland, and the points bear it.
  await page.getByRole('tab', { name: 'Standing and fixing' }).click();
  await page.getByTestId('factor-beam-garland').click();
  const before = await page.getByTestId('factor-beam-garland').textContent();
  await page.getByLabel('Attach something').click();
  await page.getByRole('option', { name: /Brass gong/ }).click();
  await expect(page.getByTestId('factor-beam-garland')).not.toHaveText(before ?? '');

  // A tight corner on the way in, and the boards do not get there.
  await page.goto('/sites/engine-shed');
  const longest = page.getByLabel('Longest item that fits');
  await longest.fill('4 ft');
  await longest.press('Tab');
  const site = async () => (await (await request.get('/api/v1/sites/engine-shed')).json()) as SiteRow;
  await expect.poll(async () => (await site()).data.loadIn.longestM).toBeCloseTo(1.22, 2);
  await page.goto('/jobs/cut/load');
  const lamp = page.getByRole('button', { name: /^Fits ?: out/ });
  await expect(lamp).toBeVisible();
  await lamp.click();
  await expect(page.getByRole('dialog')).toContainText('does not go through or into the way in');
});

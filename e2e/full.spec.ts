import { getJob, getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('a garland with gaps says so and shows where; the fillers that close them are taken by keyboard, counts follow, undo takes them back', async ({
  page,
  request,
}) => {
  await ownJob(request, 'full-look');
  const plan = async () => getPlan(request, 'full-look');
  const [, edge] = (await plan()).pieces;
  const look = async () => (await plan()).full.pieces.find(({ id }) => id === edge?.id);
  const before = await look();
  if (!edge || !before || before.fillers.needed <= before.fillers.counted)
    throw new Error('nothing to close');
  await page.goto('/jobs/full-look/pieces');
  await page.getByRole('combobox').filter({ hasText: 'North wall' }).click();
  await page.getByRole('option', { name: 'Podium front' }).click();
  await page.getByRole('button', { name: edge.name, exact: true }).first().click();
  const line = page.getByTestId('look-line');
  await expect(line).toContainText(`${before.fillers.needed} filler trios close it`, { timeout: 30_000 });
  await expect(page.getByTestId('look-marks').locator('circle').first()).toBeVisible();
  const take = line.getByRole('button', { name: /^Take \d+ more$/ });
  await take.focus();
  await page.keyboard.press('Enter');
  await expect(line).toContainText('Full: no gap worth closing', { timeout: 30_000 });
  await expect(page.getByTestId('look-marks')).toBeHidden();
  await expect.poll(async () => (await look())?.gaps).toEqual([]);
  // The bench blows them.
  const trios = (await plan()).pieces.find(({ id }) => id === edge.id)?.fillerClusters;
  expect(trios).toBeGreaterThanOrEqual(before.fillers.needed);
  await expect(page.getByTestId('piece-counts')).toContainText(`${trios} filler trios`);
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(line).toContainText('Not full yet', { timeout: 30_000 });
  expect((await getJob(request, 'full-look')).pieces.length).toBeGreaterThan(1);
});

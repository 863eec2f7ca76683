import { ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('a job is rehearsed at once; many more days can be gone through, and stopped with what there is', async ({
  page,
  request,
}) => {
  await ownJob(request, 'rehearsed');
  await page.goto('/jobs/rehearsed/clock');
  await page.getByRole('tab', { name: 'Rehearsal' }).click();
  await expect(page.getByTestId('ready-by-doors')).toHaveText(/\d+ of 100/);
  await expect(page.getByRole('heading', { name: /Sign-off, 500 days/ })).toBeVisible();
  await page.getByRole('button', { name: 'Go through 10,000 days' }).click();
  // Stopped half-way, or just done where the machine is quick: either way there is an outcome of more days than before.
  const stop = page.getByRole('button', { name: 'Stop here' });
  await stop.click({ timeout: 2000 }).catch(() => undefined);
  await expect(stop).toBeHidden();
  await expect(page.getByRole('heading', { name: /Sign-off, [\d,]+ days/ })).not.toHaveText(/ 500 days/);
  // The lamp tells it too.
  await page.getByRole('button', { name: /^On time/ }).click();
  await expect(page.getByRole('dialog')).toContainText(/doors|rehearsed/);
});

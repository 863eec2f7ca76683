import { readFileSync } from 'node:fs';
import { getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('a job is rehearsed at once; many more days can be gone through, and stopped with what there is', async ({
  page,
  request,
}) => {
  await ownJob(request, 'rehearsed');
  await page.goto('/jobs/rehearsed/clock');
  // Every task says why it stands where it does.
  await page.getByRole('button', { name: /Load the vehicle$/ }).click();
  await expect(page.getByText(/^Then, because it must be over before: Drive to/)).toBeVisible();
  await page.getByRole('tab', { name: 'Rehearsal' }).click();
  await expect(page.getByTestId('ready-in-time')).toHaveText(/\d+ of 100/);
  await expect(page.getByRole('heading', { name: /Time to spare, 2,000 days/ })).toBeVisible();
  await page.getByRole('button', { name: 'Simulate 10,000 days' }).click();
  // Stopped half-way, or just done where the machine is quick: either way there is an outcome of more days than before.
  const stop = page.getByRole('button', { name: 'Stop here' });
  await stop.click({ timeout: 2000 }).catch(() => undefined);
  await expect(stop).toBeHidden();
  await expect(page.getByRole('heading', { name: /Time to spare, [\d,]+ days/ })).not.toHaveText(
    / 2,000 days/,
  );
  // The lamp tells it too.
  await page.getByRole('button', { name: /^On time/ }).click();
  await expect(page.getByRole('dialog')).toContainText(/doors|rehearsed/);
});

test('tasks go into a calendar, one person’s or everybody’s, and into a table', async ({ page, request }) => {
  await ownJob(request, 'carried');
  await page.goto('/jobs/carried/run-sheet');
  const take = async (name: RegExp) => {
    await page.getByRole('button', { name: 'Download' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name }).click(),
    ]);
    return readFileSync(await download.path(), 'utf8');
  };
  const all = await take(/^Everybody/);
  const own = await take(/^Wren/);
  const events = (text: string) => text.split('BEGIN:VEVENT').length - 1;
  expect(events(own)).toBeGreaterThan(0);
  expect(events(all)).toBeGreaterThan(events(own));
  const { tasks } = await getPlan(request, 'carried');
  expect(events(all)).toBe(tasks.length);
  expect((await take(/^All tasks/)).trim().split(/\r?\n/)).toHaveLength(tasks.length + 1);
});

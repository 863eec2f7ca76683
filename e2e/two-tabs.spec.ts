import { readFile } from 'node:fs/promises';
import { getJob, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('two devices and a second tab on one job: what one saves the others show within a second, different fields are put together, an undo takes back only what is one’s own', async ({
  browser,
  context,
  request,
  baseURL,
}) => {
  await ownJob(request, 'live');
  const other = await browser.newContext(baseURL ? { baseURL } : {});
  const [first, tab, second] = [await context.newPage(), await context.newPage(), await other.newPage()];
  for (const page of [first, tab, second]) await page.goto('/jobs/live/pieces');
  await expect(second.getByLabel('Piece')).not.toHaveValue('');
  await first.getByLabel('Piece').fill('Beam, from the desk');
  for (const page of [tab, second]) await expect(page.getByLabel('Piece')).toHaveValue('Beam, from the desk');
  const width = second.getByLabel('Width', { exact: true });
  await width.fill('20 in');
  await width.press('Enter');
  await expect(first.getByLabel('Width', { exact: true })).toHaveValue('20 in');
  await second.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(first.getByLabel('Width', { exact: true })).not.toHaveValue('20 in');
  await expect(second.getByLabel('Piece')).toHaveValue('Beam, from the desk');
  // A job that somebody makes stands on the horizon of the others; of the twenty next ones, or where it is looked for.
  await tab.goto('/?q=live-new');
  await expect(tab.getByText('No coming job matches')).toBeVisible();
  await ownJob(request, 'live-new');
  await expect(tab.getByText('Shed live-new').first()).toBeVisible();
  // What was done before the page was left can still be undone.
  await first.reload();
  await first.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(second.getByLabel('Piece')).not.toHaveValue('Beam, from the desk');
  await other.close();
});

test('the tab that hears the news is closed: what is saved before another hears them is shown there all the same', async ({
  page: hears,
  context,
  request,
}) => {
  const tab = await context.newPage();
  for (const one of [hears, tab]) {
    await one.goto('/?q=handed-over');
    await expect(one.getByText('No coming job matches')).toBeVisible();
  }
  let letThrough = () => {};
  const held = new Promise<void>((resolve) => {
    letThrough = resolve;
  });
  await context.route('**/api/v1/events', async (route) => {
    await held;
    await route.continue();
  });
  await hears.close();
  await ownJob(request, 'handed-over');
  letThrough();
  await expect(tab.getByText('Shed handed-over').first()).toBeVisible();
});

test('two devices, one of them without news: the second save is told, sees both versions, and either can be kept', async ({
  browser,
  context,
  request,
  baseURL,
}) => {
  await ownJob(request, 'two-tabs');
  const other = await browser.newContext(baseURL ? { baseURL } : {});
  for (const one of [context, other]) await one.route('**/api/v1/events', (route) => route.abort());
  const [first, second] = [await context.newPage(), await other.newPage()];
  for (const page of [first, second]) {
    await page.goto('/jobs/two-tabs/pieces');
    // Read before the other one changes it.
    await expect(page.getByLabel('Piece')).not.toHaveValue('');
  }
  await first.getByLabel('Piece').fill('Beam, from the first tab');
  await expect(first.locator('[data-save]')).toHaveText('Saved');

  await second.getByLabel('Piece').fill('Beam, from the second tab');
  const dialog = second.getByRole('dialog');
  await expect(dialog).toContainText('was changed elsewhere too');
  await expect(dialog).toContainText('Beam, from the first tab');
  await expect(dialog).toContainText('Beam, from the second tab');
  await expect(
    dialog.getByRole('columnheader', { name: /^Yours, in this tab \d\d:\d\d, newest$/ }),
  ).toBeVisible();
  expect((await getJob(request, 'two-tabs')).pieces[0]?.data.name).toBe('Beam, from the first tab');
  await dialog.getByRole('button', { name: 'Keep mine' }).click();
  await expect(second.locator('[data-save]')).toHaveText('Saved');
  expect((await getJob(request, 'two-tabs')).pieces[0]?.data.name).toBe('Beam, from the second tab');

  await first.getByLabel('Piece').fill('Beam, first again');
  await first.getByRole('dialog').getByRole('button', { name: 'Take theirs' }).click();
  await expect(first.getByLabel('Piece')).toHaveValue('Beam, from the second tab');
  await expect(first.locator('[data-save]')).toHaveText('Saved');
  await other.close();
});

test('while the server is silent work is kept in the browser, over a reload too, and saved when it answers', async ({
  page,
  context,
  request,
}) => {
  await ownJob(request, 'silent');
  await page.goto('/jobs/silent/brief');
  await context.route('**/api/v1/jobs/silent', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Notes for the crew').fill('Bring the long rope');
  await expect(page.locator('[data-save]')).toContainText('kept on this device');
  await page.reload();
  await expect(page.getByLabel('Notes for the crew')).toHaveValue('Bring the long rope');
  // No file that lacks what is on screen; and one asked for right after typing waits for the saving.
  const exported = page.getByRole('button', { name: 'Export as a job file' });
  await exported.click();
  await expect(page.getByText('Not saved yet, so no file is made')).toBeVisible();
  await context.unroute('**/api/v1/jobs/silent');
  await page.getByLabel('Notes for the crew').fill('Bring the long rope');
  const [file] = await Promise.all([page.waitForEvent('download'), exported.click()]);
  expect(await readFile(await file.path(), 'utf8')).toContain('Bring the long rope');
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  expect((await getJob(request, 'silent')).data.notes).toBe('Bring the long rope');
});

test('what somebody deleted or changed an hour ago is brought back from the earlier versions, and undo takes that back', async ({
  page,
  request,
}) => {
  const job = await ownJob(request, 'versions');
  const [beam] = job.pieces;
  if (!beam) throw new Error('no piece');
  await request.delete(`/api/v1/jobs/versions/pieces/${beam.data.id}?revision=${beam.revision}`);
  await page.goto('/jobs/versions/pieces');
  const tab = page.getByRole('button', { name: beam.data.name, exact: true });
  await expect(page.getByTestId('piece-counts')).toBeVisible();
  await expect(tab).toHaveCount(0);
  await page.getByRole('main').getByRole('button', { name: 'Earlier versions' }).click();
  const dialog = page.getByRole('dialog', { name: 'Earlier versions' });
  await expect(dialog).toContainText(`: ${beam.data.name}`);
  await dialog.getByRole('button', { name: new RegExp(`^Bring back ${beam.data.name}, `) }).click();
  await expect(tab.first()).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  expect((await getJob(request, 'versions')).pieces.map(({ data }) => data.id)).toContain(beam.data.id);
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).first().click();
  await expect(tab).toHaveCount(0);
});

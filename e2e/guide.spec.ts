import { readdirSync } from 'node:fs';
import { ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('help opens the guide at the right place, on every screen; its pictures and links lead somewhere', async ({
  page,
  request,
}) => {
  await ownJob(request, 'helped');
  const help = page.getByRole('link', { name: 'Help', exact: true });
  for (const [path, title] of [
    ['/', 'The brief'],
    ['/sites', 'The place'],
    ['/stock', 'Counts and buying'],
    ['/workshop/gear', 'First start'],
    ['/jobs/helped/pieces', 'Pieces'],
    ['/jobs/helped/holds', 'Holds'],
    ['/jobs/helped/bench', 'Bench'],
    ['/jobs/helped/clock', 'Clock and run sheet'],
    ['/jobs/helped/run-sheet', 'On the day, and the strike'],
  ] as const) {
    await page.goto(path);
    await help.click();
    await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  }
  for (const file of readdirSync('docs/guide')) {
    await page.goto(`/help/${file.replace('.md', '')}`);
    const article = page.getByRole('article');
    // Two minutes a page.
    expect(((await article.textContent()) ?? '').split(/\s+/).length).toBeLessThan(300);
    for (const picture of await article.getByRole('img').all()) {
      await picture.scrollIntoViewIfNeeded();
      await expect
        .poll(() => picture.evaluate((one) => (one as HTMLImageElement).naturalWidth))
        .toBeGreaterThan(600);
    }
    await article.getByRole('link').last().click();
    await expect(page.getByRole('article').getByRole('heading', { level: 1 })).toBeVisible();
  }
});

test("on a phone a job's head takes a quarter of the screen at most, and every page of it is in reach", async ({
  browser,
  baseURL,
  request,
}) => {
  await ownJob(request, 'short-head');
  const context = await browser.newContext({
    baseURL,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  const page = await context.newPage();
  await page.goto('/jobs/short-head/clock');
  const head = page.getByTestId('job-head');
  await expect(head.getByRole('button', { name: /^On time/ })).toBeEnabled();
  await expect(head.getByRole('button', { name: 'Show working' })).toBeVisible();
  const box = await head.boundingBox();
  expect(box?.height ?? 999).toBeLessThanOrEqual(844 / 4);
  const last = page.getByRole('link', { name: 'Run sheet' });
  const right = await last.boundingBox();
  // In sight, or begun to be.
  expect(right?.x ?? 999).toBeLessThan(370);
  await last.click();
  await expect(page).toHaveURL(/run-sheet$/);
  await context.close();
});

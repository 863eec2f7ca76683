import { firstLine, getJob, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('keyboard only: find a job, move its line, undo, redo, walk its pages', async ({ page, request }) => {
  const before = await ownJob(request, 'by-keys');
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1, name: 'Horizon' })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('shed by-keys');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Shed by-keys' })).toBeVisible();

  const point = page.getByRole('button', { name: /^Point 5 of 5, tip/ });
  for (let presses = 0; presses < 60; presses++) {
    await page.keyboard.press('Tab');
    if (await point.evaluate((element) => element === document.activeElement)) break;
  }
  await expect(point).toBeFocused();
  const name = await point.getAttribute('aria-label');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(point).not.toHaveAttribute('aria-label', name ?? '');
  await page.keyboard.press('+');
  await expect(page.getByRole('button', { name: /^Point 6 of 6, tip/ })).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  const changed = await getJob(request, 'by-keys');
  expect(firstLine(changed)).toHaveLength(6);

  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(point).toHaveAttribute('aria-label', name ?? '');
  await page.keyboard.press('Control+y');
  await expect(point).not.toHaveAttribute('aria-label', name ?? '');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  expect(firstLine(await getJob(request, 'by-keys'))).toEqual(firstLine(before));

  // However fast: seventeen presses are seventeen steps of an inch, and one step of undo.
  await point.focus();
  const seventeen = (key: string) => Promise.all(Array.from({ length: 17 }, () => page.keyboard.press(key)));
  await seventeen('ArrowLeft');
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  const tip = (line: { xM: number }[]) => line.at(-1)?.xM ?? 0;
  const [from, to] = [tip(firstLine(before)), tip(firstLine(await getJob(request, 'by-keys')))];
  expect(Math.abs(from - to - 17 * 0.0254)).toBeLessThan(0.0254);
  await page.keyboard.press('Control+z');
  await expect(point).toHaveAttribute('aria-label', name ?? '');

  for (const [key, path] of [
    ['c', 'counts'],
    ['k', 'clock'],
    ['r', 'run-sheet'],
    ['b', 'brief'],
    ['p', 'pieces'],
  ]) {
    await page.keyboard.press(key as string);
    await expect(page).toHaveURL(new RegExp(`/jobs/by-keys/${path}$`));
  }
  await page.keyboard.press('h');
  await expect(page).toHaveURL(/\/$/);
  await expect(page.getByRole('heading', { level: 1, name: 'Horizon' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog', { name: 'New job' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

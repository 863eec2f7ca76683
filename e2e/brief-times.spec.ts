import { getJob, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('a time is taken when its field is left, never digit by digit; what cannot be is told on its field', async ({
  page,
  request,
}) => {
  const before = await ownJob(request, 'typed-times');
  await page.goto('/jobs/typed-times/brief');
  const until = page.getByRole('group', { name: 'Strike until' });
  const section = (name: string) => until.getByRole('spinbutton', { name });
  const type = async (text: string) => {
    await section('Day').click();
    await page.keyboard.type(text);
  };

  // Half-typed, the year is in the first centuries: nothing is planned, saved or lost by it.
  await type('12Dec20');
  await page.waitForTimeout(1200);
  expect((await getJob(request, 'typed-times')).data).toEqual(before.data);
  await page.keyboard.press('Escape');
  await expect(section('Year')).toHaveText(String(new Date(before.data.strike.until).getFullYear()));

  // Years away: refused in words, the lamps still lit, the old time kept.
  await type('12Dec2046');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Strike lasts longer than 14 days')).toBeVisible();
  await page.waitForTimeout(800);
  expect((await getJob(request, 'typed-times')).data).toEqual(before.data);
  await expect(page.getByRole('heading', { name: 'The times' })).toBeVisible();
  await page.keyboard.press('Escape');

  // An hour later: one step, one undo.
  const old = before.data.strike.until;
  await section('Hours').click();
  await page.keyboard.press('ArrowUp');
  await page.getByRole('heading', { name: 'The crew' }).click();
  await expect
    .poll(async () => Date.parse((await getJob(request, 'typed-times')).data.strike.until) - Date.parse(old))
    .toBe(3_600_000);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(async () => (await getJob(request, 'typed-times')).data.strike.until).toBe(old);
});

import type { Site } from '@early-lantern/contract';
import { expect, test } from './support/test.ts';

test('a place surveyed on the phone, question by question, until nothing waits; undo takes an answer back', async ({
  browser,
  baseURL,
  request,
}) => {
  const context = await browser.newContext({
    baseURL,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  const page = await context.newPage();
  await page.goto('/sites');
  await page.getByRole('button', { name: 'New place' }).click();
  // Nothing is silently indoors.
  const dialog = page.getByRole('dialog', { name: 'New place' });
  await dialog.getByRole('button', { name: 'Add the place' }).click();
  await expect(dialog.getByText('Give the place a name.')).toBeVisible();
  await expect(dialog.getByText('Say what kind of spot it is.')).toBeVisible();
  await dialog.getByLabel('Place').fill('Reading room');
  await dialog.getByRole('button', { name: 'Add the place' }).click();
  await expect(dialog.getByText('Give the place a name.')).toHaveCount(0);
  await expect(dialog.getByText('Say whether it is indoors or outdoors.')).toBeVisible();
  await dialog.getByLabel('Indoors', { exact: true }).check();
  await dialog.getByRole('combobox', { name: 'What kind of spot' }).click();
  await page.getByRole('option', { name: 'wall', exact: true }).click();
  await dialog.getByRole('button', { name: 'Add the place' }).click();
  const walk = page.getByRole('region', { name: 'Survey walk' });
  await expect(walk).toContainText('Where does the van stand');
  await expect(walk).toContainText('On time');
  const say = async (label: string, text: string) => {
    await walk.getByLabel(label).fill(text);
    await walk.getByLabel(label).press('Enter');
  };
  /** Answers by a button, once its question is asked: the same words answer several. */
  const click = async (question: string, name: string) => {
    await expect(walk).toContainText(question);
    await walk.getByRole('button', { name, exact: true }).click();
  };
  await say('Parking', 'In the yard until noon');
  await say('Way in', 'Side door, the warden opens');
  await say('Narrowest door', '2 ft 8');
  await walk.getByRole('button', { name: 'adhesive' }).click();
  await click('forbid', 'These are forbidden');
  await click('quiet hours', 'No quiet hours');
  await say('Contact', 'The warden');
  await click('what is the floor?', 'carpet');
  await click('to keep clear of?', 'Put it on the drawing');
  await click('to fix to?', 'There is none');
  await click('of another surface', 'All of one surface');
  await click('where is power?', 'There is none');
  await expect(walk).toContainText('Everything is asked');
  await expect(walk.getByTestId('walk-progress')).toHaveText('11 of 11 answered');

  const id = page.url().split('/').at(-1) as string;
  const site = async () => (await (await request.get(`/api/v1/sites/${id}`)).json()).data as Site;
  await expect.poll(async () => (await site()).spots[0]?.power).toEqual([]);
  expect(await site()).toMatchObject({
    forbids: ['adhesive'],
    quiet: null,
    loadIn: { parking: 'In the yard until noon' },
    spots: [{ floor: 'carpet', fixings: [], regions: [], keepClear: [{ kind: 'exit' }] }],
  });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(walk).toContainText('where is power?');
  await expect.poll(async () => (await site()).spots[0]?.power).toBeUndefined();

  // The exit is moved on the drawing and typed to its place.
  const exit = page.getByRole('button', { name: /^exit:/ });
  await exit.focus();
  await page.keyboard.press('ArrowRight');
  await page.getByLabel('Across', { exact: true }).fill("2'3");
  await page.getByLabel('Across', { exact: true }).press('Enter');
  await expect(exit).toHaveAttribute('aria-label', /2 ft 3 in across/);
  await expect.poll(async () => (await site()).spots[0]?.keepClear?.[0]?.xM).toBeCloseTo(0.6858, 4);

  // Seventeen presses, however fast, are seventeen inches.
  await exit.focus();
  await Promise.all(Array.from({ length: 17 }, () => page.keyboard.press('ArrowRight')));
  await expect(exit).toHaveAttribute('aria-label', /3 ft 8 in across/);
  await expect
    .poll(async () => (await site()).spots[0]?.keepClear?.[0]?.xM)
    .toBeCloseTo(0.6858 + 17 * 0.0254, 4);

  // Its outline from a shape, a corner then moved by keys.
  await page.getByLabel('Outline').click();
  await page.getByRole('option', { name: 'a gable' }).click();
  const corner = page.getByRole('button', { name: /^Corner 4:/ });
  await corner.focus();
  await page.keyboard.press('ArrowDown');
  await expect.poll(async () => (await site()).spots[0]?.outline?.[3]?.yM).toBeLessThan(3.04);
  await context.close();
});

test('a place is copied to begin from, and is what it was once an earlier version is brought back', async ({
  page,
  request,
}) => {
  await page.goto('/sites');
  await page.getByRole('button', { name: 'Copy Upper Meadow' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Upper Meadow, copy' })).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Finish line' })).toBeVisible();
  const path = `/api/v1${new URL(page.url()).pathname}`;
  const { revision, data } = await (await request.get(path)).json();
  await request.put(path, { data: { revision, data: { ...data, name: 'Renamed by mistake' } } });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Renamed by mistake');
  await page.getByRole('button', { name: 'Earlier versions' }).click();
  await page.getByRole('button', { name: /^Bring back Upper Meadow, copy/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Upper Meadow, copy');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Renamed by mistake');
});

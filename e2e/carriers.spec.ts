import type { JobFile, JobRow } from '@early-lantern/contract';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { getJob, getPlan } from './support/api.ts';
import { expect, test } from './support/test.ts';

/** An empty job in a hall of bare floor, 24 ft wide: nothing to tie to, somebody to do it. */
async function emptyHall(request: APIRequestContext, id: string): Promise<void> {
  const file = (await (await request.get('/api/v1/jobs/engine-shed-unveiled/file')).json()) as JobFile;
  file.job = { ...file.job, id, name: `Hall ${id}`, pieces: [] };
  file.site = {
    ...file.site,
    id: `site-${id}`,
    spots: [
      {
        id: 'hall',
        name: 'Hall',
        kind: 'open-floor',
        widthM: 7.3152,
        heightM: 3.6576,
        surface: 'painted',
        floor: 'carpet',
        fixings: [],
        keepClear: [],
      },
    ],
  };
  file.job.siteId = file.site.id;
  const reply = await request.post('/api/v1/job-files', { data: file });
  expect(reply.ok()).toBe(true);
}

const pieceOf = (job: JobRow, kind: string) => job.pieces.find(({ data }) => data.kind === kind)?.data;
const saved = (page: Page) => expect(page.locator('[data-save]')).toHaveText('Saved');

/** The scale of the elevation, read off a garland's line: pixels across for each metre. */
async function scaleOf(page: Page, job: JobRow): Promise<number> {
  const garland = pieceOf(job, 'organic-garland');
  if (garland?.kind !== 'organic-garland') throw new Error('no garland');
  const at = async (point: RegExp) => {
    const box = await page.getByRole('button', { name: point }).boundingBox();
    if (!box) throw new Error('no point');
    return box.x + box.width / 2;
  };
  const [first, last] = [garland.line[0], garland.line.at(-1)];
  return ((await at(/, tip/)) - (await at(/^Point 1 of/))) / ((last?.xM ?? 0) - (first?.xM ?? 0));
}

async function drag(page: Page, from: Locator, dx: number, dy: number): Promise<void> {
  const box = await from.boundingBox();
  if (!box) throw new Error('nothing to drag');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 });
  await page.mouse.move(x + dx, y + dy, { steps: 4 });
  await page.mouse.up();
}

/** Nothing goes up before what carries it stands, nothing comes down after it. */
async function expectOrder(request: APIRequestContext, id: string): Promise<void> {
  const { tasks, pieces, lamps } = await getPlan(request, id);
  const garland = pieces.find(({ kind }) => kind === 'organic-garland');
  const stand = pieces.find(({ kind }) => kind === 'backdrop');
  expect(garland?.on).toEqual({ pieceId: stand?.id, part: 'top-bar' });
  const at = (piece: string | undefined, step: string) =>
    tasks.find((task) => task.id === `${piece}--${step}`);
  const before = (a: string | undefined, b: string | undefined) =>
    expect(Date.parse(a ?? '')).toBeLessThanOrEqual(Date.parse(b ?? ''));
  for (const step of ['frame', 'cloth', 'pins'])
    before(at(stand?.id, step)?.end, at(garland?.id, 'hang')?.start);
  before(at(garland?.id, 'down')?.end, at(stand?.id, 'apart')?.start);
  expect(lamps.holds.state).toBe('lit');
}

test('with the mouse only: a garland dropped on a curtain stand hangs on its bar and moves with it', async ({
  page,
  request,
}) => {
  await emptyHall(request, 'by-mouse');
  await page.goto('/jobs/by-mouse/pieces');
  const add = async (kind: RegExp) => {
    await page.getByRole('button', { name: 'Add a piece' }).first().click();
    await page.getByRole('dialog').getByRole('button', { name: kind }).click();
    await saved(page);
  };
  await add(/^Backdrop/);
  await add(/^Organic garland/);
  // The lamp says that it hangs on nothing yet.
  await expect(page.getByText('Does not hold').first()).toBeVisible();

  // Its points pulled to the bar: the bar draws them on, and the drop is asked about.
  const job = await getJob(request, 'by-mouse');
  const perM = await scaleOf(page, job);
  const stand = pieceOf(job, 'backdrop');
  const garland = pieceOf(job, 'organic-garland');
  if (stand?.kind !== 'backdrop' || garland?.kind !== 'organic-garland') throw new Error('not added');
  const [left, top] = [stand.at.xM - stand.widthM / 2, stand.heightM];
  const targets = garland.line.map((_, i) => ({ xM: left + 0.3 + i * 0.6, yM: top }));
  for (const [i, point] of garland.line.entries()) {
    const to = targets[i] as (typeof targets)[number];
    const grip = page.getByRole('button', { name: new RegExp(`^Point ${i + 1} of`) });
    await drag(page, grip, (to.xM - point.xM) * perM, -(to.yM - point.yM) * perM);
    // What a drop asks is there in the frame after it, however long that takes here.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
    const later = page.getByRole('button', { name: 'Decide later' });
    if (i < garland.line.length - 1 && (await later.isVisible())) await later.click();
  }
  const question = page.getByRole('dialog', { name: /^What carries/ });
  await question.getByRole('button', { name: /^On the top bar/ }).click();
  await saved(page);
  await expect(page.getByRole('combobox', { name: 'Hangs on' })).toHaveText(/^top bar of Backdrop/);
  await expectOrder(request, 'by-mouse');

  // The stand is moved by its grip's place: the garland follows by as much.
  const before = await getJob(request, 'by-mouse');
  await page.getByRole('button', { name: 'Backdrop', exact: true }).click();
  const app = page.getByRole('application');
  const box = await app.boundingBox();
  if (!box) throw new Error('no elevation');
  const standAt = await page.getByRole('button', { name: /^Place of Backdrop/ }).boundingBox();
  if (!standAt) throw new Error('no grip');
  const [x, y] = [standAt.x + standAt.width / 2 + 20, standAt.y - 60];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y, { steps: 8 });
  await page.mouse.up();
  await saved(page);
  const after = await getJob(request, 'by-mouse');
  const x0 = (row: JobRow, kind: 'backdrop' | 'organic-garland') => {
    const piece = pieceOf(row, kind);
    return piece?.kind === 'organic-garland'
      ? (piece.line[0]?.xM ?? 0)
      : piece?.kind === 'backdrop'
        ? piece.at.xM
        : 0;
  };
  const moved = x0(after, 'backdrop') - x0(before, 'backdrop');
  expect(moved).toBeGreaterThan(0.1);
  expect(x0(after, 'organic-garland') - x0(before, 'organic-garland')).toBeCloseTo(moved, 3);

  // Deleting the stand asks; with it goes what hangs on it, and undo brings both back.
  await page.getByRole('button', { name: 'Delete Backdrop' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete all' }).click();
  await saved(page);
  expect((await getJob(request, 'by-mouse')).pieces).toHaveLength(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  expect((await getJob(request, 'by-mouse')).pieces).toHaveLength(2);

  await page.getByRole('link', { name: 'Run sheet' }).click();
  await expect(page.getByRole('article')).toContainText('on the top bar of Backdrop');
  await expect(page.getByRole('article')).toContainText('× Clamp');
});

test('with keys only: the same stand and garland, from the palette, by lists and typed places, to the printed sheet', async ({
  page,
  request,
}) => {
  await emptyHall(request, 'by-keyboard');
  await page.goto('/jobs/by-keyboard/pieces');
  await expect(page.getByRole('button', { name: 'Add a piece' }).first()).toBeVisible();
  const command = async (text: string) => {
    await page.keyboard.press('/');
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  const tabTo = async (target: Locator) => {
    for (let presses = 0; presses < 140; presses++) {
      await page.keyboard.press('Tab');
      if (await target.evaluate((element) => element === document.activeElement)) return;
    }
    throw new Error('not reached with Tab');
  };
  // One right after the other, the palette not yet gone: both are done.
  await command('add: backdrop');
  await command('add: organic garland');
  await expect(page.getByRole('combobox', { name: 'Hangs on' })).toBeVisible();
  await saved(page);
  await tabTo(page.getByRole('combobox', { name: 'Hangs on' }));
  await page.keyboard.press('Enter');
  // Typed letters choose from a list.
  await page.keyboard.type('top');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(page.getByRole('combobox', { name: 'Hangs on' })).toHaveText(/^top bar of Backdrop/);

  // Its points by arrow keys along the bar, until all of it is held.
  const stand = pieceOf(await getJob(request, 'by-keyboard'), 'backdrop');
  if (stand?.kind !== 'backdrop') throw new Error('no stand');
  const count = 4;
  for (let i = 1; i <= count; i++) {
    const point = page.getByRole('button', { name: new RegExp(`^Point ${i} of ${count}`) });
    await tabTo(point);
    for (let steps = 0; steps < 30; steps++) {
      const garland = pieceOf(await getJob(request, 'by-keyboard'), 'organic-garland');
      if (garland?.kind !== 'organic-garland') throw new Error('no garland');
      const { xM, yM } = garland.line[i - 1] as { xM: number; yM: number };
      const to = stand.at.xM - stand.widthM / 2 + 0.3 + (i - 1) * 0.6;
      const [dx, dy] = [Math.round((to - xM) / 0.0254), Math.round((stand.heightM - yM) / 0.0254)];
      if (dx === 0 && dy === 0) break;
      const key = dx !== 0 ? (dx > 0 ? 'ArrowRight' : 'ArrowLeft') : dy > 0 ? 'ArrowUp' : 'ArrowDown';
      const left = Math.abs(dx !== 0 ? dx : dy);
      for (let press = 0; press < Math.floor(left / 6); press++) await page.keyboard.press(`Shift+${key}`);
      for (let press = 0; press < left % 6; press++) await page.keyboard.press(key);
      await saved(page);
    }
  }
  await expectOrder(request, 'by-keyboard');

  // The stand's place typed: what hangs on it moves along.
  const before = await getJob(request, 'by-keyboard');
  await tabTo(page.getByRole('button', { name: 'Backdrop', exact: true }));
  await page.keyboard.press('Enter');
  await tabTo(page.getByRole('textbox', { name: 'from left' }));
  await page.keyboard.press('Control+a');
  await page.keyboard.type('13 ft');
  await page.keyboard.press('Enter');
  await saved(page);
  const after = await getJob(request, 'by-keyboard');
  const [was, is] = [pieceOf(before, 'backdrop'), pieceOf(after, 'backdrop')];
  const [hung, hangs] = [pieceOf(before, 'organic-garland'), pieceOf(after, 'organic-garland')];
  if (was?.kind !== 'backdrop' || is?.kind !== 'backdrop') throw new Error('no stand');
  if (hung?.kind !== 'organic-garland' || hangs?.kind !== 'organic-garland') throw new Error('no garland');
  expect(is.at.xM).toBeCloseTo(13 * 0.3048, 3);
  expect((hangs.line[0]?.xM ?? 0) - (hung.line[0]?.xM ?? 0)).toBeCloseTo(is.at.xM - was.at.xM, 3);

  // Out of the field: there a letter is a letter.
  await tabTo(page.getByRole('button', { name: 'Assembly card' }));
  await page.keyboard.press('r');
  await expect(page).toHaveURL(/run-sheet$/);
  // As it goes to the printer: the sheet alone, the stand before the garland.
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.sheet-label', { hasText: 'Backdrop: set the stand' }).first()).toBeVisible();
  const rows = await page.locator('.sheet-label').allTextContents();
  const index = (words: string) => rows.findIndex((row) => row.includes(words));
  expect(index('Backdrop: hang')).toBeGreaterThan(-1);
  expect(index('Backdrop: hang')).toBeLessThan(index('Organic garland: hang the base'));
  expect(index('Organic garland: take')).toBeLessThan(index('Backdrop: take the frame apart'));
});

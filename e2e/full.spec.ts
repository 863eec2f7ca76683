import { chromium as browserType } from '@playwright/test';
import { getJob, getPlan, ownJob } from './support/api.ts';
import { chromium } from './support/browser.ts';
import { addPiece, typeLengths } from './support/new-place.ts';
import { expect, test } from './support/test.ts';

const podium = async (page: import('@playwright/test').Page, id: string, name: string) => {
  await page.goto(`/jobs/${id}/pieces`);
  await page.getByRole('combobox').filter({ hasText: 'North wall' }).click();
  await page.getByRole('option', { name: 'Podium front' }).click();
  await page.getByRole('button', { name, exact: true }).first().click();
};

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
  await podium(page, 'full-look', edge.name);
  const line = page.getByTestId('look-line');
  await expect(line).toContainText(`${before.fillers.needed} filler trios close them`);
  await expect(page.getByTestId('look-marks').locator('circle').first()).toBeVisible();
  const take = line.getByRole('button', { name: /^Take \d+ more$/ });
  await take.focus();
  await page.keyboard.press('Enter');
  // Its foot may still hang above the floor: no filler mends that.
  await expect(line).not.toContainText('gaps of');
  await expect(page.getByTestId('look-marks').getByRole('button')).toHaveCount(0);
  await expect.poll(async () => (await look())?.gaps).toEqual([]);
  // The bench blows them.
  const trios = (await plan()).pieces.find(({ id }) => id === edge.id)?.fillerClusters;
  expect(trios).toBeGreaterThanOrEqual(before.fillers.needed);
  await expect(page.getByTestId('piece-counts')).toContainText(`${trios} filler trios`);
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(line).toContainText('filler trios close them');
  expect((await getJob(request, 'full-look')).pieces.length).toBeGreaterThan(1);
});

test('a gap is pressed on the drawing and says what closes it; taken, the dressing map has every filler, on screen and on the run sheet', async ({
  page,
  request,
}) => {
  await ownJob(request, 'full-map');
  const [, edge] = (await getPlan(request, 'full-map')).pieces;
  if (!edge) throw new Error('no garland');
  await podium(page, 'full-map', edge.name);
  const gap = page.getByTestId('look-marks').getByRole('button', { name: /^Gap 2, seen from/ });
  await gap.click();
  const asked = page.getByRole('dialog', { name: 'Gap 2' });
  await expect(asked).toContainText('Close it with a trio of 5 in.');
  await asked.getByRole('button', { name: /^Take the \d+ fillers that close all$/ }).click();
  await expect(page.getByTestId('look-line')).not.toContainText('gaps of');
  await page.getByTestId('look-line').getByRole('button', { name: 'Dressing map' }).click();
  const map = page.getByRole('dialog', { name: new RegExp(`: ${edge.name}$`) });
  await expect(map.getByTestId('map-words')).toContainText('Each number stands for a trio of 5 in.');
  const { fillers } = (await getPlan(request, 'full-map')).full;
  const own = fillers.filter(({ pieceId }) => pieceId === edge.id);
  expect(own.every(({ isCounted }) => isCounted)).toBe(true);
  const numbers = map.getByRole('img', { name: `Dressing map of ${edge.name}` }).locator('text');
  await expect(numbers).toHaveCount(own.length);
  // As a picture for the client.
  await map.getByRole('button', { name: 'Picture' }).click();
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    map.getByRole('button', { name: 'Save as PNG' }).click(),
  ]);
  expect(png.suggestedFilename()).toMatch(/\.png$/);
  await map.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Run sheet' }).click();
  const printed = page.getByTestId('dressing-maps').getByRole('figure').filter({ hasText: edge.name });
  await expect(printed.getByRole('img').locator('text')).toHaveCount(own.length);
});

test('bare edges of a panel wall: singles on dashes are taken in the lamp, counted and told on the run sheet, and taken back', async ({
  page,
  request,
}) => {
  await ownJob(request, 'full-edges');
  await page.goto('/jobs/full-edges/pieces');
  await addPiece(page, /^Panel wall/);
  await typeLengths(page, { 'Their width': '11.0 in' });
  await expect(page.getByTestId('look-line')).toContainText('of the edge it runs along is bare');
  await page.getByRole('button', { name: /^Full/ }).first().click();
  const fix = page
    .getByRole('dialog')
    .getByRole('listitem')
    .filter({ hasText: /^Cover bare edges with \d+ single balloons/ });
  const singles = Number(/with (\d+)/.exec(await fix.innerText())?.[1]);
  await fix.getByRole('button', { name: 'Apply' }).click();
  await page.keyboard.press('Escape');
  const byHand = page.getByRole('region', { name: 'Changed by hand' });
  await expect(byHand).toContainText(`${singles} singles on edges`);
  await expect(page.getByTestId('look-line')).not.toContainText('of the edge it runs along');
  const dashes = async () =>
    (await getPlan(request, 'full-edges')).pieces
      .at(-1)
      ?.materials.flatMap(({ working }) => working)
      .find(({ label }) => label === 'Dashes for bare edges')?.value;
  await expect.poll(dashes).toBe(singles);
  await page.getByRole('link', { name: 'Run sheet' }).click();
  await expect(page.locator('.sheet')).toContainText(`cover bare edges with ${singles} singles`);
  await expect(page.locator('.sheet')).toContainText('on dashes side by side along the bare edge');
  await page.goBack();
  await page.getByRole('button', { name: 'Panel wall', exact: true }).first().click();
  await byHand.getByRole('button', { name: 'Take back' }).click();
  await expect(byHand).toHaveCount(0);
  await expect.poll(dashes).toBeUndefined();
});

test('the spot in the round, from where guests stand; without WebGL the elevation shows the same', async ({
  page,
  request,
  baseURL,
}) => {
  await ownJob(request, 'full-round');
  await page.goto('/jobs/full-round/pieces');
  await page.getByRole('button', { name: 'In the round' }).click();
  const view = page.getByTestId('round-view');
  await expect(view).toHaveAttribute('aria-label', /in the round, [1-9]\d+ balloons$/);
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  // Balloons are painted: the middle of the picture is no longer the wall alone.
  const colours = () =>
    view.locator('canvas').evaluate((canvas: HTMLCanvasElement) => {
      const paper = document.createElement('canvas');
      paper.width = canvas.width;
      paper.height = canvas.height;
      const ink = paper.getContext('2d');
      ink?.drawImage(canvas, 0, 0);
      const dots = ink?.getImageData(0, 0, paper.width, paper.height).data ?? [];
      const found = new Set<number>();
      for (let i = 0; i < dots.length; i += 4)
        found.add(((dots[i] ?? 0) << 16) | ((dots[i + 1] ?? 0) << 8) | (dots[i + 2] ?? 0));
      return found.size;
    });
  await expect.poll(colours).toBeGreaterThan(400);
  await page.getByRole('button', { name: 'Evening' }).click();
  await expect(page.getByRole('button', { name: 'Evening' })).toHaveAttribute('aria-pressed', 'true');

  // A place by itself has nothing to walk round.
  const { siteId } = (await getJob(request, 'full-round')).data;
  await page.goto(`/sites/${siteId}`);
  await expect(page.getByRole('button', { name: 'From above' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'In the round' })).toHaveCount(0);

  const without = await browserType.launch({ ...chromium, args: [...chromium.args, '--disable-3d-apis'] });
  const flat = await without.newPage(baseURL ? { baseURL } : {});
  await flat.goto('/jobs/full-round/pieces');
  await expect(flat.getByTestId('look-line')).toBeVisible();
  await expect(flat.getByRole('button', { name: 'In the round' })).toHaveCount(0);
  await expect(flat.getByRole('application')).toBeVisible();
  await without.close();
});

test('a photo of the built piece is laid beside its picture and marked by hand and by keyboard; marks and photo are kept, a deleted one comes back', async ({
  page,
  request,
}) => {
  await ownJob(request, 'full-photo');
  const [, edge] = (await getPlan(request, 'full-photo')).pieces;
  if (!edge) throw new Error('no garland');
  const open = async () => {
    await podium(page, 'full-photo', edge.name);
    await page
      .getByTestId('look-line')
      .getByRole('button', { name: /^(Dressing map|Picture)$/ })
      .click();
    await page.getByRole('button', { name: 'Photo', exact: true }).click();
  };
  const marks = async () =>
    (await (await request.get('/api/v1/jobs/full-photo/photos')).json())[0]?.data.marks as {
      x: number;
      y: number;
      r: number;
    }[];
  await open();
  await page
    .getByLabel('Photo file')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no photo') });
  await expect(page.getByText('That is no photo this browser can show')).toBeVisible();
  await page.getByLabel('Photo file').setInputFiles('docs/screenshots/pieces.png');
  const photo = page.getByRole('group', { name: `Photo of ${edge.name}` });
  const { x, y, width, height } = (await photo.boundingBox()) as {
    [of in 'x' | 'y' | 'width' | 'height']: number;
  };
  await page.mouse.click(x + 0.25 * width, y + 0.5 * height);
  await page.getByRole('button', { name: 'Clump', exact: true }).click();
  await page.getByRole('button', { name: 'Mark the middle' }).click();
  await expect(page.getByTestId('marked')).toHaveText('As built: 1 gap, 1 clump marked');
  // The second is walked to, moved and made larger with the keys.
  const second = photo.getByRole('button', { name: '2, Clump' });
  await second.focus();
  for (const key of ['Shift+ArrowRight', 'Shift+ArrowRight', '+', '+']) await second.press(key);
  // Shares of the photo: 0.5 + 2 × 6 × 0.005, and 0.035 × 1.25².
  await expect
    .poll(async () => (await marks())?.[1])
    .toMatchObject({ x: 0.56, y: 0.5, r: expect.closeTo(0.0547, 3) });
  const [first] = await marks();
  expect(first?.x).toBeCloseTo(0.25, 2);
  // The first is dragged.
  const ring = (await photo.getByRole('button', { name: '1, Gap' }).boundingBox()) as {
    x: number;
    y: number;
  };
  await page.mouse.move(ring.x + 12, y + 0.5 * height);
  await page.mouse.down();
  await page.mouse.move(ring.x + 12 + 0.1 * width, y + 0.6 * height, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await marks())?.[0]?.y).toBeCloseTo(0.6, 2);
  await page.reload();
  await open();
  await expect(page.getByTestId('marked')).toHaveText('As built: 1 gap, 1 clump marked');
  await page.getByRole('button', { name: 'Delete this photo' }).click();
  await expect(photo).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(photo.getByRole('button')).toHaveCount(2);
});

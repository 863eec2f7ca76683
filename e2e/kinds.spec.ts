import type { JobFile } from '@early-lantern/contract';
import type { Page } from '@playwright/test';
import { getJob, getPlan, ownJob, planAlone } from './support/api.ts';
import { expect, test } from './support/test.ts';

const add = async (page: Page, kind: RegExp) => {
  await page.getByRole('button', { name: 'Add a piece' }).first().click();
  await page.getByRole('dialog').getByRole('button', { name: kind }).click();
  await expect(page.getByTestId('piece-counts')).toBeVisible();
};
const type = async (page: Page, label: string, text: string) => {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
};
const saved = (page: Page) => expect(page.locator('[data-save]')).toHaveText('Saved');

test('seven kinds in one job: built, shaped by grips and figures, counted, out and in again', async ({
  page,
  request,
}) => {
  const { pieces: own } = await ownJob(request, 'kinds');
  await page.goto('/jobs/kinds/pieces');
  await page.getByRole('combobox', { name: 'Spot' }).click();
  await page.getByRole('option', { name: 'Engine floor' }).click();
  const counts = page.getByTestId('piece-counts');

  // An arch: 30 ft of pipe, 49 quads of four colours; a span wider than its half circle is refused.
  await add(page, /^Packed arch/);
  await type(page, 'Pipe', '30 ft');
  await expect(counts).toContainText('196 balloons');
  await type(page, 'Span', '25 ft');
  await expect(page.getByText(/Not changed: the bases stand wider apart/)).toBeVisible();
  await type(page, 'Span', '12 ft');
  await page.getByRole('button', { name: 'Pattern card' }).click();
  const card = page.getByRole('img', { name: 'Pattern card of Packed arch: 49 layers of 4' });
  await expect(card).toContainText('turn the cluster over');
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  expect(svg.suggestedFilename()).toBe('packed-arch.svg');
  await page.getByRole('button', { name: 'Close' }).click();

  // A column pulled up by its grip, with a topper.
  await add(page, /^Packed column/);
  const height = page.getByLabel('Height', { exact: true });
  const before = await height.inputValue();
  const grip = page.getByRole('button', { name: /^Height of Packed column/ });
  await grip.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(height).not.toHaveValue(before);
  const plain = await counts.textContent();
  await page.getByRole('switch', { name: 'Topper' }).click();
  await expect(counts).not.toHaveText(plain ?? '');

  await add(page, /^Photo frame/);
  await page.getByLabel('Legs').click();
  await page.getByRole('option', { name: 'dressed' }).click();
  await add(page, /^Tower/);
  await add(page, /^Panel wall/);
  await type(page, 'Columns', '3');
  await expect(page.getByLabel('Columns', { exact: true })).toHaveValue('3');
  await add(page, /^Letter banner/);
  await type(page, 'Words', 'HELLO');
  await expect(counts).toContainText('15 balloons');
  await add(page, /^Furnishing/);
  await expect(counts).toContainText('2 things to carry');
  await saved(page);

  const kinds = [
    'packed-arch',
    'packed-column',
    'photo-frame',
    'tower',
    'panel-wall',
    'banner',
    'furnishing',
  ];
  const job = await getJob(request, 'kinds');
  expect(job.pieces.slice(own.length).map((piece) => piece.data.kind)).toEqual(kinds);

  // Every material of the job opens into its working.
  await page.getByRole('link', { name: 'Counts' }).click();
  await page.getByRole('tab', { name: 'Materials' }).click();
  await page
    .getByRole('button', { name: /3 lengths|4 lengths/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('⌈L / stock length⌉');
  await page.keyboard.press('Escape');

  const file = (await (await request.get('/api/v1/jobs/kinds/file')).json()) as JobFile;
  file.job.id = 'kinds-again';
  expect((await request.post('/api/v1/job-files', { data: file })).status()).toBe(201);
  const [first, second] = [await planAlone(request, 'kinds'), await planAlone(request, 'kinds-again')];
  expect({ ...second, jobId: '' }).toEqual({ ...first, jobId: '' });
});

test('pieces of a group move as one, by one undo', async ({ page, request }) => {
  await page.goto('/jobs/meadow-finish/pieces');
  await page.getByRole('button', { name: 'Column, left' }).click();
  const at = async () =>
    (await getJob(request, 'meadow-finish')).pieces.map(({ data }) =>
      'at' in data ? data.at.xM : undefined,
    );
  const before = await at();
  const grip = page.getByRole('button', { name: /^Place of Column, left/ });
  // It is taken by a balloon: they must be there.
  await expect(page.getByTestId('balloons')).toBeAttached();
  const box = (await grip.boundingBox()) as { x: number; y: number; width: number };
  // Taken by a balloon above its foot, not by the grip.
  await page.mouse.move(box.x + box.width / 2, box.y - 60);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y - 60, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await at())[2]).toBeGreaterThan((before[2] as number) + 0.5);
  await saved(page);
  const after = await at();
  const shift = (after[2] as number) - (before[2] as number);
  expect(shift).toBeGreaterThan(0.5);
  for (const i of [1, 2, 3]) expect((after[i] as number) - (before[i] as number)).toBeCloseTo(shift, 4);
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(at).toEqual(before);
});

test('a school of its own says what it changes, and changes it', async ({ page, request }) => {
  await ownJob(request, 'schools');
  await page.goto('/jobs/schools/pieces');
  await page.getByRole('button', { name: /^How it is made/ }).click();
  await page.getByLabel('Fillers are fixed by').click();
  const bands = page.getByRole('option', { name: /rubber bands/ });
  await expect(bands).toContainText(/Rubber band: \d+ bands more/);
  await bands.click();
  await saved(page);
  const [piece] = (await getPlan(request, 'schools')).pieces;
  expect(piece?.materials.some((row) => row.item === 'rubber-band')).toBe(true);
  await page.getByRole('button', { name: 'Assembly card' }).click();
  await expect(page.getByRole('dialog')).toContainText('A rubber band through the filler');
});

test('every kind is offered, drawn and kept, from nothing', async ({ page, request }) => {
  // Twenty pieces drawn one after the other, and a plan of them all.
  test.slow();
  const { pieces: own } = await ownJob(request, 'all-kinds');
  await page.goto('/jobs/all-kinds/pieces');
  await page.getByRole('button', { name: 'Add a piece' }).click();
  const offered = page.getByRole('dialog').getByRole('button');
  const count = await offered.count();
  expect(count).toBe(18);
  await page.keyboard.press('Escape');
  for (let i = 0; i < count; i++) {
    await page.getByRole('button', { name: 'Add a piece' }).click();
    await offered.nth(i).click();
    await expect(page.getByTestId('piece-counts')).toBeVisible();
    // Its picture is there: balloons, or what else it is made of.
    await expect(page.locator('[data-layer="chosen"] g').first()).toBeVisible();
  }
  await saved(page);
  const { pieces } = await getJob(request, 'all-kinds');
  expect(new Set(pieces.slice(own.length).map((piece) => piece.data.kind)).size).toBe(18);
  const plan = await getPlan(request, 'all-kinds');
  expect(plan.pieces).toHaveLength(own.length + 18);
});

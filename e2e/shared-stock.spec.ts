import { readFile } from 'node:fs/promises';
import { changeWorkshop, getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('what is short is ordered, arrives, and lights the lamp; the ledger knows', async ({
  page,
  request,
}) => {
  await ownJob(request, 'buying');
  await changeWorkshop(request, ({ stock, suppliers = [] }) => ({
    stock: stock.map((row) => ({
      ...row,
      onHand: row.nominalIn === 11 && row.colour === 'brick' ? 2 : 3000,
    })),
    suppliers: suppliers.map((supplier) => ({ ...supplier, leadDays: 0 })),
  }));
  // Ordering is offered first, and leads to where it is done.
  await page.goto('/jobs/buying/pieces');
  await page.getByRole('button', { name: /^Enough ?: out/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button')
    .filter({ hasText: /Apply|Open/ })
    .first()
    .click();
  const row = page.getByRole('row', { name: /11 in\. Brick/ });
  await expect(row).toContainText('Ferry Lane Supply');
  await expect(page.getByRole('table', { name: 'To buy' }).getByRole('row')).toHaveCount(2);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save as CSV' }).click(),
  ]);
  expect(await readFile(await file.path(), 'utf8')).toContain('Ferry Lane Supply,11 in.,Brick');
  await row.getByRole('button', { name: 'Mark as ordered' }).click();
  await expect(page.getByText('Nothing to buy')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Enough ?: lit/ })).toBeVisible();

  await page.getByRole('link', { name: 'Stock' }).click();
  const order = page.getByRole('region', { name: 'On order' });
  await order.getByRole('button', { name: 'Receive' }).click();
  await expect(order).toContainText('Nothing on its way');
  await page.getByRole('tab', { name: 'Ledger' }).click();
  const ledger = page.getByRole('grid', { name: 'Ledger' });
  await expect(ledger.getByRole('row').nth(1)).toContainText('received: as ordered');
  await page.getByRole('tab', { name: 'Shelf' }).click();

  // More than there is cannot be taken.
  const form = page.getByRole('region', { name: 'Book a movement' });
  await form.getByLabel('What').click();
  await page.getByRole('option', { name: 'used' }).click();
  await form.getByLabel('Balloons').fill('99999');
  await form.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByText(/Not recorded\. .* on the shelf, 99999 cannot be taken/)).toBeVisible();
});

test('a colour not made in a size is caught; a way round it is taken and undone', async ({
  page,
  request,
}) => {
  await ownJob(request, 'unmade');
  await changeWorkshop(request, ({ stock, colours }) => ({
    stock: stock.map((row) => ({ ...row, onHand: 3000 })),
    colours: colours.map((one) => (one.id === 'slate' ? { ...one, sizesIn: [5, 11] } : one)),
  }));
  await page.goto('/jobs/unmade/counts');
  await expect(page.getByRole('button', { name: /^Enough ?: out/ })).toBeVisible();
  const alert = page.getByRole('alert').filter({ hasText: 'slate are not made' }).first();
  await expect(alert).toContainText('Double-stuffed');
  for (const one of await page.getByRole('alert').filter({ hasText: 'slate are not made' }).all()) {
    await one.getByRole('button', { name: 'Take this' }).first().click();
  }
  await expect(page.getByRole('button', { name: /^Enough ?: lit/ })).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  const plan = await getPlan(request, 'unmade');
  expect(plan.totals.balloons.some((row) => row.colour === 'slate' && row.nominalIn === 17)).toBe(false);
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Enough ?: out/ })).toBeVisible();
  await changeWorkshop(request, ({ colours }) => ({
    colours: colours.map(({ sizesIn, ...one }) =>
      one.id === 'slate' || !sizesIn ? one : { ...one, sizesIn },
    ),
  }));
});

test('labels as PDF; a sheet brought in is shown first, refused with a fault, taken when sound', async ({
  page,
  request,
}, info) => {
  await ownJob(request, 'labels');
  await page.goto('/jobs/labels/counts?view=lots');
  await expect(page.getByRole('table', { name: 'Lots' })).toContainText('A1');
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ]);
  const bytes = await readFile(await pdf.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(8_000);

  await page.goto('/stock');
  const path = info.outputPath('shelf.csv');
  const { writeFile } = await import('node:fs/promises');
  await writeFile(path, 'size_in,colour,on_hand\n11,brick,77\n11,mauve,3\n');
  await page.getByLabel('Stock file').setInputFiles(path);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('no colour "mauve" in the workshop');
  await expect(dialog.getByRole('button', { name: 'Take it over' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await writeFile(path, 'size_in,colour,on_hand\n11,brick,77\n');
  await page.getByLabel('Stock file').setInputFiles(path);
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByLabel('11 in. Brick on the shelf')).toHaveValue('77');
});

test('a fix offered for a lamp lights it, and undo brings the trouble back', async ({ page, request }) => {
  const job = await ownJob(request, 'mended');
  // A week before all other jobs, so that none of them holds anything of the shelf.
  const earlier = (iso: string) => new Date(Date.parse(iso) - 7 * 86_400_000).toISOString();
  const { doors, access, strike } = job.data;
  await request.put('/api/v1/jobs/mended', {
    data: {
      revision: job.revision,
      data: {
        ...job.data,
        doors: earlier(doors),
        access: { from: earlier(access.from), until: earlier(access.until) },
        strike: { from: earlier(strike.from), until: earlier(strike.until) },
      },
    },
  });
  const { totals } = await getPlan(request, 'mended');
  const wanted = totals.balloons
    .filter((row) => row.nominalIn === 11 && row.colour === 'brick')
    .reduce((sum, row) => sum + row.need + row.spare, 0);
  await changeWorkshop(request, ({ stock }) => ({
    stock: stock.map((row) => ({
      ...row,
      onHand: row.nominalIn === 11 && row.colour === 'brick' ? wanted - 3 : 3000,
    })),
  }));
  await page.goto('/jobs/mended/pieces');
  const enough = page.getByRole('button', { name: /^Enough ?: (out|low)/ });
  await enough.click();
  await page.getByRole('dialog').getByRole('button', { name: 'Apply' }).first().click();
  await expect(page.getByRole('button', { name: /^Enough ?: lit/ })).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(enough).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
});

test('packs are bought for all jobs together; a job that is over is recorded once, and may be taken back', async ({
  page,
  request,
}) => {
  const { revision, data } = await ownJob(request, 'over');
  const before = (iso: string) => new Date(Date.parse(iso) - 400 * 86_400_000).toISOString();
  await request.put('/api/v1/jobs/over', {
    data: {
      revision,
      data: {
        ...data,
        name: 'Last year’s market',
        doors: before(data.doors),
        access: { from: before(data.access.from), until: before(data.access.until) },
        strike: { from: before(data.strike.from), until: before(data.strike.until) },
      },
    },
  });
  await changeWorkshop(request, ({ stock }) => ({ stock: stock.map((row) => ({ ...row, onHand: 5 })) }));
  await page.goto('/stock?view=buy');
  const list = page.getByRole('table', { name: /^To buy from Ferry Lane Supply/ });
  // What is over lacks nothing any more.
  await expect(list.getByRole('row').nth(1)).toBeVisible();
  await expect(page.getByText(/Last year’s market: \d+/)).toHaveCount(0);
  await list.getByRole('button', { name: 'Mark as ordered' }).first().dblclick();
  await expect(page.getByText('On order: 1 product.')).toBeVisible();
  const orders = async () => (await (await request.get('/api/v1/workshop')).json()).data.onOrder?.length ?? 0;
  await expect.poll(orders).toBe(1);

  await page.getByRole('tab', { name: 'Jobs to record' }).click();
  await page.getByRole('button', { name: 'Record Last year’s market' }).click();
  const dialog = page.getByRole('dialog');
  const popped = dialog.getByLabel(/11 in\. Brick, popped/);
  await popped.fill('3');
  await popped.press('Tab');
  await expect(dialog).toContainText('counted in first');
  await dialog.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByText('Recorded for Last year’s market.')).toBeVisible();
  // Pressed twice, ordered once, also when everything has been kept.
  expect(await orders()).toBe(1);
  await page.getByRole('tab', { name: 'Ledger' }).click();
  await expect(page.getByRole('grid', { name: 'Ledger' })).toContainText('popped: Last year’s market');
  await page.getByRole('tab', { name: 'Jobs to record' }).click();
  await page.getByRole('button', { name: 'Take back Last year’s market' }).click();
  await expect(page.getByRole('button', { name: 'Record Last year’s market' })).toBeVisible();
});

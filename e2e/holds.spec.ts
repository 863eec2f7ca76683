import type { JobFile } from '@early-lantern/contract';
import { getJob, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('an outdoor arch goes out on wind, a fix is applied, the lamp is lit, undo brings it back', async ({
  page,
  request,
}) => {
  const text = await (await request.get('/api/v1/jobs/meadow-finish/file')).text();
  // On a Sunday of its own: on the meadow's Saturday both would want the same weights.
  const saturday = (JSON.parse(text) as JobFile).job.doors.slice(0, 10);
  const sunday = new Date(Date.parse(saturday) + 8 * 86_400_000).toISOString().slice(0, 10);
  const file = JSON.parse(text.replaceAll(saturday, sunday)) as JobFile;
  file.job.id = 'windy';
  file.job.name = 'Windy meadow';
  file.job.pieces = file.job.pieces.filter((piece) => piece.kind === 'packed-arch');
  file.job.gustMs = 3;
  const [arch] = file.job.pieces;
  if (!arch) throw new Error('the meadow has no arch');
  // A smaller arch beside the way through needs no lines in a breeze.
  file.job.pieces = [
    { ...arch, at: { xM: 1.7, yM: 0 }, pipe: 'pvc-one', pipeLengthM: 5.8, spanM: 2.6 } as typeof arch,
  ];
  await request.post('/api/v1/job-files', { data: file });

  await page.goto('/jobs/windy/holds');
  await expect(page.getByRole('button', { name: /^Holds ?: lit/ })).toBeVisible();
  const factor = page.getByTestId(`factor-${arch.id}`);
  const before = await factor.textContent();

  // The slider shows another gust at once, without changing the job.
  const slider = page.getByRole('slider', { name: 'At a gust of' });
  await slider.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('PageUp');
  await expect(page.getByTestId('gust')).toContainText('29 mph');
  await expect(factor).not.toHaveText(before ?? '');
  await expect(factor).toContainText('✕');
  await expect(page.getByRole('button', { name: /^Holds ?: lit/ })).toBeVisible();

  // Expected on the day, it puts the lamp out.
  await page.getByRole('button', { name: /^Expect/ }).click();
  const out = page.getByRole('button', { name: /^Holds ?: out/ });
  await expect(out).toBeVisible();
  await out.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('lines');
  await dialog.getByRole('button', { name: 'Apply' }).first().click();
  await expect(page.getByRole('button', { name: /^Holds ?: (lit|low)/ })).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(out).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
});

test('a point is moved by hand and checked; a wrong method is refused with its reason; a caution is read', async ({
  page,
  request,
}) => {
  await ownJob(request, 'fixed');
  await page.goto('/jobs/fixed/holds');
  await page.getByTestId('factor-beam-garland').click();
  // On paper it says whose job it is, where and when.
  // On a dark screen it is printed dark on white, the map and its table on one page of either paper.
  const root = page.locator('html');
  await page.getByRole('button', { name: /dark/i }).click();
  await expect(root).toHaveAttribute('data-theme', 'dark');
  await page.evaluate(() =>
    window.addEventListener('beforeprint', () => {
      const { theme } = document.documentElement.dataset;
      document.body.setAttribute('data-printed', theme ?? '');
    }),
  );
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({ format });
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
  }
  await expect(page.locator('body')).toHaveAttribute('data-printed', 'light');
  await expect(root).toHaveAttribute('data-theme', 'dark');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText(/^Fixing map · .+ · The Old Engine Shed, Lock Street · /)).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  const second = page.getByRole('button', { name: /^Point 2:/ });
  await second.focus();
  await page.keyboard.press('ArrowRight');
  await expect(second).toHaveAttribute('aria-label', /placed by hand/);
  const placed = async () => (await getJob(request, 'fixed')).pieces[0]?.data.hold?.points ?? [];
  await expect.poll(async () => (await placed()).length).toBe(1);
  const first = (await placed())[0]?.at ?? 0;
  await page.keyboard.press('ArrowRight');
  const from = first + 0.01;
  await expect.poll(async () => (await placed())[0]?.at).toBeCloseTo(from, 3);
  // Nine presses, however fast, are nine steps of a hundredth of the line.
  await Promise.all(Array.from({ length: 9 }, () => page.keyboard.press('ArrowRight')));
  await expect.poll(async () => (await placed())[0]?.at).toBeCloseTo(from + 0.09, 3);
  for (let press = 0; press < 9; press++) await page.keyboard.press('ArrowLeft');
  await expect.poll(async () => (await placed())[0]?.at).toBeCloseTo(from, 3);

  // Dragged with the mouse, another one follows along the line.
  const fourth = page.getByRole('button', { name: /^Point 4:/ });
  const box = await fourth.boundingBox();
  if (!box) throw new Error('point 4 is not drawn');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 25, box.y + box.height / 2 - 18, { steps: 5 });
  await page.mouse.up();
  await expect
    .poll(async () => (await getJob(request, 'fixed')).pieces[0]?.data.hold?.points?.length)
    .toBe(2);

  // Hooks on brick do not take.
  await page
    .getByLabel(/^At \d+ % of the line/)
    .first()
    .click();
  await page.getByRole('option', { name: 'removable adhesive hook' }).click();
  await expect(page.getByRole('note').first()).toContainText('adhesive does not take on brick');
  await expect(page.getByRole('button', { name: /^Holds ?: out/ })).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Holds ?: (lit|low)/ })).toBeVisible();

  await page.getByRole('tab', { name: 'Cautions' }).click();
  await page.getByRole('combobox', { name: 'Read by' }).first().click();
  await page.getByRole('option', { name: 'Wren Haddock' }).click();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  await page.getByRole('link', { name: 'Run sheet' }).click();
  await expect(page.getByText('Read by: Wren')).toBeVisible();
});

test('a table kit outdoors is tied down, and a sign on a stand is placed along it', async ({
  page,
  request,
}) => {
  const meadow = (await (await request.get('/api/v1/jobs/meadow-finish/file')).json()) as JobFile;
  const spotId = meadow.site.spots[0]?.id ?? '';
  const sizes = [{ nominalIn: 11, sharePct: 100, inflatedIn: { min: 6, max: 10 } }];
  meadow.job.id = 'on-the-table';
  meadow.job.name = 'On the table';
  meadow.job.pieces = [
    {
      kind: 'table-arch',
      id: 'table',
      name: 'Sign-in table',
      spotId,
      grade: 'professional',
      at: { xM: 2, yM: 0.76 },
      poleLengthM: 3.658,
      spanM: 1.524,
      tableThicknessM: 0.03,
      layerSize: 4,
      balloon: { nominalIn: 12, inflatedIn: 9 },
      pressFactor: 0.97,
      pattern: { kind: 'spiral', colours: ['lagoon', 'chalk'], turn: 'right', blockLayers: 3 },
    },
    {
      kind: 'standing-garland',
      id: 'stand',
      name: 'Stand',
      spotId,
      grade: 'professional',
      at: { xM: 4.572, yM: 0 },
      poleM: 2.134,
      gapM: 0.1,
      curve: { lengthM: 0.8, side: 'right' },
      widthM: 0.5,
      taper: 0.6,
      mix: {
        clusterSize: 'auto',
        strung: 'tight',
        sizePolicy: 'as-set',
        sizes,
        colours: [{ colour: 'lagoon', sharePct: 100 }],
        colourPlan: 'blocks',
        fillers: { nominalIn: 5, inflatedIn: { min: 3, max: 4.5 }, triosPerM: 6.56 },
        seed: 1,
      },
    },
  ];
  const reply = await request.post('/api/v1/job-files', { data: meadow });
  expect(reply.ok(), await reply.text()).toBe(true);

  await page.goto('/jobs/on-the-table/holds');
  await page.getByTestId('factor-table').click();
  await expect(page.getByText(/2 ends with/)).toBeVisible();
  const lines = page.getByLabel('Tie lines');
  await lines.click();
  await page.getByRole('option').last().click();
  await expect
    .poll(async () => (await getJob(request, 'on-the-table')).pieces[0]?.data.hold?.tieLines)
    .toBeGreaterThan(1);

  await page.getByTestId('factor-stand').click();
  await page.getByLabel('Attach something').click();
  await page.getByRole('option').first().click();
  await page.getByLabel('% along').fill('90');
  await page.getByLabel('% along').press('Enter');
  await expect
    .poll(async () => (await getJob(request, 'on-the-table')).pieces[1]?.data.attachments?.[0]?.at)
    .toBe(0.9);
});

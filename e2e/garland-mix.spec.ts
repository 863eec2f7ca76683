import type { OrganicGarland } from '@early-lantern/contract';
import { getJob, getPlan } from './support/api.ts';
import { addPiece, jobAtNewPlace } from './support/new-place.ts';
import { expect, test } from './support/test.ts';

test('a home base of trios of a size of our own: shares typed, a colour replaced, thin, hung free, from nothing', async ({
  page,
  request,
}) => {
  const jobId = await jobAtNewPlace(page, {
    week: 5,
    job: 'Porch breakfast',
    place: 'The porch',
    where: 'Indoors',
    kind: 'wall',
    width: "14'",
    height: "9'",
    floor: 'carpet',
    access: 'Side door, the keeper opens',
  });
  await addPiece(page, /^Organic garland/);
  const piece = async () => (await getJob(request, jobId)).pieces[0]?.data as OrganicGarland;
  const saved = () => expect(page.locator('[data-save]')).toHaveText('Saved');
  const pick = async (label: string, option: string | RegExp) => {
    await page.getByRole('combobox', { name: label, exact: true }).click();
    await page.getByRole('option', { name: option }).click();
  };

  // Typed right after a colour was replaced: neither edit undoes the other.
  await saved();
  const before = await piece();
  // Pressed slowly, the menu opens over its field: letting go there chooses nothing.
  const first = page.getByRole('combobox', { name: 'Colour 1', exact: true });
  const said = await first.innerText();
  await first.hover();
  await page.mouse.down();
  await page.waitForTimeout(500);
  await page.mouse.up();
  await expect(page.getByRole('option', { name: 'Fern' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(first).toHaveText(said);
  await pick('Colour 1', 'Fern');
  await page.getByLabel('Fern, per cent').fill('50');
  await page.getByLabel('Fern, per cent').press('Enter');
  await saved();
  const { colours } = await piece();
  expect(colours[0]).toMatchObject({ colour: 'fern', sharePct: 50 });
  expect(colours).toHaveLength(before.colours.length);
  expect(colours.reduce((sum, { sharePct }) => sum + sharePct, 0)).toBe(100);

  // Twelves only, in trios, as thin as it goes: three a foot and about as wide as that comes out.
  await pick('Add a size', /^12 in/);
  await page.getByRole('button', { name: 'Leave 17 in. out' }).click();
  await page.getByRole('button', { name: 'Leave 11 in. out' }).click();
  await pick('Cluster of', /^3$/);
  await pick('Fullness', /^thin/);
  await pick('Hangs', /^free/);
  for (const [label, text] of [
    ['Length', '10 ft'],
    ['Width', '15'],
    ['Tip', '15'],
    ['12 in. blown to at least', '9'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  await expect
    .poll(async () => (await piece()).sizes)
    .toEqual([{ nominalIn: 12, sharePct: 100, inflatedIn: { min: 9, max: 11 } }]);
  expect(await piece()).toMatchObject({
    clusterSize: 3,
    fullness: 'thin',
    backing: 'free',
    taper: 1,
    widthM: 0.381,
  });
  await saved();
  const plan = await getPlan(request, jobId);
  const base = plan.pieces[0]?.assemblies.filter(({ part }) => part === 'base') ?? [];
  // Common practice, no source: three 12 in. a foot. On 10 ft, ten trios, within one.
  expect(base.map(({ size }) => size)).toEqual([3]);
  expect(Math.abs((base[0]?.count ?? 0) - 10)).toBeLessThanOrEqual(1);
  expect(plan.pieces[0]?.lots.some(({ nominalIn }) => nominalIn === 12)).toBe(true);

  // As rich as it gets, what suits the width, and every size is still there to choose.
  await pick('Fullness', /^rich/);
  await pick('Cluster of', 'what suits the width');
  await saved();
  await expect
    .poll(async () => (await getPlan(request, jobId)).pieces[0]?.balloons[0]?.need ?? 0)
    .toBeGreaterThan(plan.pieces[0]?.balloons[0]?.need ?? 0);
  await page.getByRole('combobox', { name: 'Add a size' }).click();
  for (const size of [9, 10, 11, 16, 17, 18, 19])
    await expect(page.getByRole('option', { name: new RegExp(`^${size} in`) })).toBeVisible();
  await page.keyboard.press('Escape');

  // From the lamp to what is still to ask at the place, and back to the piece.
  await page.getByRole('button', { name: /^Holds/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('link', { name: /to fix to/ })
    .click();
  await page.getByRole('link', { name: 'Back to Porch breakfast' }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${jobId}/pieces`));
});

test('a size that only this workshop uses is added, chosen, and can be deleted again', async ({
  page,
  request,
}) => {
  await page.goto('/workshop/catalogue');
  const sizes = page.getByRole('region', { name: 'Sizes' });
  const field = sizes.getByLabel('Add a size, in.');
  await field.fill('11');
  await field.press('Enter');
  await expect(sizes.getByText('It is there already')).toBeVisible();
  await field.fill('14');
  await field.press('Enter');
  await expect(sizes.getByLabel('14 in., blown to')).toHaveValue(/^12\.6/);
  const own = async () => (await (await request.get('/api/v1/workshop')).json()).data.sizes ?? [];
  await expect
    .poll(async () => (await own()).map((size: { nominalIn: number }) => size.nominalIn))
    .toContain(14);
  await sizes
    .getByRole('row', { name: /^14 in/ })
    .getByRole('button', { name: 'Delete' })
    .click();
  await expect
    .poll(async () => (await own()).map((size: { nominalIn: number }) => size.nominalIn))
    .not.toContain(14);
});

test('clusters by colour, colours by size, fillers in two sizes, rings one by one, a chain with a foot: from nothing', async ({
  page,
  request,
}) => {
  const jobId = await jobAtNewPlace(page, {
    week: 6,
    job: 'Lockkeeper’s birthday',
    place: 'The lock house',
    where: 'Indoors',
    kind: 'wall',
    width: "20'",
    height: "10'",
    floor: 'carpet',
    access: 'Front door, the keeper opens',
  });
  const saved = () => expect(page.locator('[data-save]')).toHaveText('Saved');
  const pick = async (label: string, option: string | RegExp) => {
    await page.getByRole('combobox', { name: label, exact: true }).click();
    await page.getByRole('option', { name: option }).click();
  };
  const type = async (label: string, text: string) => {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).press('Enter');
  };

  // Six pairs of one colour, two of the next, over and over.
  await addPiece(page, /^Organic garland/);
  await page.getByRole('button', { name: 'Set clusters colour by colour' }).click();
  for (const [label, text] of [
    ['Stretch 1, clusters', '6'],
    ['Stretch 1, balloons in a cluster', '2'],
    ['Stretch 2, clusters', '2'],
    ['Stretch 2, balloons in a cluster', '2'],
  ] as const)
    await type(label, text);
  for (let n = await page.getByRole('button', { name: /^Remove stretch/ }).count(); n > 2; n--) {
    const last = page.getByRole('button', { name: `Remove stretch ${n}` });
    await last.click();
    await expect(last).toHaveCount(0);
  }
  // Fillers: quads of the small size, duplets of 9 in. in the large gaps.
  await pick('Tied as', 'quads');
  await page.getByRole('button', { name: 'Add larger fillers for large gaps' }).click();
  await page.getByRole('combobox', { name: 'Tied as' }).nth(1).click();
  await page.getByRole('option', { name: 'duplets' }).click();
  // The first colour only in two of the sizes.
  await page.getByRole('button', { name: 'Set sizes colour by colour' }).click();
  await page
    .getByRole('button', { name: /^Sizes of/ })
    .first()
    .click();
  await page.getByRole('switch', { name: 'in every size alike' }).click();
  await page.getByRole('switch', { name: '9 in.', exact: true }).click();
  await page.keyboard.press('Escape');
  await saved();
  const garland = (await getPlan(request, jobId)).pieces[0];
  const assemblies = new Map(garland?.assemblies.map(({ name, count }) => [name, count]));
  expect([...assemblies.keys()].sort()).toEqual([
    'duplets',
    'filler duplets of 9 in.',
    'filler quads of 5 in.',
  ]);
  const first = (await getJob(request, jobId)).pieces[0]?.data as OrganicGarland;
  const [colour] = first.colours;
  expect(garland?.balloons.some((row) => row.nominalIn === 9 && row.colour === colour?.colour)).toBe(false);
  await expect(page.getByTestId('piece-counts')).toContainText('filler quads of 5 in.');

  // A tower whose rings are set one by one.
  await addPiece(page, /^Tower/);
  await page.getByRole('switch', { name: 'Layer by layer' }).click();
  await type('Layer 1, blown to', '10.5');
  await type('Layer 1, balloons', '6');
  await page.getByRole('button', { name: 'Layer on top' }).click();
  await saved();
  const hasRingOfSix = async () =>
    (await getPlan(request, jobId)).pieces[1]?.assemblies.some(
      ({ size, count }) => size === 6 && count === 1,
    );
  await expect.poll(hasRingOfSix).toBe(true);

  // A chain down to a foot of two rings.
  await addPiece(page, /^Chain/);
  await type('Small weighted bases', '1');
  await page.getByRole('switch', { name: 'Two rings over each base' }).click();
  await saved();
  await expect(page.getByTestId('piece-counts')).toContainText('2 five-clusters');

  // What the lists say is what the pieces are made of.
  await page
    .getByRole('tab', { name: 'Counts' })
    .or(page.getByRole('link', { name: 'Counts' }))
    .first()
    .click();
  await expect(page.getByTestId('total-balloons')).toBeVisible();
  const { pieces, totals } = await getPlan(request, jobId);
  const sum = (rows: readonly { need: number }[]) => rows.reduce((all, { need }) => all + need, 0);
  expect(sum(totals.balloons)).toBe(sum(pieces.flatMap(({ balloons }) => balloons)));
  await expect(page.getByTestId('total-balloons')).toContainText(String(sum(totals.balloons)));

  // Another colour for one product: shown in the list, and taken back after a reload.
  await page
    .getByRole('button', { name: /^Change 11 in\./ })
    .first()
    .click();
  await page.getByRole('menuitem', { name: 'Fern' }).last().click();
  const swaps = page.getByRole('region', { name: 'Used in place of another' });
  await expect(swaps).toContainText('Fern');
  await saved();
  await page.reload();
  await expect(swaps).toContainText('Fern');
  // Piece by piece: each of those that had it is asked for itself.
  const taken = swaps.getByRole('button', { name: /: take 11 in\./ });
  for (let left = await taken.count(); left > 0; left--) {
    await taken.first().click();
    await expect(taken).toHaveCount(left - 1);
  }
  await expect(swaps).toHaveCount(0);
});

test('kept balloons, a scarce colour one by one, a frame whose corners must fit, letters without balloons: from nothing', async ({
  page,
  request,
}) => {
  const jobId = await jobAtNewPlace(page, {
    week: 7,
    job: 'Ferry house reopening',
    place: 'The ferry house',
    where: 'Indoors',
    kind: 'wall',
    width: "24'",
    height: "10'",
    floor: 'carpet',
    access: 'Back door, the keeper opens',
  });
  const saved = () => expect(page.locator('[data-save]')).toHaveText('Saved');
  const pick = async (label: string, option: string | RegExp) => {
    await page.getByRole('combobox', { name: label, exact: true }).click();
    await page.getByRole('option', { name: option }).first().click();
  };
  const type = async (label: string, text: string) => {
    await page.getByLabel(label, { exact: true }).first().fill(text);
    await page.getByLabel(label, { exact: true }).first().press('Enter');
  };
  const plan = () => getPlan(request, jobId);

  // Ten of a size and colour hang already somewhere: they are counted in, neither blown nor bought.
  await addPiece(page, /^Organic garland/);
  await saved();
  const before = (await plan()).pieces[0];
  const lot = before?.lots[0];
  await pick('Add kept balloons', new RegExp(`^${lot?.nominalIn} in`));
  await page.getByLabel(/, kept$/).fill('4');
  await page.getByLabel(/, kept$/).press('Enter');
  await saved();
  await expect.poll(async () => (await plan()).pieces[0]?.lots[0]?.kept).toBe(4);
  const after = (await plan()).pieces[0];
  expect([after?.lots[0]?.count, after?.lots[0]?.blown]).toEqual([lot?.count, (lot?.count ?? 0) - 4]);
  // Of a colour there is little: one by one to the front, as the card tells the crew.
  const garland = async () => (await getJob(request, jobId)).pieces[0]?.data as OrganicGarland;
  const { colours } = await garland();
  const scarce = page.getByRole('textbox', { name: /, per cent$/ }).first();
  await scarce.fill('8');
  await scarce.press('Enter');
  await page.getByRole('switch', { name: /one by one, facing front$/ }).click();
  await saved();
  await expect
    .poll(async () => (await garland()).colours[0])
    .toMatchObject({ colour: colours[0]?.colour, sharePct: 8, singly: true });
  await page.getByRole('button', { name: 'Assembly card' }).click();
  await expect(page.getByRole('dialog')).toContainText(/in all, one to .+ cluster, turned to the front/);
  await expect(page.getByRole('dialog')).toContainText(/Kept balloons first: .+ in all/);
  await page.keyboard.press('Escape');

  // Uprights too thick for the tees do not hold; wider bars take them.
  await addPiece(page, /^Photo frame/);
  await type('Uprights, inches thick', '1.05');
  await expect(page.getByText(/does not go into a ½ in\. PVC pipe tee/).first()).toBeVisible();
  await pick('Bars of', '¾ in. PVC pipe');
  await expect(page.getByText(/does not go into/)).toHaveCount(0);
  await saved();
  expect((await plan()).joints.flatMap(({ fits }) => fits.map(({ verdict }) => verdict))).toEqual(
    Array(4).fill('slides'),
  );

  // Letters on thread, nothing blown for them: they are threaded at the bench.
  await page.getByRole('button', { name: 'Add a piece' }).first().click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Letter banner/ })
    .click();
  await type('Balloons a motif', '0');
  await saved();
  await expect.poll(async () => (await plan()).pieces[2]?.balloons).toEqual([]);
  expect((await plan()).tasks.some(({ label }) => /Thread \d+ letters/.test(label))).toBe(true);

  // How long the garland could be is asked for, and told.
  await page.getByRole('link', { name: 'Counts' }).click();
  await expect(page.getByTestId('total-balloons')).toContainText(/\d of them kept/);
  await page.getByRole('button', { name: 'How long could it be?' }).click();
  await expect(page.getByText(/^What is there gives/)).toBeVisible();
});

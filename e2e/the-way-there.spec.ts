import { getJob, getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('drives at their hours, a stop and a second load are said on the Brief; the clock counts them, undo takes them back', async ({
  page,
  request,
}) => {
  await ownJob(request, 'the-way');
  const head = async () => (await getJob(request, 'the-way')).data;
  await page.goto('/jobs/the-way/brief');
  const way = page.getByRole('region', { name: 'The way there' });
  await way.getByLabel('Out, min').fill('500000');
  await way.getByLabel('Out, min').press('Enter');
  await expect(way).toContainText('A whole number from 0 to 720');
  await way.getByLabel('Out, min').press('Escape');
  await way.getByRole('button', { name: 'Get drive times' }).click();
  await expect.poll(async () => Object.keys((await head()).drives ?? {}).length).toBe(4);
  const { drives } = await head();
  await way.getByRole('button', { name: 'Add a stop' }).click();
  await way.getByLabel('Where, for what').fill('Florist');
  await way.getByLabel('Where, for what').press('Enter');
  await expect.poll(async () => (await head()).stops?.[0]?.label).toBe('Florist');
  await way.getByLabel('The van comes back for').click();
  await page.getByRole('option', { name: 'Podium edge' }).click();
  await page.keyboard.press('Escape');
  await expect.poll(async () => (await head()).secondLoad).toEqual(['podium-garland']);

  await page.getByRole('link', { name: 'Clock', exact: true }).click();
  await expect(page.getByRole('button', { name: /by way of Florist$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Back to the workshop for the second load$/ })).toBeVisible();
  const { tasks } = await getPlan(request, 'the-way');
  const out = tasks.find(({ id }) => id === 'drive-out');
  // The stop adds 5 min of road and takes 10.
  expect((Date.parse(out?.end ?? '') - Date.parse(out?.start ?? '')) / 60_000).toBe((drives?.out ?? 0) + 15);

  await page.getByRole('link', { name: 'Brief', exact: true }).click();
  await page.getByRole('main').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await head()).secondLoad).toBeUndefined();
  await way.getByRole('button', { name: 'Delete the stop Florist' }).click();
  await expect.poll(async () => (await head()).stops).toBeUndefined();

  // Somebody of the crew brings the others and drives off: nobody who has left works there until they are fetched.
  await way.getByRole('combobox', { name: 'To set up' }).click();
  await page.getByRole('option', { name: 'Ilo Marsh drives off and comes back for them' }).click();
  await expect.poll(async () => (await head()).dropOffs).toEqual([{ trip: 'set-up', driver: 'ilo' }]);
  const dropped = (await getPlan(request, 'the-way')).tasks.filter(({ trip }) => trip === 'set-up');
  const driven = dropped.filter(({ place }) => place === 'road');
  expect(driven.map(({ id }) => id)).toEqual(['drive-out', 'drive-off', 'drive-fetch', 'drive-home']);
  const [, off, fetched] = driven;
  expect([off?.crew, fetched?.crew]).toEqual([['ilo'], ['ilo']]);
  const between = dropped.filter(
    ({ start, place }) => place === 'site' && start >= (off?.start ?? '') && start < (fetched?.end ?? ''),
  );
  expect(between.flatMap(({ crew }) => crew)).not.toContain('ilo');
  await page.getByRole('link', { name: 'Clock', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Drive back; .* at / })).toBeVisible();
});

test('a task is put after another, all up to one is locked, and the sheet of one person shows what is theirs', async ({
  page,
  request,
}) => {
  await ownJob(request, 'in-order');
  await page.goto('/jobs/in-order/clock');
  await page
    .getByRole('button', { name: /Garland to the beam: hang the base/ })
    .first()
    .click();
  const task = page.getByRole('region', { name: 'The chosen task' });
  // What waits for it cannot come first: that is refused, with the reason.
  await task.getByRole('button', { name: 'First do …' }).click();
  await page.getByRole('menuitem', { name: 'Garland to the beam: join' }).click();
  await expect(task.getByRole('alert').filter({ hasText: 'Not possible' })).toContainText('waits for');
  await task.getByRole('button', { name: 'First do …' }).click();
  await page.getByRole('menuitem', { name: 'Podium edge: hang the base' }).click();
  /** What was chosen by hand: the plan that was on screen is no choice. */
  const clock = async () => {
    const { shown: _, ...choices } = (await getJob(request, 'in-order')).data.clock ?? {};
    return choices;
  };
  await expect.poll(async () => (await clock()).orders?.length).toBe(1);
  const order = (await clock()).orders?.[0];
  const { tasks } = await getPlan(request, 'in-order');
  expect(tasks.find(({ id }) => id === order?.next)?.after).toContain(order?.first);
  await task.getByRole('button', { name: 'Remove pin' }).click();
  await expect.poll(clock).toEqual({});

  // A step that nothing stands or falls by is left out, and put back.
  await page
    .getByRole('button', { name: /Garland to the beam: close gaps/ })
    .first()
    .click();
  await task.getByRole('button', { name: 'Leave this step out' }).click();
  await expect.poll(async () => (await clock()).leftOut).toEqual(['beam-garland--fill']);
  await expect(page.getByRole('button', { name: /Garland to the beam: close gaps/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put back: Garland to the beam, fillers' }).click();
  await expect.poll(clock).toEqual({});

  const shown = (await getPlan(request, 'in-order')).tasks;
  await page.getByRole('button', { name: /Load the vehicle$/ }).click();
  await task.getByRole('button', { name: 'Lock all up to here' }).click();
  const load = shown.find(({ id }) => id === 'load-vehicle');
  const upTo = shown.filter(({ start }) => Date.parse(start) <= Date.parse(load?.start ?? ''));
  await expect.poll(async () => (await clock()).pins?.length).toBe(upTo.length);
  const locked = (await getPlan(request, 'in-order')).tasks;
  for (const { id, start } of upTo) expect(locked.find((one) => one.id === id)?.start).toBe(start);

  await page.getByRole('link', { name: 'Run sheet' }).click();
  const rows = page.locator('article tbody tr:has(.sheet-tick)');
  await expect(rows).toHaveCount(locked.length);
  await page.getByLabel('For', { exact: true }).click();
  await page.getByRole('option', { name: /^Wren/ }).click();
  await expect(rows).toHaveCount(locked.filter(({ crew }) => crew.includes('wren')).length);
  await expect(page.getByRole('columnheader', { name: 'With' }).first()).toBeVisible();
});

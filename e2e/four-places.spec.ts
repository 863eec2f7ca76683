import { getJob, getPlan } from './support/api.ts';
import {
  addPiece,
  jobAtNewPlace,
  openPlace,
  planWhere,
  sheetText,
  typeLengths,
  typeTime,
} from './support/new-place.ts';
import { expect, test } from './support/test.ts';

/** Four places that are no wall, each from nothing, and what the helper is given at six in the morning. */

test('a library stair: reach is from the treads, and the sheet names the ladder that is left', async ({
  page,
  request,
}) => {
  const id = await jobAtNewPlace(page, {
    week: 1,
    job: 'Library lantern walk',
    place: 'Lock Street library',
    where: 'Indoors',
    kind: 'stair',
    width: "20'",
    height: "16'",
    floor: 'carpet',
    access: 'Lock Street 3, the porter opens',
  });
  await addPiece(page, /^Organic garland/);
  const ladders = (points: { ladder?: unknown }[] | undefined) =>
    (points ?? []).filter(({ ladder }) => ladder).length;
  const before = await planWhere(request, id, ({ holds }) => (holds.pieces[0]?.points.length ?? 0) > 0);
  expect(ladders(before.holds.pieces[0]?.points)).toBeGreaterThan(0);

  await openPlace(page, request, id);
  await page.getByRole('combobox', { name: 'Goes up to the' }).click();
  await page.getByRole('option', { name: 'right', exact: true }).click();
  await typeLengths(page, { 'Rises by': "9'" });
  const after = await planWhere(
    request,
    id,
    ({ holds }) => ladders(holds.pieces[0]?.points) < ladders(before.holds.pieces[0]?.points),
  );
  expect(after.lamps.holds.state).toBe('lit');
  const sheet = await sheetText(page, id);
  expect(sheet).toContain('Lock Street 3, the porter opens');
  for (const { gear } of after.tasks)
    if (gear.some((one) => one.startsWith('step'))) expect(sheet).toMatch(/Step ladder/);
  // Not asked is not printed.
  expect(sheet).not.toMatch(/undefined|null|Parking|Contact/);
});

test('a sports hall with an hour’s access: no plan says why, and two ways out leave a plan within the hour', async ({
  page,
  request,
}) => {
  const id = await jobAtNewPlace(page, {
    week: 2,
    job: 'Cup supper',
    place: 'Weir sports hall',
    where: 'Indoors',
    kind: 'wall',
    width: "30'",
    height: "12'",
    floor: 'polished',
    access: 'Hall Lane 2, the caretaker opens on the hour',
  });
  await addPiece(page, /^Organic garland/);
  await page.getByRole('link', { name: 'Brief' }).click();
  const from = page.getByRole('group', { name: 'Access from', exact: true });
  await from.getByRole('spinbutton', { name: 'Hours' }).click();
  await page.keyboard.type('17');
  await page.keyboard.press('Enter');
  const lamp = page.getByRole('button', { name: /^On time/ });
  await expect(lamp).toContainText('no plan');
  await lamp.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('hooks take hold, nothing on them yet, 1 h');
  await expect(dialog).toContainText('Ask the house for access from');
  await dialog
    .getByRole('listitem')
    .filter({ hasText: 'set up a curtain stand' })
    .getByRole('button', { name: 'Apply' })
    .click();
  await expect(lamp).toContainText('late');

  // One more pair of hands, and of what else is offered whatever is ours to decide, until it is done in time.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Wren / }).click();
  const ours = dialog.getByRole('listitem').filter({ hasText: /^(Leave out|Halve)/ });
  for (let round = 0; round < 5; round++) {
    await expect(page.locator('[data-save]')).toHaveText('Saved');
    if (((await getPlan(request, id)).onTime.minutesInHand ?? -1) >= 0) break;
    await lamp.click();
    await ours.first().getByRole('button', { name: 'Apply' }).click();
    await page.keyboard.press('Escape');
  }
  const plan = await planWhere(request, id, ({ onTime }) => (onTime.minutesInHand ?? -1) >= 0);
  const onSite = plan.tasks.filter(({ place, trip }) => place === 'site' && trip !== 'strike');
  const { access } = (await getJob(request, id)).data;
  for (const { start, end } of onSite) {
    expect(Date.parse(start)).toBeGreaterThanOrEqual(Date.parse(access.from));
    expect(Date.parse(end)).toBeLessThanOrEqual(Date.parse(access.until));
  }
  const sheet = await sheetText(page, id);
  expect(sheet).toContain('17:00');
  expect(sheet).toContain('18:00');
  expect(sheet).toContain('Hall Lane 2');
});

test('a market fence: the pavement drawn stays clear, the kerb closes, the wind is on the sheet', async ({
  page,
  request,
}) => {
  const id = await jobAtNewPlace(page, {
    week: 3,
    job: 'Market opening',
    place: 'Weir Lane market',
    where: 'Outdoors',
    kind: 'fence or shed',
    width: "24'",
    height: "7'",
    floor: 'paving',
    access: 'Weir Lane, north gate, open from six',
  });
  await addPiece(page, /^Packed column/);
  await openPlace(page, request, id);
  await page.getByRole('button', { name: 'From above' }).click();
  await page.getByRole('button', { name: 'Something to keep clear' }).click();
  await page.getByRole('combobox', { name: 'What', exact: true }).click();
  await page.getByRole('option', { name: 'walkway' }).click();
  await typeLengths(page, { Across: '0', Width: "24'", 'From the fence': "3'", 'Reaches out by': "5'" });
  const way = page.getByRole('region', { name: 'The way in' });
  await way.getByRole('textbox', { name: 'Parking', exact: true }).fill('Bay outside the gate');
  await way.getByRole('textbox', { name: 'Parking', exact: true }).press('Enter');
  await way.getByLabel('From', { exact: true }).fill('06:00');
  await way.getByLabel('To', { exact: true }).fill('08:00');
  await way.getByRole('button', { name: 'These hours' }).click();

  // The house is open in the afternoon: the kerb is shut then, and that is what is said.
  const told = await planWhere(request, id, ({ lamps }) => lamps.onTime.figure === 'no plan');
  await page.goto(`/jobs/${id}/pieces`);
  await expect(page.getByRole('button', { name: /^On time/ })).toContainText('no plan');
  expect(told.lamps.onTime.reason).toContain('only from 06:00 to 08:00');
  await openPlace(page, request, id);
  await way.getByLabel('From', { exact: true }).fill('13:00');
  await way.getByLabel('To', { exact: true }).fill('23:59');
  await way.getByRole('button', { name: 'These hours' }).click();
  await planWhere(request, id, ({ onTime }) => onTime.minutesInHand !== null);

  // Set down in the way it is told by how much is drawn, from above it is moved back by keys.
  await page.goto(`/jobs/${id}/pieces`);
  await typeLengths(page, { 'from fence': '1.5' });
  const holds = page.getByRole('button', { name: /^Holds/ });
  await expect(holds).toContainText('needs a change');
  expect(
    (await planWhere(request, id, ({ lamps }) => lamps.holds.state === 'out')).lamps.holds.reason,
  ).toContain('5 ft wide as drawn');
  await page.getByRole('button', { name: 'From above' }).click();
  const column = page.getByRole('button', { name: /^Packed column: .* from the fence/ });
  await column.focus();
  for (let press = 0; press < 3; press++) await page.keyboard.press('Shift+ArrowUp');
  await expect(column).toHaveAttribute('aria-label', / 0 in from the fence/);
  await expect(holds).not.toContainText('needs a change');

  // A second one put in front of it by a copy is beyond the pavement or told to be in it.
  await page.getByRole('button', { name: 'Copy Packed column' }).click();
  await expect(page.getByRole('button', { name: /^Packed column, another: / })).toBeVisible();
  await page.keyboard.press('Control+z');
  const sheet = await sheetText(page, id);
  expect(sheet).toContain('Bay outside the gate');
  expect(sheet).toContain('Van at the set-down from 13:00 to 23:59');
  expect(sheet).toMatch(/Wind/);
  expect(sheet).toMatch(/take down at \d+ mph/);
});

test('a hotel ceiling at night: whose hours end is said and longer ones taken, a lift is hired, both ends are printed', async ({
  page,
  request,
}) => {
  const id = await jobAtNewPlace(page, {
    week: 4,
    job: 'Dawn ball',
    place: 'Ferry inn great hall',
    where: 'Indoors',
    kind: 'ceiling',
    width: "24'",
    height: "14'",
    floor: 'polished',
    access: 'Quay 1, the night porter',
  });
  await addPiece(page, /^Organic garland/);
  await openPlace(page, request, id);
  await page.getByLabel('Lift', { exact: true }).click();
  const floors = page.getByLabel('Floors by lift');
  await floors.fill('2');
  await floors.press('Enter');
  const rules = page.getByRole('region', { name: 'House rules' });
  await rules.getByLabel('From', { exact: true }).fill('23:00');
  await rules.getByLabel('To', { exact: true }).fill('06:00');
  await rules.getByRole('button', { name: 'These hours' }).click();
  await rules.getByRole('combobox', { name: 'Too loud then' }).click();
  await page.getByRole('option', { name: 'drilling or hammering' }).click();
  await page.keyboard.press('Escape');

  await page.goto(`/jobs/${id}/brief`);
  await expect(page.getByRole('heading', { name: 'The times' })).toBeVisible();
  const doors = (await planWhere(request, id, ({ tasks }) => tasks.length > 0)).onTime.doors;
  const next = new Date(Date.parse(doors) + 24 * 3_600_000);
  const day = (at: Date) =>
    `${String(at.getUTCDate()).padStart(2, '0')}${at.toLocaleString('en-GB', { month: 'short', timeZone: 'UTC' })}${at.getUTCFullYear()}`;
  await typeTime(page, 'Doors', `${day(next)}0700`);
  await page.getByRole('button', { name: 'Move them along' }).click();
  await typeTime(page, 'Access from', `${day(new Date(doors))}2200`);
  await typeTime(page, 'Access until', `${day(next)}0600`);
  const onTime = page.getByRole('button', { name: /^On time/ });
  await expect(onTime).toContainText('late');
  await onTime.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('do not work between');
  await dialog
    .getByRole('listitem')
    .filter({ hasText: 'Longer hours for the crew on this job' })
    .getByRole('button', { name: 'Apply' })
    .click();
  await page.keyboard.press('Escape');
  await expect(onTime).not.toContainText('late');

  const holds = page.getByRole('button', { name: /^Holds/ });
  await holds.click();
  await expect(dialog).toContainText('no ladder of the workshop reaches it');
  await dialog
    .getByRole('listitem')
    .filter({ hasText: /^Hire/ })
    .first()
    .getByRole('button', { name: 'Apply' })
    .click();
  await page.keyboard.press('Escape');
  const plan = await planWhere(request, id, ({ lamps }) => lamps.holds.state !== 'out');
  const hang = plan.tasks.find(({ step }) => step === 'hang');
  expect(hang?.gear.length).toBeGreaterThan(0);
  const sheet = await sheetText(page, id);
  expect(sheet).toMatch(/22:00/);
  expect(sheet).toMatch(/06:00/);
  expect(sheet).toContain('Quiet from 23:00 to 06:00: no inflators, no drilling or hammering');
  expect(sheet).toMatch(/tower|lift/i);
  expect(sheet).toContain('the night porter');
});

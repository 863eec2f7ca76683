import type { PhotoRow } from '@early-lantern/contract';
import { chromium as chromiumType, expect, type Page, test } from '@playwright/test';
import { chromium } from './support/browser.ts';
import { cameraSees, seeing } from './support/fake-camera.ts';
import { expectNoFaults } from './support/faults.ts';
import { drawName, logOf, more, openAs, phone, takeIn } from './support/on-site.ts';
import { type Stack, startStack } from './support/stack.ts';

let stack: Stack;
test.beforeAll(async () => {
  stack = await startStack();
  for (const id of ['looked-at', 'strike', 'things']) await takeIn(stack, '01-meadow-finish', id);
});
test.afterAll(() => stack.stop());

test('a fault seen from afar is mended; gear comes home with one thing missing, and two who disagree are asked', async ({
  browser,
}) => {
  const [wrens, ilos] = [await phone(browser, stack), await phone(browser, stack)];
  const wren = await wrens.newPage();
  const ilo = await ilos.newPage();
  await openAs(wren, 'strike', 'Wren Haddock');
  await openAs(ilo, 'strike', 'Ilo Marsh');
  await more(wren, 'Look over the pieces');
  const garland = wren.getByRole('region', { name: 'Rope line garland' });
  await garland.getByRole('button', { name: 'To mend', exact: true }).first().tap();
  await more(ilo, 'Look over the pieces');
  const seen = ilo.getByRole('region', { name: 'Rope line garland' });
  await seen.getByRole('button', { name: 'Mended' }).tap();
  await expect(garland.getByRole('button', { name: 'Well', pressed: true })).toHaveCount(1);
  await garland.getByRole('button', { name: 'Something else to mend' }).tap();
  await wren.getByRole('button', { name: 'Bare string or tape shows' }).tap();
  await ilo.getByRole('button', { name: 'Mended' }).tap();
  await expect(wren.getByText('To mend:')).toHaveCount(0);
  await wren.getByRole('button', { name: 'Go back' }).tap();
  await ilo.getByRole('button', { name: 'Go back' }).tap();

  // The wind rises: whoever watches it says so, and every phone says what to do.
  await wren.getByRole('button', { name: 'Wind' }).tap();
  // Practised on one phone nobody else hears of it.
  await wren.getByRole('button', { name: 'Practise with made-up weather' }).tap();
  await wren.getByRole('button', { name: 'Storm' }).tap();
  const practice = wren.getByRole('region', { name: 'Practice' });
  await expect(practice.getByTestId('practice-hour')).toHaveText(/gusts of \d+ mph, (dry|rain)/);
  while ((await practice.getByText(/take it down:/).count()) === 0)
    await practice.getByRole('button', { name: 'An hour later' }).tap();
  await practice.getByRole('button', { name: 'End the practice' }).tap();
  await expect(ilo.getByRole('alert')).toHaveCount(0);
  await wren.getByRole('button', { name: '35 mph' }).tap();
  await expect(ilo.getByRole('alert')).toContainText(/if it stands, take it down: .*Finish arch/);
  await wren.getByRole('button', { name: '5 mph', exact: true }).tap();
  await expect(ilo.getByRole('alert')).toContainText('Gusts of 5 mph');
  await wren.getByRole('button', { name: 'Go back' }).tap();

  // The house signs on the glass: what was open then stands there for ever.
  await wren.getByRole('button', { name: 'Sign-off' }).tap();
  await expect(wren.getByText(/it comes down in gusts of \d+ mph/)).toBeVisible();
  await wren.getByRole('button', { name: 'Sign', exact: true }).tap();
  await expect(wren.getByText('The name, please.')).toBeVisible();
  await wren.getByLabel('Name of who signs').fill('Pia Holt, for the ride');
  await drawName(wren);
  await wren.getByRole('button', { name: 'Sign', exact: true }).tap();
  const receipt = wren.getByRole('region', { name: 'Signed by Pia Holt, for the ride' });
  await expect(receipt.getByRole('img', { name: /^Signature/ })).toBeVisible();
  await expect(receipt.getByText('Finish arch: press on 49 layers')).toBeVisible();
  const paper = wren.waitForEvent('download');
  await receipt.getByRole('button', { name: 'Save as PDF' }).tap();
  expect((await paper).suggestedFilename()).toMatch(/^sign-off-.*\.pdf$/);
  await expect
    .poll(
      async () =>
        (await logOf(stack, 'strike')).entries.filter(({ event }) => event.kind === 'signed').length,
    )
    .toBe(1);
  await wren.getByRole('button', { name: 'Go back' }).tap();

  // What is used again is counted.
  await wren.getByRole('button', { name: 'Kept balloons' }).tap();
  await wren.getByLabel('Kept of 17 in. Chalk').fill('2');
  await wren.getByLabel('Kept of 11 in. Lagoon').fill('40');
  await wren.getByLabel('Kept of 11 in. Lagoon').blur();
  await wren.getByRole('button', { name: 'Go back' }).tap();
  await expect
    .poll(
      async () => (await logOf(stack, 'strike')).entries.filter(({ event }) => event.kind === 'kept').length,
    )
    .toBe(2);
  await wren.getByRole('button', { name: 'Gear back home' }).tap();
  await ilo.getByRole('button', { name: 'Gear back home' }).tap();
  const open = wren.getByTestId('gear-open');
  const all = Number(/of (\d+)/.exec(await open.innerText())?.[1]);
  await wren.getByLabel('Find: a few letters').fill('sand bag');
  const bags = (page: Page) => page.getByRole('region', { name: /sand bag/i }).first();
  await bags(wren).getByRole('button', { name: 'Back', exact: true }).tap();
  await expect(open).toHaveText(`${all - 1} of ${all} still to count`);
  // Both without a signal: neither knows of the other.
  await wrens.setOffline(true);
  await ilos.setOffline(true);
  await ilo.getByLabel('Find: a few letters').fill('scissors');
  await wren.getByLabel('Find: a few letters').fill('scissors');
  const scissors = (page: Page) => page.getByRole('region', { name: /scissors/i }).first();
  await scissors(wren).getByRole('button', { name: 'Back', exact: true }).tap();
  await scissors(ilo).getByRole('button', { name: 'Missing' }).tap();
  await wrens.setOffline(false);
  await ilos.setOffline(false);
  await expect(scissors(wren)).toContainText(/Ilo: Missing.*Which is right\?|Wren: Back.*Which is right\?/s);
  await expect(scissors(ilo)).toContainText('Which is right?');
  await scissors(wren).getByRole('button', { name: 'Missing' }).tap();
  await expect(scissors(ilo)).toContainText(/Missing: Wren/);
  await expect(open).toHaveText(`${all - 2} of ${all} still to count, 1 missing`);
  await wrens.close();
  await ilos.close();
});

const VIEWS = [
  'Mine',
  'Everybody',
  'Look over the pieces',
  'Sign-off',
  'Gear back home',
  'Wind',
  'Top-ups',
  'Photos',
  'Kept balloons',
  'Notes',
];

test('every view on site: no serious fault by day and by night, every target 48 px, no line wider than a small phone with large text', async ({
  browser,
}) => {
  test.setTimeout(120_000);
  const context = await phone(browser, stack);
  const page = await context.newPage();
  await openAs(page, 'looked-at', 'Wren Haddock');
  const show = async (view: string) => {
    const tab = page.getByRole('tab', { name: view });
    if ((await tab.count()) > 0) return tab.tap();
    await page.getByRole('tab', { name: 'Mine' }).tap();
    await page.getByRole('tab', { name: 'More' }).tap();
    await page.getByRole('button', { name: view }).tap();
  };
  const small = () =>
    page.evaluate(() =>
      [...document.querySelectorAll('a, button, input, textarea, [role=checkbox], [role=tab]')]
        .filter((one) => !one.closest('[aria-hidden=true]') && one.getClientRects().length > 0)
        // A press beside the text of a field is one on it.
        .map((one) => one.closest('.MuiInputBase-root') ?? one)
        .map((one) => [one.textContent?.slice(0, 30) ?? '', one.getBoundingClientRect()] as const)
        .filter(([, { width, height }]) => width > 0 && (width < 47.5 || height < 47.5))
        .map(([text, { width, height }]) => `${text}: ${width.toFixed(0)} × ${height.toFixed(0)}`),
    );
  const widest = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  for (const view of VIEWS) {
    await show(view);
    await page.waitForTimeout(300);
    expect([view, await small()]).toEqual([view, []]);
    await expectNoFaults(page);
  }
  for (const [sheet, button] of [
    ['What popped?', 'Popped'],
    ['How much longer will it take?', 'Late'],
    ['What is wrong?', 'Stuck'],
    ['Write a note', 'Note'],
  ] as const) {
    await page.getByRole('tab', { name: 'Mine' }).tap();
    await page.getByRole('button', { name: button, exact: true }).tap();
    const dialog = page.getByRole('dialog', { name: sheet });
    await dialog.waitFor();
    await page.waitForTimeout(400);
    expect([sheet, await small()]).toEqual([sheet, []]);
    await dialog.getByRole('button', { name: 'Close' }).tap();
    await dialog.waitFor({ state: 'detached' });
  }
  // The bench on a tablet.
  await page.setViewportSize({ width: 1180, height: 820 });
  await page.goto('/on-site/looked-at/bench');
  await expect(page.getByTestId('blown')).toHaveText(/^0 of \d+$/);
  expect(['board', await small()]).toEqual(['board', []]);
  await expectNoFaults(page);
  await page.goBack();
  await page.getByTestId('task-now').waitFor();
  // Text twice as large on the narrowest phone.
  await page.setViewportSize({ width: 320, height: 640 });
  const textSize = () => page.getByTestId('task-now').evaluate((one) => getComputedStyle(one).fontSize);
  await page.getByRole('tab', { name: 'Mine' }).tap();
  const usual = Number.parseFloat(await textSize());
  await page.evaluate(() => {
    document.documentElement.style.fontSize = '200%';
  });
  expect(Number.parseFloat(await textSize())).toBe(2 * usual);
  for (const view of VIEWS) {
    await show(view);
    expect([view, await widest()]).toEqual([view, 0]);
  }
  await context.close();
});

test('photos wait for a signal through a killed browser; a message is read, a lot counted up, a pop blown anew, times put right', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const [wrens, ilos, bench] = [
    await phone(browser, stack),
    await phone(browser, stack),
    await phone(browser, stack),
  ];
  let wren = await wrens.newPage();
  const ilo = await ilos.newPage();
  await openAs(wren, 'things', 'Wren Haddock');
  await openAs(ilo, 'things', 'Ilo Marsh');
  const photos = async (): Promise<PhotoRow[]> =>
    (await fetch(`${stack.url}/api/v1/jobs/things/photos`)).json() as Promise<PhotoRow[]>;
  const toPhotos = async () => {
    await wren.getByRole('tab', { name: 'More' }).tap();
    await wren.getByRole('button', { name: 'Photos' }).tap();
  };

  // The place before anything hangs there, without a signal; then the browser is killed.
  await wrens.setOffline(true);
  await toPhotos();
  await wren.getByLabel('Photo file').setInputFiles('docs/screenshots/counts.png');
  await wren.getByRole('button', { name: 'Finish arch' }).tap();
  await wren.getByRole('button', { name: 'Sags' }).tap();
  const picture = await wren.getByRole('group', { name: 'Photo of Finish arch' }).boundingBox();
  if (!picture) throw new Error('no photo to mark');
  await wren.touchscreen.tap(picture.x + picture.width * 0.25, picture.y + picture.height * 0.5);
  await expect(wren.getByTestId('marked')).toHaveText('1 sag marked.');
  await wren.getByRole('button', { name: 'Keep the photo' }).tap();
  await expect(wren.getByText('Kept on this phone, sent when there is a signal.')).toBeVisible();
  await wren.close();
  wren = await wrens.newPage();
  await wren.goto('/on-site/things');
  await toPhotos();
  await expect(wren.getByText('Kept on this phone, sent when there is a signal.')).toBeVisible();
  expect(await photos()).toEqual([]);
  await wrens.setOffline(false);
  await expect(wren.getByRole('button', { name: /^Photo: Finish arch/ })).toContainText('1 sag');
  const [sent, ...more] = await photos();
  expect(more).toEqual([]);
  expect(sent?.data).toMatchObject({ pieceId: 'finish-arch', moment: 'before' });
  expect(sent?.data.marks).toMatchObject([{ kind: 'sag', x: expect.closeTo(0.25, 1) }]);

  // Words to everybody, until they are read.
  await wren.getByRole('tab', { name: 'Everybody' }).tap();
  await wren.getByRole('button', { name: 'Write to everybody' }).tap();
  await wren.getByRole('button', { name: 'Come to the van' }).tap();
  await expect(wren.getByText(/not read by Ilo/)).toBeVisible();
  await expect(ilo.getByText('Come to the van')).toBeVisible();
  await ilo.getByRole('button', { name: 'I have read it' }).tap();
  await expect(wren.getByText(/read by everybody/)).toBeVisible();
  await expect(ilo.getByText('Come to the van')).toHaveCount(0);

  // The board in the workshop counts with whoever presses; a batch that is ticked is whole.
  const board = await bench.newPage();
  await board.goto('/on-site/things/bench');
  await board.getByRole('button', { name: '10 more of lot B1' }).tap();
  await board.getByRole('button', { name: '2 more of lot B1' }).tap();
  await expect(board.getByRole('group', { name: /^Lot B1/ })).toContainText('12 of 49');
  await expect(board.getByTestId('blown')).toHaveText(/^12 of /);
  await wren.locator('[data-task="finish-arch--inflate-11"]').tap();
  await expect(board.getByTestId('blown')).toHaveText(/^196 of /);

  // It was longer than ticked: for whoever was on it, and put right a second time.
  const timesOf = async (from: string, until: string) => {
    await wren.getByRole('button', { name: /^Times of Inflate 196/ }).tap();
    await wren.getByLabel('From').fill(from);
    await wren.getByLabel('Until').fill(until);
    await wren.getByRole('button', { name: 'Keep these times' }).tap();
  };
  await wren.getByRole('button', { name: 'Show what is done' }).tap();
  await timesOf('00:00', '00:01');
  await timesOf('00:00', '00:00');
  const worked = async () => {
    const csv = await (await fetch(`${stack.url}/api/v1/jobs/things/record/tasks/csv`)).text();
    return csv.split('\r\n').find((line) => line.startsWith('finish-arch--inflate-11'));
  };
  await expect.poll(worked).toMatch(/,0,true,/);

  // What popped is blown anew.
  await ilo.getByRole('button', { name: 'Popped' }).tap();
  await ilo.getByRole('button', { name: /^11 in\. Lagoon/ }).tap();
  await ilo.getByRole('button', { name: 'Close' }).tap();
  await ilo.getByRole('tab', { name: 'More' }).tap();
  await ilo.getByRole('button', { name: 'Top-ups' }).tap();
  await expect(ilo.getByRole('region', { name: '11 in. Lagoon' })).toContainText('1 × 11 in. Lagoon');
  await ilo.getByRole('button', { name: 'One is blown and in its place' }).tap();
  await expect(ilo.getByText('Nothing to blow.')).toBeVisible();
  for (const context of [wrens, ilos, bench]) await context.close();
});

/** As they were printed once: labels stay on things, so that their codes may never change. */
const LABELS = { scissors: 'Z5A2Z', broom: 'AX83Q' };

test('gear is read home by the labels on it, or by five signs typed; what is on no list is told', async ({
  browserName: _,
}, info) => {
  const film = info.outputPath('camera.y4m');
  await cameraSees(film, [LABELS.scissors, 'BR00M', LABELS.broom], 2);
  const browser = await chromiumType.launch({ ...chromium, args: [...chromium.args, ...seeing(film)] });
  try {
    const context = await phone(browser, stack);
    const page = await context.newPage();
    await openAs(page, 'things', 'Wren Haddock');
    await page.getByRole('tab', { name: 'More' }).tap();
    await page.getByRole('button', { name: 'Gear back home' }).tap();
    await page.getByRole('button', { name: 'Read labels with the camera' }).tap();
    const said = page.getByRole('dialog').getByRole('status');
    for (const words of [
      'Back: 2 × Scissors',
      'That is not on this job’s list.',
      'Back: 1 × Broom and dustpan',
    ])
      await expect(said).toHaveText(words);
    await page.getByRole('button', { name: 'Close' }).tap();
    await expect(page.getByRole('region', { name: 'Scissors' })).toContainText('Back: Wren');
    await page.getByLabel('Find: a few letters').fill('63 bq3');
    await expect(page.getByRole('region')).toHaveCount(1);
    await page.getByRole('region', { name: 'First-aid kit' }).getByRole('button', { name: 'Missing' }).tap();
    const gear = (await logOf(stack, 'things')).entries.filter(({ event }) => event.kind === 'gear');
    expect(gear.map(({ event }) => event)).toEqual(
      expect.arrayContaining([
        { kind: 'gear', row: 'kit tools scissors', fate: 'back' },
        { kind: 'gear', row: 'kit cleaning broom', fate: 'back' },
      ]),
    );
    // Read again and again by the camera each was written down once.
    expect(gear.filter(({ event }) => 'fate' in event && event.fate === 'back')).toHaveLength(2);
    await context.close();
  } finally {
    await browser.close();
  }
});

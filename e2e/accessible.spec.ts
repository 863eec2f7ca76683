import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { expectNoFaults } from './support/faults.ts';
import { test } from './support/test.ts';

const shed = '/jobs/engine-shed-unveiled';
const screens: [name: string, path: string][] = [
  ['Horizon', '/'],
  ['Sites', '/sites'],
  ['a site', '/sites/engine-shed'],
  ['Stock', '/stock'],
  ['Workshop', '/workshop'],
  ['People', '/workshop/people'],
  ['Gear', '/workshop/gear'],
  ['Colours and materials', '/workshop/catalogue'],
  ['How we work', '/workshop/ways'],
  ['History', '/workshop/history'],
  ['Ledger', '/stock?view=ledger'],
  ['Job list', '/?view=list'],
  ['Advanced', '/workshop/advanced'],
  ['Guide', '/help/06-holds'],
  ['Brief', `${shed}/brief`],
  ['Pieces', `${shed}/pieces`],
  ['Counts', `${shed}/counts`],
  ['Lots', `${shed}/counts?view=lots`],
  ['To buy', `${shed}/counts?view=buy`],
  ['Pattern cards', '/jobs/meadow-finish/counts?view=cards'],
  ['Bench', `${shed}/bench`],
  ['Lasting', `${shed}/bench?view=lasting`],
  ['Clock', `${shed}/clock`],
  ['Rehearsal', `${shed}/clock?view=rehearsal`],
  ['Run sheet', `${shed}/run-sheet`],
  ['a page that is not there', '/nowhere'],
];

let shared: Page | undefined;
test.afterAll(() => shared?.close());

/** A page once it has settled: the same for all, so that what it has loaded is not loaded again. */
async function open(browser: Browser, path: string, options: BrowserContextOptions): Promise<Page> {
  shared ??= await browser.newPage({ ...options, reducedMotion: 'reduce' });
  const page = shared;
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  await page.goto(path);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await page.getByRole('progressbar').waitFor({ state: 'detached' });
  await page.waitForTimeout(400);
  return page;
}

const dialogs: [name: string, path: string, open: (page: Page) => Promise<unknown>][] = [
  ['New job', '/', (page) => page.getByRole('button', { name: 'New job' }).first().click()],
  ['a lamp', `${shed}/pieces`, (page) => page.getByRole('button', { name: /^On time/ }).click()],
  ['Add a piece', `${shed}/pieces`, (page) => page.getByRole('button', { name: 'Add a piece' }).click()],
  ['the palette', `${shed}/pieces`, (page) => page.keyboard.press('/')],
  [
    'a working',
    `${shed}/counts`,
    (page) => page.getByRole('button', { name: 'show working', exact: true }).click(),
  ],
];

for (const [name, path] of screens) {
  test(`${name}, by day and by night: no serious fault`, async ({ browser, baseURL }) => {
    const page = await open(browser, path, { baseURL });
    await expectNoFaults(page);
  });
}

test('a day together, by day and by night: no serious fault', async ({ browser, baseURL }) => {
  const page = await open(browser, '/', { baseURL });
  await page.getByRole('link', { name: 'Plan the day together' }).first().click();
  await page.getByRole('group', { name: 'Wren' }).waitFor();
  await expectNoFaults(page);
});

for (const [name, path, show] of dialogs) {
  test(`the dialog of ${name}, by day and by night: no serious fault`, async ({ browser, baseURL }) => {
    const page = await open(browser, path, { baseURL });
    await show(page);
    await page.getByRole('dialog').waitFor();
    await page.waitForTimeout(300);
    await expectNoFaults(page);
  });
}

import { createHash } from 'node:crypto';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Plan, SiteLog } from '@early-lantern/contract';
import { chromium as browserType, type Page } from '@playwright/test';
import { chromium } from '../e2e/support/browser.ts';
import { startStack } from '../e2e/support/stack.ts';

/** The pictures' moment: two days before the demo's Saturday, early. */
const NOW = '2027-06-17T06:15:00-05:00';
/** In the middle of the work on the meadow. */
const ON_SITE = '2027-06-19T08:05:00-05:00';
const FOLDER = process.argv[2] ?? 'docs/screenshots';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

interface Shot {
  name: string;
  path: string;
  dark?: boolean;
  phone?: boolean;
  /** The moment that it shows, where it is another one. */
  now?: string;
  /** What is done before the page is opened. */
  before?: (page: Page, url: string) => Promise<unknown>;
  /** What is done before the picture is taken. */
  prepare?: (page: Page) => Promise<unknown>;
}

const shed = '/jobs/engine-shed-unveiled';

const shots: Shot[] = [
  {
    name: 'horizon',
    path: '/',
    // The second job's lamps come after the first one's.
    prepare: (page) =>
      page
        .getByText(/left behind/)
        .first()
        .waitFor({ timeout: 60_000 }),
  },
  {
    name: 'pieces',
    path: '/jobs/glasshouse-night/pieces',
    prepare: (page) => page.getByRole('button', { name: 'Moss screen garland' }).click(),
  },
  {
    name: 'from-above',
    path: `${shed}/pieces`,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Photo frame', exact: true }).click();
      await page.getByRole('button', { name: 'From above' }).click();
    },
  },
  {
    name: 'round-dark',
    path: '/jobs/glasshouse-night/pieces',
    dark: true,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'In the round' }).click();
      await page.getByRole('button', { name: 'Half left' }).click();
      await page.getByRole('button', { name: 'Evening' }).click();
    },
  },
  {
    name: 'dressing-map-phone',
    path: `${shed}/pieces`,
    phone: true,
    prepare: (page) => page.getByRole('button', { name: 'Dressing map' }).click({ timeout: 60_000 }),
  },
  { name: 'counts', path: `${shed}/counts` },
  { name: 'holds', path: '/jobs/meadow-finish/holds' },
  { name: 'bench', path: `${shed}/bench` },
  {
    name: 'clock',
    path: `${shed}/clock`,
    // The most there could be to spare comes with the plan that has its fixes.
    prepare: (page) => page.getByText(/at best\)$/).waitFor(),
  },
  {
    name: 'day',
    path: '/days/2027-07-03',
    // The rehearsed days come last.
    prepare: (page) => page.getByTestId('chance-cuttings-exchange').waitFor({ timeout: 90_000 }),
  },
  {
    name: 'load',
    path: '/jobs/meadow-finish/load',
    prepare: (page) => page.getByText(/^In this order/).waitFor(),
  },
  {
    name: 'on-site',
    path: '/on-site/meadow-finish',
    phone: true,
    now: ON_SITE,
    before: inTheMiddle,
    prepare: (page) => page.getByRole('button', { name: 'Wren Haddock' }).click(),
  },
  {
    name: 're-plan',
    path: '/on-site/meadow-finish',
    phone: true,
    now: ON_SITE,
    before: inTheMiddle,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Wren Haddock' }).click();
      await page.getByRole('tab', { name: 'Everybody' }).click();
      await page.getByRole('button', { name: 'Re-plan from now' }).click();
    },
  },
  { name: 'run-sheet', path: `${shed}/run-sheet` },
  {
    name: 'working',
    path: `${shed}/pieces`,
    prepare: (page) => page.getByRole('button', { name: /^Enough/ }).click(),
  },
  {
    name: 'survey',
    path: '/sites/engine-shed',
    prepare: (page) => page.getByRole('button', { name: /^sign:/ }).focus(),
  },
  { name: 'stock', path: '/stock' },
  { name: 'workshop', path: '/workshop' },
  // The last: from here on everybody signs in.
  { name: 'access', path: '/workshop/access', prepare: letPeopleIn },
];

/**
 * What was to be done by that moment is done, and the arch's frame is begun. The server's clock is today's, and takes nothing from the
 * future: it is told of it as of now, and what it answers is moved to the pictures' moment.
 */
async function inTheMiddle(page: Page, url: string): Promise<void> {
  const at = `${url}/api/v1/jobs/meadow-finish`;
  const aheadMs = Date.parse(ON_SITE) - Date.now();
  const moved = (iso: string, byMs: number) => new Date(Date.parse(iso) + byMs).toISOString();
  const { tasks } = (await (await fetch(`${at}/plan`)).json()) as Plan;
  const said = (task: string, kind: 'start' | 'done', by: string, when: string) => ({
    id: createHash('md5').update(`${task} ${kind} ${by}`).digest('hex'),
    at: moved(when, -aheadMs),
    by,
    event: { kind, task },
  });
  const entries = tasks.flatMap(({ id, crew, start, end }) => {
    if (Date.parse(start) > Date.parse(ON_SITE)) return [];
    const begun = crew.map((by) => said(id, 'start', by, start));
    return Date.parse(end) <= Date.parse(ON_SITE)
      ? [...begun, ...crew.map((by) => said(id, 'done', by, end))]
      : begun;
  });
  const reply = await fetch(`${at}/site-log`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ device: 'shots', clockOffMs: 0, after: 0, entries }),
  });
  if (!reply.ok) throw new Error(await reply.text());
  await page.route('**/site-log*', async (route) => {
    const answer = await route.fetch();
    const log = (await answer.json()) as SiteLog;
    await route.fulfill({
      response: answer,
      json: {
        ...log,
        now: moved(log.now, aheadMs),
        entries: log.entries.map((one) => ({ ...one, at: moved(one.at, aheadMs) })),
      },
    });
  });
}

/** The owner sets a password, and lets three others in. */
async function letPeopleIn(page: Page): Promise<void> {
  await page.getByLabel('Your name').fill('Wren Haddock');
  await page.getByLabel('Password', { exact: true }).fill('four lanterns in a row');
  await page.getByRole('button', { name: 'Set the password' }).click();
  for (const name of ['Bram Otterley', 'Ilo Marsh', 'Sefa Quill']) {
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByRole('button', { name: 'Make a link' }).click();
    await page.getByRole('button', { name: 'Done' }).click();
  }
  await page.getByRole('group', { name: 'Sefa Quill' }).getByRole('button', { name: 'Set a PIN' }).click();
  await page.getByLabel('PIN', { exact: true }).fill('4711');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
}

/** Pictures of the main views from the demo, always of the same moment. */
async function takeShots(): Promise<void> {
  const wanted = process.argv.slice(3);
  await mkdir(FOLDER, { recursive: true });
  const stack = await startStack({ now: '2027-06-15T12:00:00Z' });
  const browser = await browserType.launch(chromium);
  try {
    for (const shot of shots) {
      if (wanted.length && !wanted.includes(shot.name)) continue;
      const context = await browser.newContext({
        baseURL: stack.url,
        viewport: shot.phone ? PHONE : DESK,
        // Phones have more points to the pixel, and stand in the guide as wide as desks.
        deviceScaleFactor: shot.phone ? 2 : 1,
        colorScheme: shot.dark ? 'dark' : 'light',
        reducedMotion: 'reduce',
      });
      const page = await context.newPage();
      await page.clock.setFixedTime(new Date(shot.now ?? NOW));
      await shot.before?.(page, stack.url);
      await page.goto(shot.path);
      await page.getByRole('heading', { level: 1 }).first().waitFor();
      await page.getByRole('progressbar').waitFor({ state: 'detached' });
      await page.evaluate(() => document.fonts.ready.then(() => undefined));
      // Of a job the whole plan, not the first draft of it.
      if (shot.path.startsWith('/jobs/'))
        await page
          .getByRole('button', { name: /^Fits ?: (?!.*about)/ })
          .first()
          .waitFor();
      await shot.prepare?.(page);
      // Ways out are tried when everything else has been quiet for a while.
      await page.waitForTimeout(2000);
      await page.screenshot({ path: join(FOLDER, `${shot.name}.png`) });
      await context.close();
      console.log(`${shot.name}.png`);
    }
  } finally {
    await browser.close();
    await stack.stop();
  }
}

await takeShots();

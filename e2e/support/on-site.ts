import type { SiteLog } from '@early-lantern/contract';
import { type Browser, type BrowserContext, expect, type Page } from '@playwright/test';
import type { Stack } from './stack.ts';
import { demoToday } from './today.ts';

/** A phone of its own, with touch. */
export const phone = (browser: Browser, { url }: Stack): Promise<BrowserContext> =>
  browser.newContext({
    baseURL: url,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    serviceWorkers: 'allow',
  });

export const logOf = async ({ url }: Stack, id: string): Promise<SiteLog> =>
  (await fetch(`${url}/api/v1/jobs/${id}/site-log`)).json() as Promise<SiteLog>;

/** Opens a job as somebody, and waits until the phone has all that it needs without a signal. */
export async function openAs(page: Page, job: string, name: string): Promise<void> {
  await page.goto(`/on-site/${job}`);
  await page.getByRole('button', { name }).tap();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect(page.getByRole('status').first()).toHaveText('all sent');
}

/** Opens one of the pages under *More*. */
export async function more(page: Page, what: string): Promise<void> {
  await page.getByRole('tab', { name: 'More' }).tap();
  await page.getByRole('button', { name: what }).tap();
}

/** A colleague's tick may take a task away from under the finger: then the next one is looked at. */
const HERE = { timeout: 4_000 };

/**
 * Does what the phone says now: checks the ladder, reads what is to be read, begins, ticks.
 *
 * @param insists also where the phone asks whether it is not too early
 * @returns whether it was ticked: not where something has to come first, nor for whoever has nothing left to do
 */
export const step = (page: Page, insists: boolean): Promise<boolean> =>
  tickNext(page, insists).catch((error: Error) => {
    if (error.name === 'TimeoutError') return false;
    throw error;
  });

async function tickNext(page: Page, insists: boolean): Promise<boolean> {
  const now = page.getByTestId('task-now');
  const button = (name: string) => page.getByRole('button', { name, exact: true });
  const safe = button('Safe to use');
  const read = button('I have read this');
  const start = button('Start');
  await now.or(page.getByText('All done')).first().waitFor();
  if ((await now.count()) === 0) return false;
  for (;;) {
    await safe.or(read).or(start).first().waitFor(HERE);
    if (await safe.isVisible()) await safe.tap(HERE);
    else if (await read.isVisible()) await read.tap(HERE);
    else break;
  }
  await start.tap(HERE);
  const ask = button('Start all the same');
  const tick = button('Done');
  const refused = page.getByRole('dialog').filter({ hasText: 'must stand first' });
  await ask.or(tick).or(refused).first().waitFor(HERE);
  if ((await refused.isVisible()) || ((await ask.isVisible()) && !insists)) {
    await button('Go back').tap();
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    return false;
  }
  if (await ask.isVisible()) await ask.tap();
  await tick.tap(HERE);
  await expect(tick).toHaveCount(0);
  return true;
}

/** Draws a name with a finger into the field for it. */
export async function drawName(page: Page): Promise<void> {
  const field = await page.getByRole('img', { name: 'Field for the signature' }).boundingBox();
  if (!field) throw new Error('no field to sign in');
  await page.mouse.move(field.x + 40, field.y + 60);
  await page.mouse.down();
  await page.mouse.move(field.x + 140, field.y + 30, { steps: 8 });
  await page.mouse.move(field.x + 220, field.y + 80, { steps: 8 });
  await page.mouse.up();
}

/** A job of the demo, moved to today. */
export async function takeIn({ url }: Stack, demo: string, id: string): Promise<void> {
  const reply = await fetch(`${url}/api/v1/job-files`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(await demoToday(demo, id)),
  });
  expect(reply.status).toBe(201);
}

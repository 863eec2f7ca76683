import type { BrowserContext, Page } from '@playwright/test';
import { chromium as browserType } from '@playwright/test';
import { chromium } from '../e2e/support/browser.ts';
import { type Stack, startStack } from '../e2e/support/stack.ts';
import { demoToday } from '../e2e/support/today.ts';

type Report = (what: string, value: string) => void;

/** Of fewer than twenty, what 95 of 100 stay below would be the slowest. */
const ROUNDS = 24;
/** By then both have drawn their pictures: these two phones share the cores of this machine. */
const PICTURES_MS = 8_000;
const JOB = 'shed-today';

/** What the crew waits for on a phone, on this machine: the demo's largest job, today, in progress. */
export async function benchOnSite(report: Report): Promise<void> {
  const stack = await startStack();
  const browser = await browserType.launch(chromium);
  try {
    await post(stack, '/job-files', await demoToday('02-engine-shed', JOB));
    const phone = () =>
      browser.newContext({
        baseURL: stack.url,
        viewport: { width: 390, height: 844 },
        hasTouch: true,
        isMobile: true,
      });
    const context = await phone();
    const page = await openAs(context, 'Sefa');
    const other = await openAs(await phone(), 'Ilo');
    await other.getByRole('tab', { name: 'Everybody' }).tap();
    await page.waitForTimeout(PICTURES_MS);
    report('a tick until it shows on the phone: p95 (asked 50 ms)', `${p95(await ticks(page))} ms`);
    report(
      'a tick until another open phone shows it: p95 (asked 1,000 ms)',
      `${p95(await reaching(page, other))} ms`,
    );
    report('the rest of the day planned anew: p95 (asked 1,000 ms)', `${p95(await replans(page))} ms`);
    report(
      'opened without a signal until the task shows: p95 (asked 1,000 ms)',
      `${p95(await offline(context, page))} ms`,
    );
  } finally {
    await browser.close();
    await stack.stop();
  }
}

async function post({ url }: Stack, path: string, body: unknown): Promise<void> {
  const reply = await fetch(`${url}/api/v1${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!reply.ok) throw new Error(await reply.text());
}

async function openAs(context: BrowserContext, name: string): Promise<Page> {
  const page = await context.newPage();
  await page.goto(`/on-site/${JOB}`);
  await page.getByRole('button', { name }).tap();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.getByText('all sent').waitFor();
  return page;
}

const times = async (rounds: number, once: () => Promise<number>): Promise<number[]> => {
  const all: number[] = [];
  for (let i = 0; i < rounds; i++) all.push(await once());
  return all;
};

/** Within the page, from the press to the frame in which it shows: a task is begun or left. */
async function ticks(page: Page): Promise<number[]> {
  const gate = page.getByRole('button', { name: 'I have read this' });
  if (await gate.isVisible()) await gate.tap();
  return times(ROUNDS, () =>
    // As text: what a bundler adds to functions the page does not have.
    page.evaluate<number>(`(async () => {
      const button = (word) => [...document.querySelectorAll('button')].find((one) => one.textContent === word);
      const from = button('Start') ? 'Start' : 'Pause';
      const started = performance.now();
      button(from)?.click();
      while (button(from)) await new Promise((done) => requestAnimationFrame(done));
      return performance.now() - started;
    })()`),
  );
}

/** From the press on one phone to the words on another. */
async function reaching(page: Page, other: Page): Promise<number[]> {
  const done = other.getByTestId('tasks-done');
  await page.getByRole('tab', { name: 'Everybody' }).tap();
  const line = page.locator('[data-task="clean-floor"]');
  const all = await times(ROUNDS, async () => {
    const before = await done.innerText();
    const started = performance.now();
    if (await line.isVisible()) await line.tap();
    else await page.locator('[role=checkbox][aria-checked=true]').first().tap();
    while ((await done.innerText()) === before) await new Promise((go) => setTimeout(go, 10));
    const took = performance.now() - started;
    if (!(await line.isVisible()))
      await page
        .getByRole('button', { name: 'Show what is done' })
        .tap()
        .catch(() => undefined);
    return took;
  });
  await page.getByRole('tab', { name: 'Mine' }).tap();
  return all;
}

/** Somebody is missing, or here again: until the new plan stands there. */
async function replans(page: Page): Promise<number[]> {
  await page.getByRole('tab', { name: 'Everybody' }).tap();
  await page.getByRole('button', { name: 'Re-plan from now' }).tap();
  const ready = page.getByTestId('replanned-ready');
  const all = await times(ROUNDS, async () => {
    const before = await ready.innerText();
    const back = page.getByRole('button', { name: 'Is here now' });
    const isBack = await back.isVisible();
    if (!isBack) await page.getByRole('button', { name: 'Somebody is missing' }).tap();
    const press = isBack ? back : page.getByRole('button', { name: 'Ilo Marsh' });
    await press.waitFor();
    const started = performance.now();
    await press.tap();
    while ((await ready.innerText()) === before) await new Promise((go) => setTimeout(go, 5));
    return performance.now() - started;
  });
  await page.getByRole('tab', { name: 'Mine' }).tap();
  return all;
}

async function offline(context: BrowserContext, page: Page): Promise<number[]> {
  await context.setOffline(true);
  return times(ROUNDS, async () => {
    const started = performance.now();
    await page.reload({ waitUntil: 'commit' });
    await page.getByTestId('task-now').waitFor();
    return performance.now() - started;
  });
}

const p95 = (all: number[]): string =>
  ([...all].sort((one, other) => one - other)[Math.floor(all.length * 0.95)] ?? Number.NaN).toFixed(0);

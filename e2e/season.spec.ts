import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import type { JobFile } from '@early-lantern/contract';
import { expect, test } from '@playwright/test';
import { DateTime } from 'luxon';
import { type Stack, startStack } from './support/stack.ts';

let stack: Stack;
test.beforeAll(async () => {
  stack = await startStack();
  const path = join(resolve(import.meta.dirname, '..'), 'demo/jobs/06-cuttings-exchange.json');
  const demo = JSON.parse(await readFile(path, 'utf8')) as JobFile;
  const zone = demo.workshop.timeZone;
  // One job a day for eighty days, thirty of them over.
  const first = DateTime.now().setZone(zone).minus({ days: 45 });
  const shift = first
    .startOf('day')
    .diff(DateTime.fromISO(demo.job.doors, { zone }).startOf('day'), 'days').days;
  for (let day = 0; day < 80; day++) {
    const at = (iso: string) =>
      DateTime.fromISO(iso, { zone })
        .plus({ days: Math.round(shift) + day })
        .toISO({ suppressMilliseconds: true }) as string;
    const { job } = demo;
    const data = {
      ...demo,
      job: {
        ...job,
        id: `daily-${day}`,
        name: `Daily table ${day}`,
        doors: at(job.doors),
        access: { from: at(job.access.from), until: at(job.access.until) },
        strike: { from: at(job.strike.from), until: at(job.strike.until) },
      },
    };
    const reply = await fetch(`${stack.url}/api/v1/job-files`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(data),
    });
    expect(reply.status).toBe(201);
  }
});
test.afterAll(() => stack.stop());

test('with a season of jobs the horizon shows the coming days, reads on at its end, and what is over when it is asked for', async ({
  page,
}) => {
  const asked: string[] = [];
  page.on('request', (request) =>
    asked.push(new URL(request.url()).pathname + new URL(request.url()).search),
  );
  await page.goto(stack.url);
  const cards = page.getByRole('article');
  await expect(cards.first()).toBeVisible();
  // Of a hundred jobs one page at the most was read, and what is over is not looked at.
  expect(asked.filter((one) => one.startsWith('/api/v1/jobs?')).length).toBeLessThanOrEqual(3);
  expect(await cards.count()).toBeLessThan(40);
  await expect(page.getByRole('article', { name: 'Daily table 79' })).toHaveCount(0);
  // The last one comes into sight as one goes on.
  await expect(async () => {
    await page.mouse.wheel(0, 20_000);
    await expect(page.getByRole('article', { name: 'Daily table 79' })).toBeVisible({ timeout: 500 });
  }).toPass({ timeout: 40_000 });
  const names = await cards.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  expect(new Set(names).size).toBe(names.length);
  // What was just over is first, then page by page the older.
  await page.getByRole('button', { name: /^Past · \d+$/ }).click();
  await expect(page.getByRole('article', { name: 'Daily table 30' })).toBeVisible();
  const older = page.getByRole('button', { name: /^Show more before/ });
  while (await older.isVisible()) {
    await older.click();
    await expect(page.getByLabel('Reading on')).toHaveCount(0);
  }
  await expect(page.getByRole('article', { name: 'Daily table 0', exact: true })).toBeVisible();
  // Any of them is found by its name.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'find or do anything' }).click();
  await page.getByPlaceholder('Find or do anything').fill('Daily table 61');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/daily-61\/pieces$/);
});

test('an offer holds nothing; jobs are found by words, state and month, and the palette finds what its pieces are called', async ({
  page,
}) => {
  await page.goto(`${stack.url}/`);
  await page.getByRole('button', { name: 'Filter' }).click();
  const find = page.getByRole('search', { name: 'Which jobs' });
  await find.getByRole('textbox', { name: 'Find' }).fill('daily 61');
  const card = page.getByRole('article', { name: 'Daily table 61' });
  await expect(card).toBeVisible();
  await expect(page.getByRole('article')).toHaveCount(1);
  await card.getByRole('button', { name: /^More about/ }).click();
  await page.getByRole('menuitem', { name: 'It is offered' }).click();
  await expect(card).toContainText('Offered');
  await find.getByRole('textbox', { name: 'Find' }).fill('');
  await expect(page.getByRole('button', { name: 'Filter', exact: true })).toBeVisible();
  await find.getByRole('combobox', { name: 'State' }).click();
  await page.getByRole('option', { name: 'Offered' }).click();
  await expect(page.getByRole('article')).toHaveCount(1);
  // What is chosen stands in the address: it is there again after a reload.
  await page.reload();
  await expect(card).toBeVisible();
  await expect(page.getByRole('button', { name: 'Filter · 1' })).toBeVisible();
  await card.getByRole('link', { name: 'Daily table 61' }).click();
  await page.getByRole('link', { name: 'Run sheet' }).click();
  await expect(page.locator('.sheet')).toContainText('Offered: not agreed to, nothing is held for it');
  await page.getByRole('link', { name: 'Brief' }).click();
  await page.getByRole('combobox', { name: 'State' }).click();
  await page.getByRole('option', { name: 'Firm' }).click();
  await expect(page.getByText('It holds its balloons, gear and people.')).toBeVisible();
  await expect(page.locator('[data-save]')).toHaveText('Saved');

  await page.goto(`${stack.url}/?view=month`);
  const month = page.getByRole('region', { name: /^[A-Z][a-z]+ 20\d\d$/ });
  await expect(month.getByRole('button', { name: /, 1 job$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'The month after' }).click();
  await month
    .getByRole('button', { name: /, [12] jobs?$/ })
    .first()
    .click();
  const link = page.getByRole('region', { name: 'The day chosen' }).getByRole('link').first();
  const name = await link.innerText();
  await link.click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();

  await page.keyboard.press('/');
  await page.keyboard.type('fernery');
  await page
    .getByRole('option', { name: 'Fernery Glasshouse, Otterlock Botanic Garden', exact: true })
    .click();
  await expect(page).toHaveURL(/\/sites\//);
});

import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from '@playwright/test';
import type { AxeResults } from 'axe-core';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Serious and critical faults of the page as it stands. @param rules those looked at; all where none are named */
async function seriousFaults(page: Page, rules: string[] = []): Promise<string[]> {
  await page.evaluate(axe);
  return page.evaluate(async (only) => {
    const { axe: run } = window as unknown as { axe: { run: (options?: object) => Promise<AxeResults> } };
    const { violations } = await run.run(only.length > 0 ? { runOnly: only } : {});
    return violations
      .filter((one) => one.impact === 'serious' || one.impact === 'critical')
      .map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`);
  }, rules);
}

/** Faults by day and by night: the page follows the system's theme while it is open. */
export async function expectNoFaults(page: Page): Promise<void> {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    const red = () =>
      page.evaluate(() => Number(/\d+/.exec(getComputedStyle(document.body).backgroundColor)?.[0]));
    await expect.poll(async () => (await red()) < 128).toBe(colorScheme === 'dark');
    await page.waitForTimeout(200);
    // What fades in or out just then has neither the old colour nor the new: a fault is one that stays.
    await expect
      // By night nothing but the colours is another.
      .poll(() => seriousFaults(page, colorScheme === 'dark' ? ['color-contrast'] : []), {
        message: colorScheme,
        intervals: [1000],
      })
      .toEqual([]);
  }
}

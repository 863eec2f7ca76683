import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import { expect, test } from './support/test.ts';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const shed = '/jobs/engine-shed-unveiled';
const screens: [name: string, path: string][] = [
  ['Horizon', '/'],
  ['Sites', '/sites'],
  ['Workshop', '/workshop'],
  ['Brief', `${shed}/brief`],
  ['Pieces', `${shed}/pieces`],
  ['Counts', `${shed}/counts`],
  ['Clock', `${shed}/clock`],
  ['Run sheet', `${shed}/run-sheet`],
  ['a page that is not there', '/nowhere'],
];

for (const colorScheme of ['light', 'dark'] as const) {
  for (const [name, path] of screens) {
    test(`${name}, ${colorScheme}: no serious fault`, async ({ browser, baseURL }) => {
      const page = await browser.newPage({ baseURL, colorScheme, reducedMotion: 'reduce' });
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).first().waitFor();
      await page.getByRole('progressbar').waitFor({ state: 'detached' });
      await page.waitForTimeout(400);
      await page.evaluate(axe);
      const found = await page.evaluate(async () => {
        const { axe: run } = window as unknown as { axe: { run: () => Promise<AxeResults> } };
        const { violations } = await run.run();
        return violations
          .filter((one) => one.impact === 'serious' || one.impact === 'critical')
          .map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`);
      });
      expect(found).toEqual([]);
      await page.close();
    });
  }
}

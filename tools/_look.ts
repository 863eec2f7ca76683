import { mkdirSync } from 'node:fs';
import { chromium as browserType } from '@playwright/test';
import { chromium } from '../e2e/support/browser.ts';
import { startStack } from '../e2e/support/stack.ts';
mkdirSync('/tmp/shots', { recursive: true });
const stack = await startStack({ now: '2027-06-15T12:00:00Z' });
const browser = await browserType.launch(chromium);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', (m) => { if (m.type() === 'error') console.log('console', m.text()); });
page.on('pageerror', (e) => console.log('pageerror', e.message));
await page.clock.setFixedTime(new Date('2027-06-17T06:15:00-05:00'));
const steps: Record<string, () => Promise<void>> = {
  horizon: async () => { await page.goto(stack.url); await page.getByText('Wanted twice').waitFor(); await page.waitForTimeout(800); await page.screenshot({ path: '/tmp/shots/horizon.png' }); },
  day: async () => { await page.goto(`${stack.url}/days/2027-06-19`); await page.getByText('Ways out').waitFor({ timeout: 60000 }); await page.getByRole('progressbar', { name: 'Ways tried' }).waitFor({ state: 'detached', timeout: 60000 }); await page.waitForTimeout(500); await page.screenshot({ path: '/tmp/shots/day.png', fullPage: true }); },
  applied: async () => { await page.getByRole('button', { name: 'Apply' }).first().click(); await page.getByRole('button', { name: 'Agree on this plan' }).waitFor(); await page.waitForTimeout(2500); await page.screenshot({ path: '/tmp/shots/day2.png', fullPage: true }); await page.getByRole('button', { name: 'Agree on this plan' }).click(); await page.getByText('The plan agreed on').waitFor(); await page.waitForTimeout(1500); await page.screenshot({ path: '/tmp/shots/day3.png' }); },
  clock: async () => { await page.goto(`${stack.url}/jobs/engine-shed-unveiled/clock`); await page.getByText('signed off').first().waitFor(); await page.waitForTimeout(1500); await page.screenshot({ path: '/tmp/shots/clock.png' }); await page.getByRole('button', { name: /Hang/ }).first().click(); await page.getByRole('button', { name: 'Keep at this time' }).waitFor(); await page.waitForTimeout(500); await page.screenshot({ path: '/tmp/shots/clock2.png' , fullPage: true}); },
};
for (const name of process.argv.slice(2)) { try { await steps[name]!(); } catch (e) { console.log(name, String(e).slice(0, 400)); await page.screenshot({ path: `/tmp/shots/fail-${name}.png` }); } }
await browser.close();
await stack.stop();

import { chromium as browserType } from '@playwright/test';
import { chromium } from '../e2e/support/browser.ts';
import { openFaulty, sendFaulty } from '../e2e/support/faulty-files.ts';
import { startStack } from '../e2e/support/stack.ts';

/** A server is given so many files, then a new one: what is imported stays in its workshop. */
const A_SERVER = 1000;

/**
 * Sends many faulty job files to servers of its own, and tells how often one answered that something broke, took too long, or
 * did not answer at all. What they took in is opened in a browser then, if that is asked for: it draws and judges by workers of its own.
 */
async function fuzz(count: number, firstSeed: number, inPages: boolean): Promise<void> {
  const failures: string[] = [];
  const statuses = new Map<string, number>();
  let slowestMs = 0;
  let opened = 0;
  for (let done = 0; done < count; done += A_SERVER) {
    const stack = await startStack();
    try {
      const answers = await sendFaulty(stack.url, Math.min(A_SERVER, count - done), firstSeed + done);
      failures.push(...answers.failures);
      for (const [what, times] of answers.statuses) statuses.set(what, (statuses.get(what) ?? 0) + times);
      slowestMs = Math.max(slowestMs, answers.slowestMs);
      if (inPages) {
        failures.push(...(await openAll(stack.url, answers.imported)));
        opened += answers.imported.length;
      }
      if (stack.output().includes('went down')) failures.push('the server went down');
    } finally {
      await stack.stop();
    }
    console.log(`${Math.min(count, done + A_SERVER)} of ${count}, ${failures.length} failures`);
  }
  for (const [what, times] of [...statuses].sort()) console.log(`${what}: ${times}`);
  if (inPages) console.log(`opened in a browser: ${opened}`);
  console.log(`slowest: ${(slowestMs / 1000).toFixed(1)} s`);
  for (const failure of failures) console.log(failure);
  process.exitCode = failures.length > 0 ? 1 : 0;
}

/** Opens jobs in one browser, and a sound one after them. @returns what broke */
async function openAll(url: string, ids: readonly string[]): Promise<string[]> {
  const browser = await browserType.launch(chromium);
  try {
    return await openFaulty(await browser.newPage(), url, [...ids, 'meadow-finish']);
  } finally {
    await browser.close();
  }
}

const asked = process.argv.slice(2);
const [count = 10_000, firstSeed = 1] = asked.filter((word) => word !== '--pages').map(Number);
await fuzz(count, firstSeed, asked.includes('--pages'));

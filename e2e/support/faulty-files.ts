import { readdirSync, readFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobFile } from '@early-lantern/contract';
import type { Page } from '@playwright/test';
import { chance, mutated } from './mutate.ts';

/** A plan that takes longer is over its budget, ms. */
const BUDGET_MS = 30_000;
/** Files at once. */
const AT_ONCE = 2;

/** What a server made of many faulty files. */
interface Answers {
  /** How often each way in answered what: `/plan 422`. */
  statuses: Map<string, number>;
  /** What broke, took too long or did not answer, with its seed; the file itself lies in the temporary folder. */
  failures: string[];
  /** Ids of the jobs that were taken in. */
  imported: string[];
  slowestMs: number;
}

/** Sends job files with faults to a server, to be planned and to be imported. @param told after each */
export async function sendFaulty(
  url: string,
  count: number,
  firstSeed: number,
  told: (done: number) => void = () => {},
): Promise<Answers> {
  const files = readdirSync('demo/jobs').map(
    (name) => JSON.parse(readFileSync(join('demo/jobs', name), 'utf8')) as JobFile,
  );
  const answers: Answers = { statuses: new Map(), failures: [], imported: [], slowestMs: 0 };
  const send = async (path: string, seed: number, body: string) => {
    const before = performance.now();
    const [status, fault] = await fetch(`${url}/api/v1${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
      signal: AbortSignal.timeout(2 * BUDGET_MS),
    }).then(
      async (reply) => {
        const text = await reply.text();
        if (reply.status === 201) answers.imported.push((JSON.parse(text) as { jobId: string }).jobId);
        return [String(reply.status), reply.status >= 500 ? `${reply.status} ${text.slice(0, 300)}` : ''];
      },
      (error: Error) => ['no answer', error.message],
    );
    const tookMs = performance.now() - before;
    answers.slowestMs = Math.max(answers.slowestMs, tookMs);
    const name = `${path} ${status}`;
    answers.statuses.set(name, (answers.statuses.get(name) ?? 0) + 1);
    const found = fault || (tookMs > BUDGET_MS ? `took ${(tookMs / 1000).toFixed(1)} s` : '');
    if (!found) return;
    answers.failures.push(`${path} ${seed}: ${found}`);
    await writeFile(join(tmpdir(), `faulty-${seed}.json`), body);
  };
  let next = 0;
  const work = async () => {
    while (next < count) {
      const seed = firstSeed + next++;
      const body = JSON.stringify(mutated(files[seed % files.length] as JobFile, chance(seed)));
      await send('/plan', seed, body);
      await send('/job-files', seed, body);
      told(next);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return answers;
}

/**
 * Opens jobs that came out of faulty files, one after the other in one page: its own worker has to draw and judge each of them or say
 * what is wrong, and to do so for the next one as well.
 * @returns those of which nothing was said in time, and whatever the page itself broke with
 */
export async function openFaulty(page: Page, url: string, ids: readonly string[]): Promise<string[]> {
  const failures: string[] = [];
  page.on('pageerror', (error) => failures.push(`page: ${error.message}`));
  page.on('crash', () => failures.push('the page crashed'));
  await page.goto(`${url}/jobs/${ids[0]}/pieces`);
  for (const id of ids) {
    // Within the page, so that its workers go on from one job to the next.
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, `/jobs/${id}/pieces`);
    const said = page
      .getByRole('button', { name: /^On time ?: (lit|low|out|not known)/ })
      .or(page.getByRole('heading', { name: /did not work|cannot|broke/i }));
    await said
      .first()
      .waitFor({ timeout: BUDGET_MS })
      .catch(() => failures.push(`${id}: nothing was said in time`));
  }
  return failures;
}

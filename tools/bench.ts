import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliDecompressSync } from 'node:zlib';
import type { JobFile, JobRow } from '@early-lantern/contract';
import { choosePoints, countPieces, draftPlan, pictureOf, planJob } from '@early-lantern/core';
import { chromium as browserType, type Page } from '@playwright/test';
import { chromium } from '../e2e/support/browser.ts';
import { newDataDir, type Stack, startStack } from '../e2e/support/stack.ts';
import { benchClock } from './bench-clock.ts';
import { benchLoad, benchVans } from './bench-load.ts';
import { LOOKS, oneClusterMoved, pictureOfIt, quickLook, settledAndSeen, wholeLook } from './bench-looks.ts';
import { benchOnSite } from './bench-on-site.ts';
import { benchSeason } from './bench-season.ts';
import { benchStability } from './bench-stability.ts';
import { bigJob, demo } from './big-job.ts';
import { watchTaken } from './taken.ts';

/**
 * Speed in one run on this machine. Absolute figures differ between machines; the ratios to the unit of work (hashing
 * one megabyte) may be compared.
 */

const DEMOS = readdirSync('demo/jobs').map((name) => name.replace('.json', ''));

const quantile = (sorted: number[], q: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? Number.NaN;

/** Median of the time one call takes, milliseconds, after warming up. */
function medianMs(work: () => unknown, rounds = 60): number {
  for (let i = 0; i < rounds; i++) work();
  const times = Array.from({ length: rounds }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return quantile(
    times.sort((a, b) => a - b),
    0.5,
  );
}

function unitMs(): number {
  const data = new Float64Array(125_000).map((_, i) => i);
  return medianMs(() => {
    let hash = 0;
    for (const value of data) hash = Math.imul(hash ^ value, 0x9e3779b1) >>> 0;
    return hash;
  });
}

/** Less than so many per cent of the cores makes no difference that one would notice. */
const TOLD_FROM = 3;

let taken = watchTaken();
const report = (what: string, value: string) => {
  const share = taken() ?? 0;
  taken = watchTaken();
  const beside = share < TOLD_FROM ? '' : `   (${Math.round(share)} % of the cores taken by other machines)`;
  console.log(`${what.padEnd(64)} ${value}${beside}`);
};

function benchPlan(): void {
  const unit = unitMs();
  const file = structuredClone(demo('02-engine-shed'));
  const [first] = file.job.pieces;
  if (!first) throw new Error('the demo job has no piece');
  file.job.pieces = [...file.job.pieces.slice(0, 2), { ...first, id: 'third', name: 'Third' }];
  const ms = (work: () => unknown, rounds?: number) => {
    const median = medianMs(work, rounds);
    return `${median.toFixed(1)} ms (${(median / unit).toFixed(0)} units)`;
  };
  const easy = structuredClone(file);
  for (const row of easy.workshop.stock) row.onHand = 1000;
  easy.job.access.from = easy.job.access.from.replace('T15:30', 'T12:00');
  report(
    'plan of the glasshouse job, 11 pieces',
    ms(() => planJob(easy)),
  );
  report(
    'the same, fixes tried for two lamps',
    ms(() => planJob(file)),
  );
  const big = bigJob();
  const balloons = countPieces(big).balloons.reduce((sum, row) => sum + row.need, 0);
  const many = `${big.job.pieces.length} pieces, ${balloons} balloons`;
  report(
    `counts of a job with ${many}, everything anew`,
    ms(() => countPieces(withEdit(big, big.job.pieces.length))),
  );
  report(
    `counts of the same after an edit of one piece`,
    ms(() => countPieces(withEdit(big))),
  );
  report(
    `counts, clock and lamps of the same after an edit`,
    ms(() => draftPlan(withEdit(big))),
  );
  const run = {
    lengthM: 9.144,
    loads: Array.from({ length: 91 }, (_, i) => ({ atM: (i + 0.5) / 10, loadN: 0.2 })),
    candidates: Array.from({ length: 60 }, (_, i) => ({
      atM: (i * 9.144) / 59,
      ratingN: 22,
      isLocked: false,
    })),
    factor: 3,
    fewest: 3,
    longestSpanM: () => 0.67,
    freeStartM: 0.3,
    freeEndM: 0.3,
  };
  report(
    'fewest points for 30 ft of garland, 60 places to choose from',
    ms(() => choosePoints(run)),
  );
  for (const [balloons, limitMs] of LOOKS)
    report(
      `${balloons} balloons settled, seen from three sides (limit ${limitMs} ms)`,
      ms(() => settledAndSeen(balloons), 9),
    );
  report('one cluster moved in a piece of 500, settled again (limit 15 ms)', ms(oneClusterMoved, 30));
  report('a garland of 13 ft looked at while it is dragged, plan and all', ms(quickLook, 30));
  report('the same when the hand lets go, plan and all', ms(wholeLook, 15));
  report('its picture as it hangs', ms(pictureOfIt, 15));
  report(
    'balloons of the same placed for the picture',
    ms(() => withEdit(file, file.job.pieces.length).job.pieces.map((piece) => pictureOf(piece))),
  );
}

const json = (method: string, body: unknown) => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

let edits = 0;

/** The file with its first pieces made anew, as edits would: nothing of them is known from before. */
const withEdit = (file: JobFile, first = 1): JobFile => ({
  ...file,
  job: {
    ...file.job,
    pieces: file.job.pieces.map((piece, i) => {
      edits += 1;
      return i < first ? { ...piece, name: `${piece.name} ${edits}` } : piece;
    }),
  },
});

/** Fifty clients, each one request after the other: reads, updates and plans mixed. */
async function benchApi({ url }: Stack): Promise<void> {
  const CLIENTS = 50;
  const EACH = 24;
  const file = demo('01-meadow-finish');
  const kinds: Record<string, number[]> = { read: [], update: [], plan: [] };
  const timed = async (kind: string, request: () => Promise<Response>) => {
    const started = performance.now();
    const reply = await request();
    if (!reply.ok) throw new Error(`${kind}: ${reply.status} ${await reply.text()}`);
    const body: unknown = await reply.json();
    kinds[kind]?.push(performance.now() - started);
    return body;
  };
  const client = async (number: number) => {
    const job = structuredClone(file);
    job.job.id = `bench-${number}`;
    await fetch(`${url}/api/v1/job-files`, json('POST', job));
    for (let i = 0; i < EACH; i++) {
      const row = (await timed('read', () => fetch(`${url}/api/v1/jobs/${job.job.id}`))) as JobRow;
      const data = { ...row.data, notes: `round ${i}` };
      await timed('update', () =>
        fetch(`${url}/api/v1/jobs/${job.job.id}`, json('PUT', { revision: row.revision, data })),
      );
      if (i % 4 === 0) await timed('plan', () => fetch(`${url}/api/v1/plan`, json('POST', job)));
    }
  };
  const started = performance.now();
  await Promise.all(Array.from({ length: CLIENTS }, (_, number) => client(number)));
  const seconds = (performance.now() - started) / 1000;
  const count = Object.values(kinds).reduce((sum, times) => sum + times.length, 0);
  for (const [kind, times] of Object.entries(kinds)) {
    times.sort((a, b) => a - b);
    report(
      `API under ${CLIENTS} clients: ${kind}, p50 / p95`,
      `${quantile(times, 0.5).toFixed(0)} / ${quantile(times, 0.95).toFixed(0)} ms`,
    );
  }
  report('API requests a second', (count / seconds).toFixed(0));
}

async function benchFirstLoad({ url }: Stack): Promise<void> {
  const browser = await browserType.launch(chromium);
  try {
    const page = await browser.newPage();
    const session = await page.context().newCDPSession(page);
    await session.send('Network.enable');
    let bytes = 0;
    session.on('Network.loadingFinished', (event) => {
      bytes += event.encodedDataLength;
    });
    const started = performance.now();
    await page.goto(url);
    await page.getByRole('article').first().waitFor();
    report('first load until jobs show, nothing cached', `${(performance.now() - started).toFixed(0)} ms`);
    await page.getByText('to spare').first().waitFor();
    report('first load until their lamps show', `${(performance.now() - started).toFixed(0)} ms`);
    // The stream of changes stays open: no network is ever idle.
    await page.waitForTimeout(1500);
    report('first load, bytes over the wire', `${(bytes / 1024).toFixed(0)} KiB`);
    await benchDay(page, url);
    await benchEdit(page, `${url}/jobs/engine-shed-unveiled/pieces`, 'an edit of the line');
    const big = bigJob();
    await fetch(`${url}/api/v1/job-files`, json('POST', big));
    await benchEdit(
      page,
      `${url}/jobs/${big.job.id}/pieces`,
      `the same with ${big.job.pieces.length} pieces`,
    );
  } finally {
    await browser.close();
  }
}

/** Whether the page stays free while its worker searches for a plan of the day. */
async function benchDay(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await page.getByRole('link', { name: 'Plan the day together' }).first().click();
  await page.getByRole('button', { name: 'Search longer' }).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Search longer' }).click();
  const longest = await page.evaluate(async () => {
    let most = 0;
    const watch = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) most = Math.max(most, duration);
    });
    watch.observe({ entryTypes: ['longtask'] });
    await new Promise((done) => setTimeout(done, 5000));
    watch.disconnect();
    return most;
  });
  report(
    'longest task of the page in 5 s of a search for a day (over 50 ms is told)',
    longest === 0 ? 'none over 50 ms' : `${longest.toFixed(0)} ms`,
  );
  await page.getByRole('button', { name: 'Stop here' }).click();
}

/** From the key press on a point of the line to the new counts on screen. */
async function benchEdit(page: Page, address: string, what: string): Promise<void> {
  await page.goto(address);
  await page.getByTestId('piece-counts').waitFor();
  await page.getByRole('button', { name: /tip/ }).first().focus();
  // No named function inside: the compiler would mark it with a helper that the page does not have.
  const measured = await page.evaluate(async () => {
    const balls = '[data-testid="balloons"]';
    const drawn: number[] = [];
    const planned: number[] = [];
    // Warmed up by as many as a drag of two seconds brings; then the ones that count.
    for (let i = -20; i < 100; i++) {
      if (i === 0) {
        drawn.length = 0;
        planned.length = 0;
      }
      const before = document.querySelector(balls)?.getAttribute('d');
      const key = i % 2 ? 'ArrowLeft' : 'ArrowRight';
      const started = performance.now();
      document.activeElement?.dispatchEvent(
        new KeyboardEvent('keydown', { key, shiftKey: true, bubbles: true }),
      );
      let isDrawn = false;
      while (performance.now() - started < 2000) {
        await new Promise(requestAnimationFrame);
        if (!isDrawn && document.querySelector(balls)?.getAttribute('d') !== before) {
          isDrawn = true;
          drawn.push(performance.now() - started);
        }
        const mark = performance.getEntriesByName('planned')[0];
        if (isDrawn && mark && mark.startTime > started) break;
      }
      planned.push(performance.now() - started);
      await new Promise((done) => setTimeout(done, 60));
    }
    return { drawn: drawn.sort((x, y) => x - y), planned: planned.sort((x, y) => x - y) };
  });
  const told = (times: number[]) =>
    `${quantile(times, 0.5).toFixed(0)} / ${quantile(times, 0.95).toFixed(0)} ms`;
  report(`${what} until its balloons are new, p50 / p95`, told(measured.drawn));
  report(`${what} until counts and lamps are new too`, told(measured.planned));
}

function reportSizes(): void {
  const folder = 'apps/web/dist/assets';
  const compressed = readdirSync(folder).filter((name) => name.endsWith('.js.br'));
  const sizes = compressed.map((name) => readFileSync(join(folder, name)));
  const plain = sizes.reduce((sum, content) => sum + brotliDecompressSync(content).length, 0);
  const packed = sizes.reduce((sum, content) => sum + content.length, 0);
  report(
    'all scripts of the app, compressed / plain',
    `${(packed / 1024).toFixed(0)} / ${(plain / 1024).toFixed(0)} KiB`,
  );
}

async function bench(): Promise<void> {
  if (process.argv.includes('--clock')) return benchClock(report);
  if (process.argv.includes('--season')) return benchSeason(report);
  if (process.argv.includes('--on-site')) return benchOnSite(report);
  if (process.argv.includes('--load')) {
    benchLoad(report);
    return benchVans(report);
  }
  benchPlan();
  benchClock(report);
  benchLoad(report);
  benchVans(report);
  for (const name of DEMOS) {
    const { median, worst } = benchStability([demo(name)]);
    report(`tasks moved by a small edit, ${name}`, `${median.toFixed(0)} % (worst ${worst})`);
  }
  reportSizes();
  const dataDir = await newDataDir();
  const startedFirst = performance.now();
  const first = await startStack({ dataDir });
  report(
    'first start with a new database and the demo',
    `${((performance.now() - startedFirst) / 1000).toFixed(1)} s`,
  );
  try {
    await benchFirstLoad(first);
    await benchApi(first);
  } finally {
    await first.stop();
  }
  const startedSecond = performance.now();
  const second = await startStack({ dataDir });
  report('second start', `${((performance.now() - startedSecond) / 1000).toFixed(1)} s`);
  await second.stop();
}

await bench();

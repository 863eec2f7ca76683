import { readFile } from 'node:fs/promises';
import type { JobFile } from '@early-lantern/contract';
import { backAfter, killDatabase, killServer, killWorker } from '../e2e/support/kill.ts';
import { newDataDir, startStack } from '../e2e/support/stack.ts';
import { Writers } from '../e2e/support/writers.ts';

const WRITERS = 20;
const MOST_MS = 10_000;
const KILLS = [killServer, killWorker, killDatabase];

/**
 * Kills the product's processes (server, worker, database) in turn, again and again, while twenty writers save as fast as they are answered: no edit that was
 * acknowledged may be lost, and everything must be back by itself within ten seconds.
 */
async function endure(rounds: number): Promise<void> {
  const stack = await startStack({ dataDir: await newDataDir() });
  const failures: string[] = [];
  const waits: number[] = [];
  try {
    const jobIds = await addJobs(stack.url, WRITERS);
    const writers = new Writers(stack.url, jobIds);
    for (let round = 0; round < rounds; round++) {
      await writers.acknowledged();
      const kill = KILLS[round % KILLS.length] as (typeof KILLS)[number];
      await kill(stack);
      const wait = await backAfter(stack.url);
      waits.push(wait);
      if (wait > MOST_MS)
        failures.push(`round ${round + 1} (${kill.name}): back after ${Math.round(wait)} ms`);
      if ((round + 1) % 10 === 0)
        console.log(`${round + 1} of ${rounds} rounds, ${failures.length} failures`);
    }
    await writers.acknowledged();
    failures.push(...(await writers.end()));
  } finally {
    await stack.stop();
  }
  waits.sort((one, other) => one - other);
  const at = (share: number) => Math.round(waits[Math.floor((waits.length - 1) * share)] ?? 0);
  console.log(`back by itself after ${at(0.5)} ms in the middle, ${at(1)} ms at the longest`);
  for (const failure of failures) console.log(failure);
  process.exitCode = failures.length > 0 ? 1 : 0;
}

/** Reads one job in so many times, each under a name of its own. @returns their ids */
async function addJobs(url: string, count: number): Promise<string[]> {
  const file = JSON.parse(await readFile('demo/jobs/01-meadow-finish.json', 'utf8')) as JobFile;
  const ids = Array.from({ length: count }, (_, index) => `written-${index + 1}`);
  for (const id of ids) {
    const reply = await fetch(`${url}/api/v1/job-files`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...file, job: { ...file.job, id, name: id } }),
    });
    if (!reply.ok) throw new Error(await reply.text());
  }
  return ids;
}

await endure(Number(process.argv[2] ?? 60));

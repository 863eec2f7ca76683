import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { openCluster } from './cluster.ts';
import { looksAlive } from './stale-lock.ts';

const EVERY_MS = 500;
const LONGEST_WAIT_MS = 3_000;

/**
 * Looks again and again whether the product's own PostgreSQL still runs, and starts it where it does not.
 * @param url its address now
 * @param moved called where it had to be started at another one
 * @returns ends it; what is under way is done to its end
 */
export function watchCluster(dataDir: string, url: string, moved: () => void): () => Promise<void> {
  const ending = new AbortController();
  const { signal } = ending;
  const watching = (async () => {
    let wait = EVERY_MS;
    let known = url;
    while (!signal.aborted) {
      await sleep(wait, undefined, { signal }).catch(() => undefined);
      if (signal.aborted) return;
      if (await looksAlive(join(dataDir, 'postgres'))) continue;
      try {
        console.error('The database went down and is started again.');
        const cluster = await openCluster(dataDir);
        if (cluster.url !== known) moved();
        known = cluster.url;
        wait = EVERY_MS;
      } catch (error) {
        console.error((error as Error).message);
        wait = Math.min(LONGEST_WAIT_MS, wait * 2);
      }
    }
  })();
  return async () => {
    ending.abort();
    await watching;
  };
}

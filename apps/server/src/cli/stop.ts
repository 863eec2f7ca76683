import { setTimeout as sleep } from 'node:timers/promises';
import { stopCluster } from '../cluster/cluster.ts';
import { dataFolder } from './places.ts';
import { processState } from './process-state.ts';
import { releaseLock, runningServer } from './server-lock.ts';

const PATIENCE_MS = 30_000;

/** Ends the running server and its database; a database left by a killed server too. */
export async function stop(): Promise<void> {
  const dataDir = dataFolder();
  const running = await runningServer(dataDir);
  if (running) {
    process.kill(running.pid, 'SIGTERM');
    const giveUpAt = Date.now() + PATIENCE_MS;
    while ((await processState(running.pid)) === 'running') {
      if (Date.now() > giveUpAt)
        throw new Error(`Process ${running.pid} does not end. Look at it, or kill it and start again.`);
      await sleep(100);
    }
  }
  const hadDatabase = await stopCluster(dataDir);
  await releaseLock(dataDir);
  console.log(running || hadDatabase ? 'The lantern is out.' : 'Early Lantern was not running.');
}

import { readdir, readFile, readlink, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { processState } from '../cli/process-state.ts';

const PATIENCE_MS = 20_000;

/**
 * After `kill -9` PostgreSQL's lock file stays, and its process may linger as a zombie that the next start takes for
 * alive. Waits until nothing works in the data directory any more; a lock that names a dead process is then removed.
 * PostgreSQL clears a lock itself where the process is really gone.
 */
export async function clearDeadLock(pgData: string): Promise<void> {
  const lock = join(pgData, 'postmaster.pid');
  const pid = Number((await readFile(lock, 'utf8').catch(() => '')).split('\n')[0]);
  if (!pid) return;
  const giveUpAt = Date.now() + PATIENCE_MS;
  while ((await processState(pid)) === 'running' || (await worksIn(pgData))) {
    if (Date.now() > giveUpAt) return;
    await sleep(100);
  }
  if ((await processState(pid)) === 'zombie') await rm(lock, { force: true });
}

/** Whether any process has the folder as its working directory, as PostgreSQL's own do. */
async function worksIn(folder: string): Promise<boolean> {
  const pids = (await readdir('/proc').catch(() => [])).filter((name) => /^\d+$/.test(name));
  const folders = await Promise.all(pids.map((pid) => readlink(`/proc/${pid}/cwd`).catch(() => '')));
  return folders.includes(folder);
}

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
  const pid = await lockedBy(pgData);
  if (!pid) return;
  const giveUpAt = Date.now() + PATIENCE_MS;
  while ((await processState(pid)) === 'running' || (await worksIn(pgData))) {
    if (Date.now() > giveUpAt) return;
    await sleep(100);
  }
  if ((await processState(pid)) === 'zombie') await rm(lockPath(pgData), { force: true });
}

/**
 * Whether the lock names a process that has died. PostgreSQL's own tools take a zombie for alive: asked to stop one
 * they wait for it in vain.
 */
export async function isLockDead(pgData: string): Promise<boolean> {
  const pid = await lockedBy(pgData);
  return pid > 0 && (await processState(pid)) !== 'running';
}

/** Whether the process that PostgreSQL's lock names is there: a look that costs next to nothing. */
export async function looksAlive(pgData: string): Promise<boolean> {
  const pid = await lockedBy(pgData);
  return pid > 0 && (await processState(pid)) === 'running';
}

const lockPath = (pgData: string) => join(pgData, 'postmaster.pid');

/** Process that PostgreSQL's lock file names; 0 where there is none. */
async function lockedBy(pgData: string): Promise<number> {
  const text = await readFile(lockPath(pgData), 'utf8').catch(() => '');
  return Number(text.split('\n')[0]) || 0;
}

/** Whether any process has the folder as its working directory, as PostgreSQL's own do. */
async function worksIn(folder: string): Promise<boolean> {
  const pids = (await readdir('/proc').catch(() => [])).filter((name) => /^\d+$/.test(name));
  const folders = await Promise.all(pids.map((pid) => readlink(`/proc/${pid}/cwd`).catch(() => '')));
  return folders.includes(folder);
}

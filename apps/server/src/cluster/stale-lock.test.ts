import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { chmod, mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { processState } from '../cli/process-state.ts';
import { stopCluster } from './cluster.ts';
import { postgresUser } from './postgres-user.ts';
import { clearDeadLock, isLockDead } from './stale-lock.ts';

let folder: string;
let parent: ReturnType<typeof spawn>;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'stale-lock-'));
  // PostgreSQL's tools run under an account of their own, which must be able to look in.
  await chmod(folder, 0o777);
  await mkdir(join(folder, 'postgres'), { mode: 0o755 });
});
afterEach(async () => {
  parent.kill();
  await rm(folder, { recursive: true, force: true });
});

/** Like PostgreSQL's own process: under its account. */
const asPostgres = () => (process.getuid?.() === 0 ? postgresUser() : {});

/** A process that has died and is not collected: its parent becomes a `sleep`, which never asks for it. */
async function zombie(): Promise<number> {
  const said = join(folder, 'pid');
  parent = spawn('sh', ['-c', `sleep 0.2 & echo $! > ${said}; exec sleep 60`], asPostgres());
  while (!existsSync(said) || !(await readFile(said, 'utf8'))) await sleep(20);
  const pid = Number(await readFile(said, 'utf8'));
  while ((await processState(pid)) !== 'zombie') await sleep(20);
  return pid;
}

test('a database that was killed and not yet collected does not run, and a stop does not wait for it', async () => {
  const pgData = join(folder, 'postgres');
  await writeFile(join(pgData, 'PG_VERSION'), '15');
  await writeFile(join(pgData, 'postmaster.pid'), `${await zombie()}\n${pgData}\n`);
  expect(await isLockDead(pgData)).toBe(true);
  // pg_ctl would wait 30 s for it.
  expect(await stopCluster(folder)).toBe(false);
  await clearDeadLock(pgData);
  expect(existsSync(join(pgData, 'postmaster.pid'))).toBe(false);
});

test('the lock of a process that works is left alone', async () => {
  const pgData = join(folder, 'postgres');
  parent = spawn('sleep', ['60']);
  await writeFile(join(pgData, 'postmaster.pid'), `${parent.pid}\n`);
  expect(await isLockDead(pgData)).toBe(false);
});

import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Stack } from './stack.ts';

/** Processes that a process has started, by their command lines. */
async function childrenOf(parent: number): Promise<{ pid: number; command: string }[]> {
  const pids = (await readdir('/proc')).filter((name) => /^\d+$/.test(name));
  const found = await Promise.all(
    pids.map(async (pid) => {
      const stat = await readFile(`/proc/${pid}/stat`, 'utf8').catch(() => '');
      // The name in brackets may hold anything; state and parent follow it.
      if (Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]) !== parent) return [];
      const command = await readFile(`/proc/${pid}/cmdline`, 'utf8').catch(() => '');
      return [{ pid: Number(pid), command: command.replaceAll('\0', ' ') }];
    }),
  );
  return found.flat();
}

/** `kill -9` of the process that serves. @returns its number */
export const killServer = (stack: Stack) => killChild(stack, ' serve ');

/** `kill -9` of the process that works things out. @returns its number */
export const killWorker = (stack: Stack) => killChild(stack, ' do-work');

async function killChild({ server }: Stack, word: string): Promise<number> {
  const [child] = (await childrenOf(server.pid as number)).filter(({ command }) => command.includes(word));
  if (!child) throw new Error(`No process of "${word.trim()}" runs.`);
  process.kill(child.pid, 'SIGKILL');
  return child.pid;
}

/** `kill -9` of PostgreSQL's first process. @returns its number */
export async function killDatabase({ dataDir }: Stack): Promise<number> {
  const text = await readFile(join(dataDir, 'postgres/postmaster.pid'), 'utf8');
  const pid = Number(text.split('\n')[0]);
  process.kill(pid, 'SIGKILL');
  return pid;
}

/** How long it takes until the product says that all is well, ms; asked before it was killed it may say so too early, so it is asked twice. */
export async function backAfter(url: string, patienceMs = 30_000): Promise<number> {
  const started = performance.now();
  const isWell = () =>
    fetch(`${url}/api/health`, { signal: AbortSignal.timeout(2_000) }).then(
      (reply) => reply.ok,
      () => false,
    );
  for (let inARow = 0; inARow < 3; ) {
    inARow = (await isWell()) ? inARow + 1 : 0;
    if (performance.now() - started > patienceMs) return Number.POSITIVE_INFINITY;
    await sleep(350);
  }
  return performance.now() - started;
}

import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { commandLine, processState } from './process-state.ts';

const Lock = z.object({ pid: z.int(), port: z.int(), isTls: z.boolean().default(false) });
export type Lock = z.infer<typeof Lock>;

export const lockPath = (dataDir: string) => join(dataDir, 'server.json');

/** The server that holds the data directory; a lock left by a killed one does not count. */
export async function runningServer(dataDir: string): Promise<Lock | undefined> {
  const text = await readFile(lockPath(dataDir), 'utf8').catch(() => '');
  if (!text) return undefined;
  const lock = Lock.safeParse(parsed(text));
  if (!lock.success || (await processState(lock.data.pid)) !== 'running') return undefined;
  // The number may have gone to another program since.
  return (await commandLine(lock.data.pid)).includes('lantern.js') ? lock.data : undefined;
}

/** What a file says; undefined where it was torn. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Where the server that holds it is asked for on this machine. */
export const addressOf = ({ port, isTls }: Lock): string => `${isTls ? 'https' : 'http'}://127.0.0.1:${port}`;

/** Takes the data directory for this process; false when another start was quicker. */
export async function takeLock(dataDir: string, port: number, isTls = false): Promise<boolean> {
  await mkdir(dataDir, { recursive: true, mode: 0o755 });
  if (await runningServer(dataDir)) return false;
  await rm(lockPath(dataDir), { force: true });
  const text = JSON.stringify({ pid: process.pid, port, isTls });
  return writeFile(lockPath(dataDir), text, { flag: 'wx' }).then(
    () => true,
    () => false,
  );
}

export async function releaseLock(dataDir: string): Promise<void> {
  await rm(lockPath(dataDir), { force: true });
}

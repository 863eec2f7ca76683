import { type ChildProcess, execFile, spawn } from 'node:child_process';
import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { promisify } from 'node:util';

const PROGRAM = resolve(import.meta.dirname, '../../apps/server/dist/lantern.js');
const PATIENCE_MS = 60_000;

/** The product running on its own port with a database of its own, thrown away afterwards. */
export interface Stack {
  url: string;
  dataDir: string;
  /** The process that was started: it keeps server and database up. */
  server: ChildProcess;
  /** What it has printed so far. */
  output: () => string;
  stop: () => Promise<void>;
}

interface StackOptions {
  /** ISO moment the demo is loaded at; without it the demo lies ahead of today. */
  now?: string;
  empty?: boolean;
  /** A data directory kept from an earlier start. */
  dataDir?: string;
  port?: number;
  /** Serves the local network over TLS, with a certificate of its own. */
  lan?: boolean;
  /** Leaves the working out to workers that are started elsewhere. */
  withoutWorker?: boolean;
  /** A database somewhere else, in place of one of its own. */
  databaseUrl?: string;
}

/** A command of the product on a data directory: how it ended, and what it said. */
export const lantern = (dataDir: string, ...args: string[]) =>
  promisify(execFile)(process.execPath, [PROGRAM, ...args], {
    env: { ...process.env, EARLY_LANTERN_DATA: dataDir },
  }).then(
    ({ stdout }) => ({ code: 0, output: stdout }),
    (error: { code: number; stdout: string; stderr: string }) => ({
      code: error.code,
      output: error.stdout + error.stderr,
    }),
  );

/** A loopback port that is free now. */
export function anyPort(): Promise<number> {
  return new Promise((give, fail) => {
    const probe = createServer();
    probe.once('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() =>
        address && typeof address === 'object' ? give(address.port) : fail(new Error('no port')),
      );
    });
  });
}

/** A new folder that PostgreSQL's account may enter too. */
export async function newDataDir(): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'early-lantern-'));
  await chmod(folder, 0o755);
  return join(folder, 'data');
}

/** Starts the built product and waits until it answers. */
export async function startStack(options: StackOptions = {}): Promise<Stack> {
  const dataDir = options.dataDir ?? (await newDataDir());
  const port = options.port ?? (await anyPort());
  const args = [
    PROGRAM,
    'start',
    '--port',
    String(port),
    ...(options.empty ? ['--empty'] : []),
    ...(options.lan ? ['--lan'] : []),
    ...(options.withoutWorker ? ['--without-worker'] : []),
  ];
  const server = spawn(process.execPath, args, {
    env: {
      ...process.env,
      EARLY_LANTERN_DATA: dataDir,
      ...(options.now ? { EARLY_LANTERN_NOW: options.now } : {}),
      ...(options.databaseUrl ? { DATABASE_URL: options.databaseUrl } : {}),
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  server.stdout.on('data', (chunk) => {
    output += chunk;
  });
  server.stderr.on('data', (chunk) => {
    output += chunk;
  });
  const url = `${options.lan ? 'https' : 'http'}://127.0.0.1:${port}`;
  const giveUpAt = Date.now() + PATIENCE_MS;
  // On a port that another one had the server of that one may still answer; over TLS only a browser is let believe.
  const says = options.lan || options.port !== undefined;
  while (!(says ? output.includes('is lit') : await answers(url))) {
    if (server.exitCode !== null || Date.now() > giveUpAt)
      throw new Error(`The product did not start:\n${output}`);
    await sleep(50);
  }
  return {
    url,
    dataDir,
    server,
    output: () => output,
    stop: async () => {
      if (server.exitCode === null && server.signalCode === null) {
        const ended = new Promise((done) => server.once('exit', done));
        server.kill('SIGTERM');
        await ended;
      }
      if (!options.dataDir) await rm(resolve(dataDir, '..'), { recursive: true, force: true });
    },
  };
}

async function answers(url: string): Promise<boolean> {
  return fetch(`${url}/api/health`).then(
    (reply) => reply.ok,
    () => false,
  );
}

/** A worker alone, for servers that share a database. */
export function startWorker(databaseUrl: string): { stop: () => Promise<void> } {
  const worker = spawn(process.execPath, [PROGRAM, 'work'], {
    env: { ...process.env, DATABASE_URL: databaseUrl },
    stdio: 'ignore',
  });
  const ended = new Promise<void>((done) => worker.once('exit', () => done()));
  return {
    stop: async () => {
      worker.kill('SIGTERM');
      await ended;
    },
  };
}

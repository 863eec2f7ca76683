import { existsSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { finishRestore } from '../backup/restore.ts';
import { openCluster } from '../cluster/cluster.ts';
import { portIsFree } from '../cluster/ports.ts';
import { watchCluster } from '../cluster/watch.ts';
import { CannotStart } from './cannot-start.ts';
import { keepAlive } from './keep-alive.ts';
import { dataFolder } from './places.ts';
import { sayHowToReach } from './say-reach.ts';
import { addressOf, lockPath, releaseLock, runningServer, takeLock } from './server-lock.ts';

interface StartOptions {
  port: number;
  /** Start without the demo. */
  empty: boolean;
  /** Serve the local network. */
  lan: boolean;
  /** Serve a proxy on this machine, under the name that it has. */
  proxyName: string | undefined;
  /** Works out what it asks for itself; else workers do that are started elsewhere. */
  hasWorker: boolean;
}

type Undo = (() => Promise<unknown>)[];

/** Brings database and server up, each in a process of its own, and keeps them up until it is asked to stop. */
export async function start(options: StartOptions): Promise<void> {
  const { port } = options;
  const dataDir = dataFolder();
  const running = await runningServer(dataDir);
  if (running && running.port === 0)
    throw new CannotStart('A backup or restore is under way. Wait until it has ended.');
  if (running) {
    console.log(`Early Lantern is already running at ${addressOf(running)} (./lantern stop ends it).`);
    return;
  }
  if (!(await portIsFree(port)) && !(existsSync(lockPath(dataDir)) && (await freeSoon(port)))) {
    throw new CannotStart(
      `Port ${port} is taken by another program. Start with another one: ./lantern start --port ${port + 1}`,
    );
  }
  if (!(await takeLock(dataDir, port, options.lan))) {
    throw new CannotStart(
      'Another start is under way with the same data directory. Wait for it, or ./lantern stop.',
    );
  }

  const undo: Undo = [() => releaseLock(dataDir)];
  const starting = bringUp(options, dataDir, undo);
  let stopping: Promise<void> | undefined;
  const stop = () => {
    stopping ??= stopAll(starting, undo);
    return stopping;
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (!stopping) console.log('\nPutting the lantern out…');
      stop().then(
        () => process.exit(0),
        (error: Error) => {
          console.error(error.message);
          process.exit(1);
        },
      );
    });
  }
  await starting.catch(async (error) => {
    await stop();
    throw error;
  });
}

/** Undoes what was brought up, last first. A start still under way is let finish, so that nothing is torn in two. */
async function stopAll(starting: Promise<void>, undo: Undo): Promise<void> {
  await starting.catch(() => undefined);
  for (const step of [...undo].reverse()) await step();
}

/** Database, then server; each thing that must be undone later is noted in `undo`. */
async function bringUp(options: StartOptions, dataDir: string, undo: Undo): Promise<void> {
  const { port, empty, lan, proxyName, hasWorker } = options;
  const isOwn = !process.env.DATABASE_URL;
  if (isOwn) await finishRestore(dataDir);
  const cluster = isOwn ? await openCluster(dataDir) : undefined;
  if (cluster) undo.push(cluster.stop);
  const server = keepAlive('server', [
    'serve',
    '--port',
    String(port),
    ...(empty ? ['--empty'] : []),
    ...(lan ? ['--lan'] : []),
    ...(proxyName === undefined ? [] : ['--behind-proxy', proxyName]),
  ]);
  undo.push(server.stop);
  // What kept it from starting it has said itself.
  await server.ready.catch(() => {
    throw new CannotStart('Early Lantern did not start.');
  });
  const worker = hasWorker ? keepAlive('worker', ['do-work']) : undefined;
  if (worker) undo.push(worker.stop);
  await worker?.ready.catch(() => {
    throw new CannotStart('The worker did not start.');
  });
  const moved = () => {
    server.again();
    worker?.again();
  };
  if (cluster) undo.push(watchCluster(dataDir, cluster.url, moved));
  console.log(`Data: ${isOwn ? dataDir : 'the server named by DATABASE_URL'}`);
  const scheme = lan ? 'https' : 'http';
  console.log(`Early Lantern is lit at ${scheme}://127.0.0.1:${port}  (Ctrl-C puts it out)`);
  if (lan) await sayHowToReach(port);
  if (proxyName !== undefined) console.log(`It answers to https://${proxyName} by a proxy on this machine.`);
}

/** A worker alone, for servers elsewhere that share its database: kept up until it is asked to stop. */
export async function startWorker(): Promise<void> {
  if (!process.env.DATABASE_URL)
    throw new CannotStart('Say which database: DATABASE_URL=postgres://… ./lantern work');
  const worker = keepAlive('worker', ['do-work']);
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => void worker.stop().then(() => process.exit(0)));
  await worker.ready.catch(() => {
    throw new CannotStart('The worker did not start.');
  });
  console.log('A worker waits for work  (Ctrl-C ends it)');
}

/** Where a start was killed its server goes down a moment later: the port is waited for. */
const MOMENT_MS = 3_000;

async function freeSoon(port: number): Promise<boolean> {
  for (let waited = 0; waited < MOMENT_MS; waited += 100) {
    if (await portIsFree(port)) return true;
    await sleep(100);
  }
  return false;
}

import { setTimeout as sleep } from 'node:timers/promises';
import { buildApp } from '../app.ts';
import { keepBackups } from '../backup/daily.ts';
import { finishRestore } from '../backup/restore.ts';
import { openCluster } from '../cluster/cluster.ts';
import { portIsFree } from '../cluster/ports.ts';
import { connect, type Database, migrateDatabase } from '../db/database.ts';
import { alone, changeHouse } from '../db/locks.ts';
import { listenTo } from '../events/hub.ts';
import type { Server } from '../http/types.ts';
import { emptyBin } from '../jobs/store.ts';
import { loadDemo } from '../setup/demo.ts';
import { addFirstWorkshop } from '../setup/first-workshop.ts';
import { warmNeeds } from '../stock/needs-store.ts';
import { workPools } from '../threads/pools.ts';
import { findSettings } from '../workshop/store.ts';
import { backupFolder, dataFolder, demoFolder, migrationsFolder, webRoot } from './places.ts';
import { releaseLock, runningServer, takeLock } from './server-lock.ts';

interface StartOptions {
  port: number;
  /** Start without the demo. */
  empty: boolean;
}

/** A reason not to start that the user can act on. */
export class CannotStart extends Error {}

/** Brings everything up and serves until it is asked to stop. */
export async function start({ port, empty }: StartOptions): Promise<void> {
  const dataDir = dataFolder();
  const running = await runningServer(dataDir);
  if (running && running.port === 0)
    throw new CannotStart('A backup or restore is under way. Wait until it has ended.');
  if (running) {
    console.log(
      `Early Lantern is already running at http://127.0.0.1:${running.port} (./lantern stop ends it).`,
    );
    return;
  }
  if (!(await portIsFree(port))) {
    throw new CannotStart(
      `Port ${port} is taken by another program. Start with another one: ./lantern start --port ${port + 1}`,
    );
  }
  if (!(await takeLock(dataDir, port))) {
    throw new CannotStart(
      'Another start is under way with the same data directory. Wait for it, or ./lantern stop.',
    );
  }

  const undo: (() => Promise<unknown>)[] = [() => releaseLock(dataDir)];
  const starting = bringUp(port, empty, dataDir, undo);
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
async function stopAll(starting: Promise<void>, undo: readonly (() => Promise<unknown>)[]): Promise<void> {
  await starting.catch(() => undefined);
  for (const step of [...undo].reverse()) await step();
}

/** Database, schema, first data, server; each thing that must be undone later is noted in `undo`. */
async function bringUp(
  port: number,
  empty: boolean,
  dataDir: string,
  undo: (() => Promise<unknown>)[],
): Promise<void> {
  if (!process.env.DATABASE_URL) await finishRestore(dataDir);
  const url = process.env.DATABASE_URL ?? (await ownDatabase(dataDir, undo));
  const { db, close } = connect(url);
  undo.push(() => withPatience(close()));
  // Of several that start on one database one makes it ready; the others wait, and find it so.
  await alone(url, async () => {
    await migrateDatabase(db, migrationsFolder);
    await fillEmpty(db, empty);
    await changeHouse(db, emptyBin);
  });
  const pools = workPools();
  undo.push(() => withPatience(pools.close()));
  const events = listenTo(url);
  undo.push(() => withPatience(events.close()));
  const backups = keepBackups(url, backupFolder());
  undo.push(async () => backups.close());
  const server = await buildApp({
    db,
    webRoot,
    plan: pools.plan,
    readTable: pools.readTable,
    judge: pools.judge,
    backups,
    events,
  });
  undo.push(() => closeGently(server));
  await server.listen({ port, host: '127.0.0.1' });
  const address = `http://127.0.0.1:${port}`;
  const health = await fetch(`${address}/api/health`);
  if (!health.ok)
    throw new CannotStart(`The server answers, but its database does not: ${await health.text()}`);
  // So that whoever looks at the shelf first need not wait for what all jobs take.
  void warmNeeds(db);
  console.log(`Data: ${process.env.DATABASE_URL ? 'the server named by DATABASE_URL' : dataDir}`);
  console.log(`Early Lantern is lit at ${address}  (Ctrl-C puts it out)`);
}

/** What is under way may end; then it is cut off: a stop has to come to its end, and the database after it. */
const PATIENCE_MS = 8000;

async function closeGently(server: Server): Promise<void> {
  const cut = setTimeout(() => server.server.closeAllConnections(), PATIENCE_MS);
  await server.close();
  clearTimeout(cut);
}

/** Waits for something to end, but not for ever. */
async function withPatience(ending: Promise<unknown>): Promise<void> {
  const given = new AbortController();
  await Promise.race([
    ending,
    sleep(PATIENCE_MS, undefined, { signal: given.signal }).catch(() => undefined),
  ]);
  given.abort();
}

async function ownDatabase(dataDir: string, undo: (() => Promise<unknown>)[]): Promise<string> {
  const cluster = await openCluster(dataDir);
  undo.push(cluster.stop);
  return cluster.url;
}

/** A database without a workshop is new: it gets the demo, or the least to begin with. */
async function fillEmpty(db: Database, empty: boolean): Promise<void> {
  if (await findSettings(db)) return;
  if (empty) return addFirstWorkshop(db);
  const now = process.env.EARLY_LANTERN_NOW ? new Date(process.env.EARLY_LANTERN_NOW) : new Date();
  const count = await loadDemo(db, demoFolder, now);
  console.log(`Loaded the demo: ${count} jobs.`);
}

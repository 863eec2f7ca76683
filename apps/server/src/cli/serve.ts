import { setTimeout as sleep } from 'node:timers/promises';
import { FIRST_WORKSHOP } from '@early-lantern/contract';
import { buildApp } from '../app.ts';
import { keepBackups } from '../backup/daily.ts';
import { runningDatabase } from '../cluster/cluster.ts';
import { connect, connectToWorkshops, type Database, migrateDatabase } from '../db/database.ts';
import { alone, changeHouse } from '../db/locks.ts';
import { crewRows } from '../db/rows.ts';
import { inWorkshop } from '../db/which-workshop.ts';
import { listenTo } from '../events/hub.ts';
import { logFiles } from '../http/logging.ts';
import type { Server } from '../http/types.ts';
import { emptyBin } from '../jobs/store.ts';
import { keepLamps } from '../lamps/keeper.ts';
import { warmLamps } from '../lamps/warm.ts';
import { inviteFirstOwner, somebodyHasPassword } from '../people/accounts.ts';
import { workQueue } from '../queue/ask.ts';
import { migrateQueue } from '../queue/worker.ts';
import { authorityPath } from '../reach/certificate.ts';
import { behindProxy, localNetwork, loopback, type Reach } from '../reach/reach.ts';
import { loadDemo } from '../setup/demo.ts';
import { addNewWorkshop } from '../setup/new-workshop.ts';
import type { Reckoning } from '../stock/needs-of-all.ts';
import { warmNeeds } from '../stock/needs-store.ts';
import { sheetThread } from '../threads/pools.ts';
import { listWorkshops } from '../workshop/several.ts';
import { findSettings } from '../workshop/store.ts';
import { CannotStart } from './cannot-start.ts';
import { reportTo } from './keep-alive.ts';
import { backupFolder, dataFolder, demoFolder, logFolder, migrationsFolder, webRoot } from './places.ts';

interface ServeOptions {
  port: number;
  /** Start without the demo. */
  empty: boolean;
  lan: boolean;
  proxyName: string | undefined;
}

type Undo = (() => Promise<unknown>)[];

/** The server itself, in the process that the starter keeps alive: serves until it is asked to stop. */
export async function serve(options: ServeOptions): Promise<void> {
  const keeper = reportTo(process);
  const undo: Undo = [];
  const starting = bringUp(options, undo);
  let stopping: Promise<void> | undefined;
  const stop = () => {
    stopping ??= stopAll(starting, undo);
    return stopping;
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      stop().then(
        () => process.exit(0),
        (error: Error) => {
          console.error(error.message);
          process.exit(1);
        },
      );
    });
  }
  await starting.then(keeper.ready, async (error) => {
    await stop();
    throw error;
  });
}

/** Undoes what was brought up, last first. A start still under way is let finish, so that nothing is torn in two. */
async function stopAll(starting: Promise<void>, undo: Undo): Promise<void> {
  await starting.catch(() => undefined);
  for (const step of [...undo].reverse()) await step();
}

/** Schema, first data, server; each thing that must be undone later is noted in `undo`. */
async function bringUp({ port, empty, lan, proxyName }: ServeOptions, undo: Undo): Promise<void> {
  const url = process.env.DATABASE_URL ?? (await runningDatabase(dataFolder()));
  if (!url) throw new CannotStart('The database does not run.');
  const { db: installation, close: leave } = connect(url);
  undo.push(() => withPatience(leave()));
  const { db, close } = connectToWorkshops(url);
  undo.push(() => withPatience(close()));
  // Of several that start on one database one makes it ready; the others wait, and find it so.
  await alone(url, async () => {
    await migrateDatabase(installation, migrationsFolder);
    await migrateQueue(url);
    await inWorkshop(FIRST_WORKSHOP, () => fillEmpty(db, empty));
    for (const { id } of await listWorkshops(installation))
      await inWorkshop(id, () => changeHouse(db, emptyBin));
  });
  const sheets = sheetThread();
  undo.push(() => withPatience(sheets.close()));
  const events = listenTo(url);
  undo.push(() => withPatience(events.close()));
  const queue = workQueue(installation, events);
  const backups = keepBackups(url, backupFolder());
  undo.push(async () => backups.close());
  const needs: Reckoning = (files) => queue.ask('needs', files, { priority: AT_ONCE });
  const lamps = keepLamps((file) => queue.ask('lamps', file, { priority: BEHIND }));
  const reach = lan ? await localNetwork(dataFolder()) : proxyName ? behindProxy(proxyName) : loopback;
  const server = await buildApp({
    db,
    installation,
    reach,
    logger: logFiles(logFolder()),
    authorityPath: lan ? authorityPath(dataFolder()) : undefined,
    webRoot,
    plan: (file, signal) => queue.ask('plan', file, { priority: AT_ONCE, signal }),
    readTable: sheets.readTable,
    needs,
    lamps,
    backups,
    events,
  });
  undo.push(() => closeGently(server));
  await server.listen({ port, host: reach.host });
  const health = await server.inject({ url: '/api/health', headers: { host: 'localhost' } });
  if (health.statusCode !== 200)
    throw new CannotStart(`The server answers, but its database does not: ${health.body}`);
  await inWorkshop(FIRST_WORKSHOP, async () => {
    if (reach.mustSignIn && !(await somebodyHasPassword(db))) await sayFirstOwner(db, port, reach);
  });
  // So that whoever looks at the shelf first need not wait for what all jobs take, nor for a worker that has lit no lamp yet.
  for (const { id } of await listWorkshops(installation))
    void inWorkshop(id, async () => {
      await warmNeeds(db, needs);
      await warmLamps(db, lamps, needs).catch(() => undefined);
    });
}

/** Somebody looks at it and waits. */
const AT_ONCE = 0;
/** Behind a list: whatever somebody waits for goes before it. */
const BEHIND = 1000;

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

/** Nobody can sign in yet, and whoever comes first must not be the owner: whoever reads this is. */
async function sayFirstOwner(db: Database, port: number, { tls, names }: Reach): Promise<void> {
  const crew = await crewRows.all(db);
  const name = crew.find(({ skills }) => skills.includes('lead'))?.name ?? 'Owner';
  const { token } = await inviteFirstOwner(db, name);
  const origin = tls ? `https://127.0.0.1:${port}` : `https://${names[0]}`;
  console.log(`Nobody has a password yet. Set yours, as ${name}, the owner: ${origin}/join#${token}`);
}

/** A database without a workshop is new: it gets the demo, or the least to begin with. */
async function fillEmpty(db: Database, empty: boolean): Promise<void> {
  if (await findSettings(db)) return;
  if (empty) return addNewWorkshop(db);
  const now = process.env.EARLY_LANTERN_NOW ? new Date(process.env.EARLY_LANTERN_NOW) : new Date();
  const count = await loadDemo(db, demoFolder, now);
  console.log(`Loaded the demo: ${count} jobs.`);
}

import { availableParallelism } from 'node:os';
import { setTimeout as sleep } from 'node:timers/promises';
import type { JobFile } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import { runningDatabase } from '../cluster/cluster.ts';
import { connect, type Database } from '../db/database.ts';
import { listenTo } from '../events/hub.ts';
import { workOff } from '../queue/worker.ts';
import { workThreads } from '../threads/pools.ts';
import { CannotStart } from './cannot-start.ts';
import { reportTo } from './keep-alive.ts';
import { dataFolder } from './places.ts';

const PATIENCE_MS = 60_000;

/** A worker: works out what servers ask for, in threads of its own, until it is asked to stop. */
export async function work(): Promise<void> {
  const keeper = reportTo(process);
  const url = process.env.DATABASE_URL ?? (await runningDatabase(dataFolder()));
  if (!url) throw new CannotStart('The database does not run.');
  const { db, close } = connect(url);
  await untilReady(db);
  const threads = workThreads();
  const events = listenTo(url);
  const hands = await workOff({ url, db, events }, [
    {
      task: 'plan',
      count: Math.max(1, availableParallelism() - 1),
      work: (file, signal) => threads.plan(file as JobFile, signal),
    },
    {
      task: 'needs',
      count: 1,
      work: (files, signal) => threads.needs(files as readonly JobFile[], signal),
    },
    // Of its own: whoever has a job open does not wait for the lamps of others.
    { task: 'lamps', count: 1, work: (file, signal) => threads.judge(file as JobFile, signal) },
  ]);
  let isStopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (isStopping) return;
      isStopping = true;
      // What is under way is left: another takes it up.
      setTimeout(() => process.exit(0), PATIENCE_MS / 10).unref();
      Promise.all([hands.close(), events.close(), threads.close()])
        .then(close)
        .then(
          () => process.exit(0),
          () => process.exit(1),
        );
    });
  }
  keeper.ready();
}

/** The server that comes first makes the tables; a worker on another machine may be there before it. */
async function untilReady(db: Database): Promise<void> {
  const giveUpAt = Date.now() + PATIENCE_MS;
  for (;;) {
    const { rows } = await db.execute<{ there: boolean }>(
      sql`select to_regclass('work_hands') is not null and to_regclass('graphile_worker.jobs') is not null as there`,
    );
    if (rows[0]?.there) return;
    if (Date.now() > giveUpAt)
      throw new CannotStart('This database has no tables of Early Lantern yet: start a server first.');
    await sleep(500);
  }
}

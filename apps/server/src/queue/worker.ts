import { EventEmitter } from 'node:events';
import { and, DrizzleQueryError, eq, isNull, lt, sql } from 'drizzle-orm';
import { Logger, makeWorkerUtils, type Runner, run, type TaskList } from 'graphile-worker';
import pg from 'pg';
import type { Database } from '../db/database.ts';
import { type WorkFailure, workHands, workItems } from '../db/schema.ts';
import type { EventHub } from '../events/hub.ts';
import { ProblemError } from '../http/problem.ts';
import { type Task, tellWork, word } from './words.ts';

/** Works something out. */
export type Work = (input: unknown, signal: AbortSignal) => Promise<unknown>;

interface Hands {
  task: Task;
  work: Work;
  /** So many at the same time. */
  count: number;
}

/** A hand that was not heard of for so long is dead, s; heard of it is so often, ms. */
const DEAD_AFTER_S = 6;
const HEARD_MS = 1_500;
/** What is done is kept so long for whoever asks for the same, s. */
const KEPT_S = 3600;
const MOST_CONNECTIONS = 12;

const STOPS = 'the worker stops';

/** Nothing of its own log: what matters is told by whoever asked. */
const silent = new Logger(() => () => undefined);

/** Makes or brings up the tables of the queue itself. */
export async function migrateQueue(url: string): Promise<void> {
  const utils = await makeWorkerUtils({ connectionString: url, logger: silent });
  await utils.migrate().finally(() => utils.release());
}

/** Works off the queue until it is closed: each kind of work with hands of its own, so that one never waits for the other. */
export async function workOff(
  { url, db, events }: { url: string; db: Database; events: EventHub },
  kinds: readonly Hands[],
): Promise<{ close(): Promise<void> }> {
  const underWay = new Map<string, AbortController>();
  const stopHearing = events.onWork((said) => {
    const [what, key = ''] = said.split(' ');
    if (what === 'stop') underWay.get(key)?.abort();
  });
  const pool = new pg.Pool({ connectionString: url, max: MOST_CONNECTIONS });
  pool.on('error', () => undefined);
  pool.on('connect', (client) => client.on('error', () => undefined));
  const utils = await makeWorkerUtils({ pgPool: pool, logger: silent });
  const own = new Set<string>();

  const runners: Runner[] = [];
  for (const { task, work, count } of kinds) {
    const heard = new EventEmitter();
    heard.on('worker:create', ({ worker }: { worker: { workerId: string } }) => own.add(worker.workerId));
    heard.on('worker:release', ({ worker }: { worker: { workerId: string } }) => own.delete(worker.workerId));
    const taskList: TaskList = {
      [task]: (payload: unknown) => doItem(db, (payload as { key: string }).key, work, underWay),
    };
    runners.push(
      await run({
        pgPool: pool,
        concurrency: count,
        noHandleSignals: true,
        pollInterval: 2000,
        logger: silent,
        events: heard as never,
        taskList,
      }),
    );
  }
  // One that breaks ends the process: whoever keeps it starts another.
  for (const runner of runners) void runner.promise.catch(() => process.exit(1));

  const beat = async () => {
    if (own.size > 0)
      await db
        .insert(workHands)
        .values([...own].map((id) => ({ id })))
        .onConflictDoUpdate({ target: workHands.id, set: { seenAt: sql`now()` } });
    const dead = await db
      .delete(workHands)
      .where(lt(workHands.seenAt, sql`now() - ${DEAD_AFTER_S} * interval '1 s'`))
      .returning({ id: workHands.id });
    if (dead.length > 0) await utils.forceUnlockWorkers(dead.map(({ id }) => id));
    await db.delete(workItems).where(lt(workItems.doneAt, sql`now() - ${KEPT_S} * interval '1 s'`));
  };
  await beat();
  const beating = setInterval(() => void beat().catch(() => undefined), HEARD_MS);

  return {
    async close() {
      clearInterval(beating);
      stopHearing();
      for (const stop of underWay.values()) stop.abort(STOPS);
      await Promise.all(runners.map((runner) => runner.stop()));
      await utils.release();
      await pool.end();
    },
  };
}

/** Works one item out and writes down what came of it, unless nobody wants it any more. */
async function doItem(
  db: Database,
  key: string,
  work: Work,
  underWay: Map<string, AbortController>,
): Promise<void> {
  const isOpen = and(eq(workItems.key, key), isNull(workItems.doneAt));
  const [item] = await db.select({ input: workItems.input }).from(workItems).where(isOpen);
  if (!item) return;
  const stop = new AbortController();
  underWay.set(key, stop);
  const outcome = await work(JSON.parse(item.input), stop.signal)
    .then(
      (result) => ({ result: JSON.stringify(result) }),
      (error: Error) => ({ failure: failureOf(error) }),
    )
    .finally(() => underWay.delete(key));
  // Nobody wants it any more; or this worker stops, and the queue gives it to another.
  if (stop.signal.reason === STOPS) throw new Error(STOPS);
  if (stop.signal.aborted) return;
  await db
    .update(workItems)
    // What went in is not needed any more.
    .set({ ...outcome, doneAt: new Date(), input: '' })
    .where(isOpen);
  await tellWork(db, word.done(key));
}

/** Only what the engine or we say ourselves is told on; whatever a library or the database says stays here. */
const failureOf = (error: Error): WorkFailure => ({
  code: error instanceof ProblemError ? error.code : null,
  detail: error instanceof DrizzleQueryError ? 'Something broke here.' : error.message,
});

import { setTimeout as sleep } from 'node:timers/promises';
import { eq, sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { type WorkFailure, workItems } from '../db/schema.ts';
import type { EventHub } from '../events/hub.ts';
import { ProblemError } from '../http/problem.ts';
import { keyOf, type Task, tellWork, word } from './words.ts';

/** Looked for again so often where no word of it came, ms. */
const LOOK_MS = 2_000;
/** Nobody waits longer; a worker gives up before, and says why. */
const LONGEST_MS = 120_000;
/** Something that nobody has finished after so long is begun anew: whoever had it is gone for good, s. */
const LOST_S = 90;
/** A worker that died with it is not the work's fault once, or twice. */
const TRIES = 3;

interface Asking {
  /** The lower the sooner; from 0 to 32,767. */
  priority: number;
  signal?: AbortSignal | undefined;
}

/** Has things worked out by a worker, whichever process it runs in. */
export interface WorkQueue {
  /** @throws ProblemError where it took too long, or as the work says; AbortError once nobody wants it */
  ask<Output>(task: Task, input: unknown, asking: Asking): Promise<Output>;
}

export function workQueue(db: Database, events: EventHub): WorkQueue {
  /** Woken when something is told of what they wait for. */
  const waiting = new Map<string, Set<() => void>>();
  events.onWork((said) => {
    const [, key] = said.split(' ');
    for (const [one, wakers] of waiting) if (!key || one === key) for (const wake of wakers) wake();
  });

  const woken = (key: string, signal: AbortSignal): Promise<void> => {
    const wakers = waiting.get(key) ?? new Set();
    waiting.set(key, wakers);
    const done = new AbortController();
    const wake = () => done.abort();
    wakers.add(wake);
    return sleep(LOOK_MS, undefined, { signal: AbortSignal.any([signal, done.signal]) })
      .catch(() => undefined)
      .then(() => {
        wakers.delete(wake);
        if (wakers.size === 0) waiting.delete(key);
      });
  };

  return {
    async ask<Output>(task: Task, value: unknown, { priority, signal }: Asking): Promise<Output> {
      const input = JSON.stringify(value);
      const key = keyOf(task, input);
      const over = new AbortController();
      const patience = AbortSignal.timeout(LONGEST_MS);
      const end = AbortSignal.any([over.signal, patience, ...(signal ? [signal] : [])]);
      try {
        while (!end.aborted) {
          // Whoever listens first misses nothing of what comes after it has looked.
          const word = woken(key, end);
          const [item] = await db
            .select({ result: workItems.result, failure: workItems.failure, doneAt: workItems.doneAt })
            .from(workItems)
            .where(eq(workItems.key, key));
          if (item?.failure) throw asError(item.failure);
          if (item?.doneAt && item.result !== null) return JSON.parse(item.result) as Output;
          if (!item) await put(db, task, key, input, priority);
          await word;
        }
      } finally {
        over.abort();
      }
      await giveUp(db, key);
      if (signal?.aborted) throw new DOMException('Nobody waits for it any more.', 'AbortError');
      throw new ProblemError('took-too-long', 'Nobody has worked this out in time. Is a worker running?');
    },
  };
}

/** Puts an item into the queue, once; one that was lost with whoever had it, again. */
async function put(db: Database, task: Task, key: string, input: string, priority: number): Promise<void> {
  await db.transaction(async (tx) => {
    const isLost = sql`${workItems.doneAt} is null and ${workItems.askedAt} < now() - ${LOST_S} * interval '1 s'`;
    const put = await tx
      .insert(workItems)
      .values({ key, input })
      .onConflictDoUpdate({ target: workItems.key, set: { askedAt: new Date() }, setWhere: isLost })
      .returning({ key: workItems.key });
    if (put.length === 0) return;
    await tx.execute(sql`
      select graphile_worker.add_job(${task}, json_build_object('key', ${key}::text),
        job_key := ${key}, priority := ${priority}, max_attempts := ${TRIES})
    `);
  });
}

/** Nobody here wants it any more. Whoever else does finds it gone, and asks anew. */
async function giveUp(db: Database, key: string): Promise<void> {
  await db.transaction(async (tx) => {
    const gone = await tx
      .delete(workItems)
      .where(sql`${workItems.key} = ${key} and ${workItems.doneAt} is null`)
      .returning({ key: workItems.key });
    if (gone.length === 0) return;
    await tx.execute(sql`select graphile_worker.remove_job(${key})`);
    await tellWork(tx, word.stop(key));
  });
}

const asError = ({ code, detail }: WorkFailure): Error =>
  code ? new ProblemError(code, detail) : new Error(detail);

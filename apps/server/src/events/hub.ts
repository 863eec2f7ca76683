import { setTimeout as sleep } from 'node:timers/promises';
import { Changed, FIRST_WORKSHOP } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import { z } from 'zod';
import type { Queries } from '../db/database.ts';
import { workshopAsked } from '../db/which-workshop.ts';

/** A change as the database tells it: in which workshop; empty where it may have been in any. */
const Told = Changed.extend({ workshop: z.string() });
type Told = z.infer<typeof Told>;

/** Tells what is changed in the database, by whichever process. */
export interface EventHub {
  /** @param listener is told of every workshop: what it hands on of one belongs there only. @returns ends it */
  subscribe(listener: (change: Told) => void): () => void;
  /** What is told of work, in the queue's own words; empty after a connection broke. @returns ends it */
  onWork(listener: (word: string) => void): () => void;
  close(): Promise<void>;
}

/** Tells whoever has a page of this workshop open of what no row says by itself. */
export async function tellChanged(db: Queries, what: Changed['what']): Promise<void> {
  const told: Told = { workshop: workshopAsked() ?? FIRST_WORKSHOP, what, id: '' };
  await db.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(told)})`);
}

/** Where nobody listens to the database nothing is ever told. */
export const noEvents: EventHub = {
  subscribe: () => () => {},
  onWork: () => () => {},
  close: async () => {},
};

const CHANNEL = 'early_lantern';
export const WORK_CHANNEL = 'early_lantern_work';
/** Waits between tries to listen again, ms. */
const FIRST_WAIT_MS = 100;
const LONGEST_WAIT_MS = 3_000;
/** Whoever listened may have missed something meanwhile. */
const ANYTHING: Told = { workshop: '', what: 'anything', id: '' };

/**
 * Listens to a database's own notifications on a connection of its own. A connection that breaks is opened again; then it is
 * told that anything may have changed.
 */
export function listenTo(url: string): EventHub {
  const listeners = new Set<(change: Told) => void>();
  const workers = new Set<(word: string) => void>();
  const tellWork = (word: string) => {
    for (const worker of workers) worker(word);
  };
  const tell = (change: Told) => {
    for (const listener of listeners) listener(change);
  };
  const closing = new AbortController();
  let client: pg.Client | undefined;

  /** Listens until the connection breaks. @returns whether it had listened at all */
  const listen = async (isAgain: boolean): Promise<boolean> => {
    const own = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000, keepAlive: true });
    client = own;
    const broken = new Promise<void>((done) => {
      own.once('end', () => done());
      own.on('error', () => done());
    });
    own.on('notification', ({ channel, payload = '' }) => {
      if (channel === WORK_CHANNEL) return tellWork(payload);
      const change = Told.safeParse(asJson(payload));
      if (change.success) tell(change.data);
    });
    try {
      await own.connect();
      await own.query(`listen ${CHANNEL}`);
      await own.query(`listen ${WORK_CHANNEL}`);
    } catch {
      await own.end().catch(() => undefined);
      return false;
    }
    if (isAgain) {
      tell(ANYTHING);
      tellWork('');
    }
    await broken;
    await own.end().catch(() => undefined);
    return true;
  };

  const listening = (async () => {
    let wait = FIRST_WAIT_MS;
    for (let times = 0; !closing.signal.aborted; times++) {
      wait = (await listen(times > 0)) ? FIRST_WAIT_MS : Math.min(LONGEST_WAIT_MS, wait * 2);
      if (!closing.signal.aborted)
        await sleep(wait, undefined, { signal: closing.signal }).catch(() => undefined);
    }
  })();

  return {
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    onWork(listener) {
      workers.add(listener);
      return () => workers.delete(listener);
    },
    async close() {
      closing.abort();
      await client?.end().catch(() => undefined);
      await listening;
    },
  };
}

/** What a text says as JSON; undefined where it says nothing. */
function asJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

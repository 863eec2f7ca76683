import { Health } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { pulse } from '../db/schema.ts';
import type { RouteOptions, Server } from '../http/types.ts';

const VERSION = '0.1.0';
/** Whoever asks again so soon gets the same answer: looking must not be work. */
const FRESH_MS = 300;

export async function healthRoutes(server: Server, { installation: db }: RouteOptions): Promise<void> {
  let last: { at: number; health: Promise<Health> } | undefined;
  server.get(
    '/health',
    { config: { right: 'unasked' }, schema: { tags: ['health'], response: { 200: Health, 503: Health } } },
    async (_, reply) => {
      if (!last || performance.now() - last.at > FRESH_MS) last = { at: performance.now(), health: look(db) };
      const health = await last.health;
      return reply.code(health.status === 'ok' ? 200 : 503).send(health);
    },
  );
}

/** Whether the database answers, and takes what is written: it does not where its disk is full. */
async function look(db: Database): Promise<Health> {
  const started = performance.now();
  const succeeds = (query: Promise<unknown>) =>
    query.then(
      () => true,
      () => false,
    );
  const now = { at: sql`now()` };
  const isWritable = await succeeds(
    db.insert(pulse).values({ id: 1 }).onConflictDoUpdate({ target: pulse.id, set: now }).execute(),
  );
  const isReachable = isWritable || (await succeeds(db.execute(sql`select 1`)));
  return {
    status: isWritable ? 'ok' : 'failing',
    process: { upS: Math.round(process.uptime()), version: VERSION },
    database: {
      reachable: isReachable,
      writable: isWritable,
      latencyMs: isReachable ? Math.round(performance.now() - started) : null,
    },
  };
}

import { Health } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import type { RouteOptions, Server } from '../http/types.ts';

const VERSION = '0.1.0';

export async function healthRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  server.get(
    '/health',
    { schema: { tags: ['health'], response: { 200: Health, 503: Health } } },
    async (_, reply) => {
      const started = performance.now();
      const reachable = await db.execute(sql`select 1`).then(
        () => true,
        () => false,
      );
      const health: Health = {
        status: reachable ? 'ok' : 'failing',
        process: { upS: Math.round(process.uptime()), version: VERSION },
        database: { reachable, latencyMs: reachable ? Math.round(performance.now() - started) : null },
      };
      return reply.code(reachable ? 200 : 503).send(health);
    },
  );
}

import { createGzip } from 'node:zlib';
import { newestApplied } from '../db/database.ts';
import type { RouteOptions, Server } from '../http/types.ts';
import { writeOut } from './write-out.ts';

/** Everything of a workshop, to take along. */
export async function wholeRoutes(server: Server, { db, installation }: RouteOptions): Promise<void> {
  server.get(
    '/export',
    {
      config: { right: 'run the workshop' },
      schema: { tags: ['workshop'], summary: 'Everything of this workshop, packed lines of JSON' },
    },
    async (_, reply) => {
      const now = new Date();
      const name = `early-lantern-${now.toISOString().slice(0, 10)}.jsonl.gz`;
      const lines = writeOut(db, await newestApplied(installation), now);
      return reply
        .header('content-disposition', `attachment; filename="${name}"`)
        .type('application/gzip')
        .send(lines.pipe(createGzip()));
    },
  );
}

import { Id, Instant, JobLamps } from '@early-lantern/contract';
import { z } from 'zod';
import { gives, packed, type RouteOptions, type Server } from '../http/types.ts';
import { filesBetween } from '../stock/season.ts';

/** What the lamps of jobs in a list say. */
export async function lampRoutes(server: Server, { db, lamps, needs }: RouteOptions): Promise<void> {
  server.get(
    '/lamps',
    {
      config: { right: 'look' },
      ...packed,
      schema: {
        tags: ['lamps'],
        summary:
          'What the lamps say of the jobs with doors in a span, by job id; null while that is being worked out',
        querystring: z.object({ from: Instant, until: Instant }),
        response: gives(z.record(Id, JobLamps)),
      },
    },
    async ({ query }) =>
      lamps.lampsOf(db, await filesBetween(db, new Date(query.from), new Date(query.until), needs)),
  );
}

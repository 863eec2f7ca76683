import { Id, JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import { z } from 'zod';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { assembleJobFile } from '../job-files/store.ts';

export async function planRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['plan'];

  server.post(
    '/plan',
    {
      schema: { tags, summary: 'Plans a job file; nothing is stored', body: JobFile, response: gives(Plan) },
    },
    async ({ body }) => planJob(body),
  );

  server.get(
    '/jobs/:id/plan',
    { schema: { tags, summary: 'Plans a stored job', params: z.object({ id: Id }), response: gives(Plan) } },
    async ({ params }) => planJob(await assembleJobFile(db, params.id)),
  );
}

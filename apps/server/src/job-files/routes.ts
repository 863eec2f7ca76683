import { randomBytes } from 'node:crypto';
import { Id, ImportResult, JobFile, jobFileJsonSchema, newestJobFile } from '@early-lantern/contract';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { gives, makes, packed, type RouteOptions, type Server } from '../http/types.ts';
import { assembleJobFile } from './assemble.ts';
import { importJobFile } from './import.ts';

const Params = z.object({ id: Id });

/** The id with a short random tail, within the length an id may have. */
export const idWithTail = (id: string) => `${id.slice(0, 54)}-${randomBytes(4).toString('hex')}`;

/** A file of an older version is read as one of the newest, before it is checked. */
export const readsOldVersions = {
  preValidation: async (request: { body: unknown }) => {
    request.body = newestJobFile(request.body);
  },
};

export async function jobFileRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['job files'];

  server.get(
    '/jobs/:id/file',
    {
      config: { right: 'look' },
      ...packed,
      schema: { tags, summary: 'Exports a job with all it needs', params: Params, response: gives(JobFile) },
    },
    async ({ params }, reply) => {
      const file = await assembleJobFile(db, params.id);
      reply.header('content-disposition', `attachment; filename="${params.id}.lantern.json"`);
      return file;
    },
  );

  server.post(
    '/job-files',
    {
      config: { right: 'plan' },
      ...readsOldVersions,
      schema: {
        tags,
        summary: 'Imports a job file, whole or not at all',
        body: JobFile,
        response: makes(ImportResult),
      },
    },
    async ({ body }, reply) => {
      const result = await changeHouse(db, (tx) => importJobFile(tx, body, idWithTail));
      return reply.code(201).send(result);
    },
  );
}

/** The published schema stands outside the versioned API: the format has a version of its own. */
export async function jobSchemaRoute(server: Server): Promise<void> {
  const schema = jobFileJsonSchema();
  server.get('/schema/job.json', { config: { right: 'unasked' }, schema: { hide: true } }, (_, reply) =>
    reply
      .type('application/schema+json')
      .serializer((payload) => JSON.stringify(payload))
      .send(schema),
  );
}

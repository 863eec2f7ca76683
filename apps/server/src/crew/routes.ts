import { CrewMember, CrewRow, Id, PageQuery, update } from '@early-lantern/contract';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { crewRows } from '../db/rows.ts';
import { inUse } from '../http/problem.ts';
import { gives, lists, makes, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';
import { requireAllSound } from '../job-files/sound.ts';
import { jobsWithMember } from '../jobs/store.ts';

const Params = z.object({ id: Id });

export async function crewRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['crew'];

  server.get(
    '/crew',
    { config: { right: 'look' }, schema: { tags, querystring: PageQuery, response: lists(CrewRow) } },
    ({ query }) => crewRows.list(db, query.limit, query.after),
  );

  server.get(
    '/crew/:id',
    { config: { right: 'look' }, schema: { tags, params: Params, response: gives(CrewRow) } },
    ({ params }) => crewRows.get(db, params.id),
  );

  server.post(
    '/crew',
    { config: { right: 'run the workshop' }, schema: { tags, body: CrewMember, response: makes(CrewRow) } },
    async ({ body }, reply) => {
      const row = await changeHouse(db, (tx) => crewRows.add(tx, body));
      return reply.code(201).send(row);
    },
  );

  server.put(
    '/crew/:id',
    {
      config: { right: 'run the workshop' },
      schema: { tags, params: Params, body: update(CrewMember), response: gives(CrewRow) },
    },
    ({ params, body }) =>
      changeHouse(db, async (tx) => {
        const row = await crewRows.update(tx, params.id, body.revision, { ...body.data, id: params.id });
        await requireAllSound(tx);
        return row;
      }),
  );

  server.delete(
    '/crew/:id',
    {
      config: { right: 'run the workshop' },
      schema: { tags, params: Params, querystring: RevisionQuery, response: gives(CrewRow) },
    },
    ({ params, query }) =>
      changeHouse(db, async (tx) => {
        const row = await crewRows.remove(tx, params.id, query.revision);
        const users = await jobsWithMember(tx, params.id);
        if (users.length) throw inUse(row.data.name, users.join(', '));
        return row;
      }),
  );
}

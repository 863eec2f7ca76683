import { Id, PageQuery, Site, SiteRow, update } from '@early-lantern/contract';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { siteRows } from '../db/rows.ts';
import { inUse } from '../http/problem.ts';
import { gives, lists, makes, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';
import { requireAllSound } from '../job-files/sound.ts';
import { jobsAtSite } from '../jobs/store.ts';

const Params = z.object({ id: Id });

export async function siteRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['sites'];

  server.get(
    '/sites',
    { config: { right: 'look' }, schema: { tags, querystring: PageQuery, response: lists(SiteRow) } },
    ({ query }) => siteRows.list(db, query.limit, query.after),
  );

  server.get(
    '/sites/:id',
    { config: { right: 'look' }, schema: { tags, params: Params, response: gives(SiteRow) } },
    ({ params }) => siteRows.get(db, params.id),
  );

  server.post(
    '/sites',
    { config: { right: 'plan' }, schema: { tags, body: Site, response: makes(SiteRow) } },
    async ({ body }, reply) => {
      const row = await changeHouse(db, (tx) => siteRows.add(tx, body));
      return reply.code(201).send(row);
    },
  );

  server.put(
    '/sites/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: Params, body: update(Site), response: gives(SiteRow) },
    },
    ({ params, body }) =>
      changeHouse(db, async (tx) => {
        const row = await siteRows.update(tx, params.id, body.revision, { ...body.data, id: params.id });
        await requireAllSound(tx, params.id);
        return row;
      }),
  );

  server.delete(
    '/sites/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: Params, querystring: RevisionQuery, response: gives(SiteRow) },
    },
    ({ params, query }) =>
      changeHouse(db, async (tx) => {
        const users = await jobsAtSite(tx, params.id);
        if (users.length) throw inUse('This site', users.join(', '));
        return siteRows.remove(tx, params.id, query.revision);
      }),
  );
}

import { Id, newestPiece, type Piece, Template, TemplateRow, update } from '@early-lantern/contract';
import { count } from 'drizzle-orm';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { templateRows } from '../db/rows.ts';
import { templates } from '../db/schema.ts';
import { refused } from '../http/problem.ts';
import { gives, makes, packed, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';

const ById = z.object({ id: Id });
/** No business builds so many different things again and again. */
const MOST = 200;

/** Pieces and jobs to begin others with. */
export async function templateRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['templates'];

  server.get(
    '/templates',
    { config: { right: 'plan' }, ...packed, schema: { tags, response: gives(z.array(TemplateRow)) } },
    async () => {
      const { items } = await templateRows.list(db, MOST, undefined);
      // One of an older version, as it is said today.
      return items.map((row) => ({
        ...row,
        data: { ...row.data, pieces: row.data.pieces.map((piece) => newestPiece(piece) as Piece) },
      }));
    },
  );

  server.post(
    '/templates',
    { config: { right: 'plan' }, schema: { tags, body: Template, response: makes(TemplateRow) } },
    async ({ body }, reply) => {
      const row = await changeHouse(db, async (tx) => {
        const [all] = await tx.select({ known: count() }).from(templates);
        if ((all?.known ?? 0) >= MOST)
          throw refused([{ path: 'id', reason: `there are ${MOST} templates; delete one first` }]);
        return templateRows.add(tx, body);
      });
      return reply.code(201).send(row);
    },
  );

  server.put(
    '/templates/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: ById, body: update(Template), response: gives(TemplateRow) },
    },
    ({ params, body }) =>
      changeHouse(db, (tx) =>
        templateRows.update(tx, params.id, body.revision, { ...body.data, id: params.id }),
      ),
  );

  server.delete(
    '/templates/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: ById, querystring: RevisionQuery, response: gives(TemplateRow) },
    },
    ({ params, query }) => changeHouse(db, (tx) => templateRows.remove(tx, params.id, query.revision)),
  );
}

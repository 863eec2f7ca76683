import {
  Booked,
  Booking,
  DayCounts,
  Id,
  Instant,
  LeftByOthers,
  MovementRow,
  PageQuery,
} from '@early-lantern/contract';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { gives, lists, makes, type RouteOptions, type Server } from '../http/types.ts';
import { requireAllSound } from '../job-files/store.ts';
import { book, countTogether, leftByOthers, listMovements, receive } from './store.ts';

const Listing = PageQuery.extend({
  after: z
    .string()
    .regex(/^\d{1,9}$/)
    .optional(),
});

export async function stockRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['stock'];

  server.get(
    '/stock/movements',
    {
      schema: {
        tags,
        summary: 'The ledger, newest first',
        querystring: Listing,
        response: lists(MovementRow),
      },
    },
    ({ query }) => listMovements(db, query.limit, query.after),
  );

  server.post(
    '/stock/movements',
    { schema: { tags, summary: 'Books movements, all or none', body: Booking, response: makes(Booked) } },
    async ({ body }, reply) => {
      const booked = await changeHouse(db, (tx) => book(tx, body.movements));
      return reply.code(201).send(booked);
    },
  );

  server.post(
    '/stock/orders/:id/receive',
    {
      schema: {
        tags,
        summary: 'Puts an arrived order on the shelf',
        params: z.object({ id: Id }),
        body: z.strictObject({ count: z.int().min(1) }),
        response: gives(Booked),
      },
    },
    ({ params, body }) =>
      changeHouse(db, async (tx) => {
        const booked = await receive(tx, params.id, body.count);
        await requireAllSound(tx);
        return booked;
      }),
  );

  server.get(
    '/jobs/:id/left',
    {
      schema: {
        tags,
        summary:
          'What other jobs leave to this one: of the shelf those with earlier doors, of pipes and weights those of its day',
        params: z.object({ id: Id }),
        querystring: z.object({ from: Instant }),
        response: gives(LeftByOthers),
      },
    },
    async ({ params, query }) => leftByOthers(db, params.id, new Date(query.from)),
  );

  server.get(
    '/counts',
    {
      schema: {
        tags,
        summary: 'Balloons and materials of all jobs with doors in a span',
        querystring: z.object({ from: Instant, until: Instant }),
        response: gives(DayCounts),
      },
    },
    ({ query }) => countTogether(db, new Date(query.from), new Date(query.until)),
  );
}

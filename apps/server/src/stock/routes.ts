import {
  Availability,
  Booked,
  Booking,
  BookingKey,
  DayCounts,
  Id,
  Instant,
  ItemMovement,
  JobUse,
  Lack,
  MovementRow,
  PageQuery,
  ProductWant,
} from '@early-lantern/contract';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { gives, lists, makes, packed, type RouteOptions, type Server } from '../http/types.ts';
import { requireAllSound } from '../job-files/sound.ts';
import { book, listItemMovements, listMovements, once, receive } from './ledger.ts';
import { availabilityBetween, availabilityFor, countTogether, lacksOfSeason, wantsOf } from './season.ts';
import { recordUse, takeBackUse } from './use.ts';

const AfterId = z
  .string()
  .regex(/^\d{1,9}$/)
  .optional();

const Listing = PageQuery.extend({
  after: AfterId,
  nominalIn: z.coerce.number().min(1).max(72).optional(),
  colour: Id.optional(),
  jobId: Id.optional(),
});

export async function stockRoutes(server: Server, { db, needs }: RouteOptions): Promise<void> {
  const tags = ['stock'];

  server.get(
    '/stock/movements',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'The ledger, newest first',
        querystring: Listing,
        response: lists(MovementRow),
      },
    },
    ({ query }) => listMovements(db, query),
  );

  server.get(
    '/stock/items/movements',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'The ledger of consumables and gear, newest first',
        querystring: PageQuery.extend({ after: AfterId, item: Id.optional() }),
        response: lists(ItemMovement),
      },
    },
    ({ query }) => listItemMovements(db, query),
  );

  server.post(
    '/stock/movements',
    {
      config: { right: 'plan' },
      schema: { tags, summary: 'Books movements, all or none', body: Booking, response: makes(Booked) },
    },
    async ({ body }, reply) => {
      const booked = await changeHouse(db, (tx) => once(tx, body.key, () => book(tx, body.movements)));
      return reply.code(201).send(booked);
    },
  );

  server.post(
    '/stock/orders/:id/receive',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'Puts an arrived order on the shelf; `isLast` where the rest of it will not come',
        params: z.object({ id: Id }),
        body: z.strictObject({
          count: z.int().min(0).max(100_000),
          isLast: z.boolean().default(false),
          key: BookingKey.optional(),
        }),
        response: gives(Booked),
      },
    },
    ({ params, body }) =>
      changeHouse(db, async (tx) => {
        const { key, ...arrival } = body;
        const booked = await once(tx, key, () => receive(tx, params.id, arrival));
        await requireAllSound(tx);
        return booked;
      }),
  );

  server.post(
    '/jobs/:id/use',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'Records once what a job used; from then on it holds nothing of the shelf',
        params: z.object({ id: Id }),
        body: JobUse,
        response: makes(Booked),
      },
    },
    async ({ params, body }, reply) => {
      const booked = await changeHouse(db, (tx) => recordUse(tx, params.id, body));
      return reply.code(201).send(booked);
    },
  );

  server.delete(
    '/jobs/:id/use',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'Takes back what was recorded for a job',
        params: z.object({ id: Id }),
        response: gives(Booked),
      },
    },
    ({ params }) => changeHouse(db, (tx) => takeBackUse(tx, params.id)),
  );

  server.get(
    '/jobs/:id/left',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary:
          'What other jobs leave to this one: of shelf and consumables those with earlier doors, of gear those out at the same time',
        params: z.object({ id: Id }),
        response: gives(Availability),
      },
    },
    ({ params }) => availabilityFor(db, params.id, needs),
  );

  server.get(
    '/left',
    {
      config: { right: 'look' },
      ...packed,
      schema: {
        tags,
        summary: 'What other jobs leave to each of the open jobs with doors in a span, by job id',
        querystring: z.object({ from: Instant, until: Instant }),
        response: gives(z.record(Id, Availability)),
      },
    },
    ({ query }) => availabilityBetween(db, new Date(query.from), new Date(query.until), needs),
  );

  server.get(
    '/stock/lacks',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'What the open jobs lack, each on its day',
        response: gives(z.array(Lack)),
      },
    },
    () => lacksOfSeason(db, needs),
  );

  server.get(
    '/stock/wants',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'Which jobs with doors to come need a product, and how many of it, the earliest doors first',
        querystring: z.object({ nominalIn: z.coerce.number().min(1).max(72), colour: Id }),
        response: gives(z.array(ProductWant)),
      },
    },
    ({ query }) => wantsOf(db, query, new Date(), needs),
  );

  server.get(
    '/counts',
    {
      config: { right: 'look' },
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

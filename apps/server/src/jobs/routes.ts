import {
  DeletedJob,
  Found,
  Id,
  Instant,
  JobFilter,
  JobHead,
  JobName,
  JobRow,
  MonthJob,
  PageQuery,
  update,
} from '@early-lantern/contract';
import type { FastifyRequest } from 'fastify';
import { z } from 'zod';
import type { Queries } from '../db/database.ts';
import { changeHouse, changeJob } from '../db/locks.ts';
import { refused } from '../http/problem.ts';
import { gives, lists, makes, packed, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';
import { requireSound, requireWholeSound } from '../job-files/sound.ts';
import { keepingPrices, seesMoney, withoutMoney } from '../people/money.ts';
import { readJob } from './read-job.ts';
import { monthOf, search } from './search.ts';
import {
  addJob,
  deletedJobs,
  findJob,
  jobNames,
  listJobs,
  removeJob,
  restoreJob,
  updateJob,
} from './store.ts';

const Params = z.object({ id: Id });

/** Made into text before. */
const asItIs = <T>(text: T): T => text;

const MOST_MONTH_MS = 62 * 24 * 3_600_000;
const Listing = PageQuery.extend({
  from: Instant.optional().describe('doors at or after'),
  until: Instant.optional().describe('doors before'),
  standing: Instant.optional().describe('not over: its strike ends at or after'),
  over: Instant.optional().describe('all others: those that `standing` leaves out'),
  recorded: z.enum(['yes', 'no']).optional().describe('whether what it used was recorded'),
  order: z.enum(['asc', 'desc']).default('asc').describe('by doors'),
  ...JobFilter.shape,
});

/** PostgreSQL's code for a row that names one that is not there. */
const FOREIGN_KEY_VIOLATION = '23503';

/** Says in words what the database refuses: the only row a job names directly is its site. */
async function withSite<T>(siteId: string, change: Promise<T>): Promise<T> {
  return change.catch((error: Error & { cause?: { code?: string } }) => {
    if (error.cause?.code === FOREIGN_KEY_VIOLATION)
      throw refused([{ path: 'siteId', reason: `no site "${siteId}"` }]);
    throw error;
  });
}

export async function jobRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['jobs'];

  server.get(
    '/jobs',
    { config: { right: 'look' }, ...packed, schema: { tags, querystring: Listing, response: lists(JobRow) } },
    ({ query }) => listJobs(db, query),
  );

  server.get(
    '/job-names',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'The jobs whose doors are nearest to now, those to come and those that are over',
        querystring: z.object({ limit: z.coerce.number().int().min(1).max(1000).default(300) }),
        response: gives(z.array(JobName)),
      },
    },
    ({ query }) => jobNames(db, query.limit, new Date()),
  );

  server.get(
    '/deleted-jobs',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'Deleted jobs that can still be brought back, the latest first',
        response: gives(z.array(DeletedJob)),
      },
    },
    () => deletedJobs(db),
  );

  server.get(
    '/search',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'Jobs, places and people found by words that begin as these do',
        querystring: z.object({
          q: z.string().max(200),
          limit: z.coerce.number().int().min(1).max(50).default(12),
        }),
        response: gives(z.array(Found)),
      },
    },
    ({ query }) => search(db, query.q, query.limit, new Date()),
  );

  server.get(
    '/month',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'The jobs with doors in a span of two months at the most, as a calendar shows them',
        querystring: z.object({ from: Instant, until: Instant }),
        response: gives(z.array(MonthJob)),
      },
    },
    ({ query }) => {
      const [from, until] = [new Date(query.from), new Date(query.until)];
      if (until.getTime() - from.getTime() > MOST_MONTH_MS)
        throw refused([{ path: 'querystring.until', reason: 'more than two months after the start' }]);
      return monthOf(db, from, until);
    },
  );

  server.get(
    '/jobs/:id',
    { config: { right: 'look' }, schema: { tags, params: Params, response: gives(JobRow) } },
    async (request, reply) => {
      const [kind, shown] = seesMoney(request) ? ['all', asItIs] : ['without money', withoutMoney];
      const { text, etag } = await readJob(db, request.params.id, kind, shown);
      return reply
        .header('etag', etag)
        .type('application/json; charset=utf-8')
        .serializer(asItIs)
        .send(text as never);
    },
  );

  server.post(
    '/jobs',
    { config: { right: 'plan' }, schema: { tags, body: JobHead, response: makes(JobRow) } },
    async ({ body }, reply) => {
      const row = await changeJob(db, async (tx) => {
        const added = await withSite(body.siteId, addJob(tx, body));
        await requireSound(tx, body.id);
        return added;
      });
      return reply.code(201).send(row);
    },
  );

  server.put(
    '/jobs/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: Params, body: update(JobHead), response: gives(JobRow) },
    },
    (request) =>
      changeJob(db, async (tx) => {
        const { params, body } = request;
        const data = await withHirePrices(tx, request, { ...body.data, id: params.id });
        const row = await withSite(data.siteId, updateJob(tx, params.id, body.revision, data));
        await requireSound(tx, params.id);
        return row;
      }),
  );

  server.delete(
    '/jobs/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: Params, querystring: RevisionQuery, response: gives(JobRow) },
    },
    ({ params, query }) => changeJob(db, (tx) => removeJob(tx, params.id, query.revision)),
  );

  server.post(
    '/jobs/:id/restore',
    {
      config: { right: 'plan' },
      schema: { tags, summary: 'Brings a deleted job back', params: Params, response: gives(JobRow) },
    },
    ({ params }) =>
      changeHouse(db, async (tx) => {
        const row = await restoreJob(tx, params.id);
        await requireWholeSound(tx, params.id);
        return row;
      }),
  );
}

/** Hire prices of somebody who does not see them stay what they were. */
async function withHirePrices(db: Queries, request: FastifyRequest, data: JobHead): Promise<JobHead> {
  if (seesMoney(request)) return data;
  const before = await findJob(db, data.id);
  return before ? keepingPrices(before.data, data) : data;
}

import { Id, JobFile, Plan } from '@early-lantern/contract';
import { calendarOf, spokenSheet } from '@early-lantern/core';
import { z } from 'zod';
import { whenGone } from '../http/gone.ts';
import { notFound } from '../http/problem.ts';
import { gives, packed, type RouteOptions, type Server } from '../http/types.ts';
import { readsOldVersions } from '../job-files/routes.ts';
import { writeLines } from '../sheets/files.ts';
import { fileToPlan } from '../stock/file-to-plan.ts';

const taskColumns = ['id', 'label', 'place', 'start', 'end', 'crew', 'gear', 'after'];

export async function planRoutes(server: Server, { db, plan, needs }: RouteOptions): Promise<void> {
  const tags = ['plan'];

  server.post(
    '/plan',
    {
      config: { right: 'look' },
      ...packed,
      ...readsOldVersions,
      schema: { tags, summary: 'Plans a job file; nothing is stored', body: JobFile, response: gives(Plan) },
    },
    ({ body }, reply) => plan(body, whenGone(reply)),
  );

  server.get(
    '/jobs/:id/plan',
    {
      config: { right: 'look' },
      ...packed,
      schema: { tags, summary: 'Plans a stored job', params: z.object({ id: Id }), response: gives(Plan) },
    },
    async ({ params }, reply) => plan(await fileToPlan(db, params.id, needs), whenGone(reply)),
  );

  server.get(
    '/jobs/:id/calendar.ics',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: "A job's tasks for a calendar, everybody's or one person's",
        params: z.object({ id: Id }),
        querystring: z.object({ person: Id.optional() }),
      },
    },
    async ({ params, query }, reply) => {
      const file = await fileToPlan(db, params.id, needs);
      const { person } = query;
      if (person && !file.workshop.crew.some(({ id }) => id === person)) throw notFound(`person "${person}"`);
      const text = calendarOf(file, await plan(file), {
        made: new Date(),
        ...(person ? { person } : {}),
      });
      const name = person ? `${params.id}-${person}` : params.id;
      return reply
        .type('text/calendar; charset=utf-8')
        .header('content-disposition', `attachment; filename="${name}.ics"`)
        .send(text);
    },
  );

  server.get(
    '/jobs/:id/run-sheet.txt',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary:
          'The run sheet in whole sentences, to be read over the telephone; everybody’s or one person’s',
        params: z.object({ id: Id }),
        querystring: z.object({ person: Id.optional() }),
      },
    },
    async ({ params, query: { person } }, reply) => {
      const file = await fileToPlan(db, params.id, needs);
      if (person && !file.workshop.crew.some(({ id }) => id === person)) throw notFound(`person "${person}"`);
      return reply
        .type('text/plain; charset=utf-8')
        .header('content-disposition', `attachment; filename="run-sheet-${params.id}.txt"`)
        .send(spokenSheet(file, await plan(file), person));
    },
  );

  server.get(
    '/jobs/:id/tasks.csv',
    {
      config: { right: 'look' },
      schema: { tags, summary: "A job's tasks as CSV", params: z.object({ id: Id }) },
    },
    async ({ params }, reply) => {
      const { tasks } = await plan(await fileToPlan(db, params.id, needs));
      const lines = tasks.map(({ id, label, place, start, end, crew, gear, after }) => ({
        id,
        label,
        place,
        start,
        end,
        crew: crew.join(' '),
        gear: gear.join(' '),
        after: after.join(' '),
      }));
      const file = await writeLines('csv', 'tasks', taskColumns, lines);
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="tasks-${params.id}.csv"`)
        .send(file);
    },
  );
}

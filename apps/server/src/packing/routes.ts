import { Departing, Id, PackingState, SheetFormat, Ticking, Unticking } from '@early-lantern/contract';
import { z } from 'zod';
import { changeJob } from '../db/locks.ts';
import { whenGone } from '../http/gone.ts';
import { refused } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { assembleJobFile } from '../job-files/assemble.ts';
import { getJob } from '../jobs/store.ts';
import { writeLines } from '../sheets/files.ts';
import { fileToPlan } from '../stock/file-to-plan.ts';
import { depart, packingState, takeBackDeparture, tick, untick } from './store.ts';

const Params = z.object({ id: Id });

const columns = [
  'id',
  'label',
  'qty',
  'unit',
  'bag',
  'vehicle',
  'trip',
  'stop',
  'for task',
  'afterwards',
  'why',
  'ticked by',
  'ticked at',
];

/** Names of people are told apart from those who are not there. */
function requirePerson(by: string, crew: readonly { id: string }[]): void {
  if (!crew.some(({ id }) => id === by)) throw refused([{ path: 'by', reason: `no crew member "${by}"` }]);
}

export async function packingRoutes(server: Server, { db, plan, needs }: RouteOptions): Promise<void> {
  const tags = ['packing'];

  server.get(
    '/jobs/:id/packing',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'What is ticked of the packing list',
        params: Params,
        response: gives(PackingState),
      },
    },
    async ({ params }) => {
      await getJob(db, params.id);
      return packingState(db, params.id);
    },
  );

  server.put(
    '/jobs/:id/packing/ticks',
    {
      config: { right: 'work' },
      schema: { tags, params: Params, body: Ticking, response: gives(PackingState) },
    },
    ({ params, body }) =>
      changeJob(db, async (tx) => {
        const { workshop } = await assembleJobFile(tx, params.id);
        requirePerson(body.by, workshop.crew);
        await tick(tx, params.id, body.rows, body.by);
        return packingState(tx, params.id);
      }),
  );

  server.post(
    '/jobs/:id/packing/untick',
    {
      config: { right: 'work' },
      schema: { tags, params: Params, body: Unticking, response: gives(PackingState) },
    },
    ({ params, body }) =>
      changeJob(db, async (tx) => {
        await getJob(tx, params.id);
        await untick(tx, params.id, body.rows);
        return packingState(tx, params.id);
      }),
  );

  server.put(
    '/jobs/:id/packing/departure',
    {
      config: { right: 'work' },
      schema: {
        tags,
        summary: 'Says that the vehicles leave; with lines not ticked only with a reason',
        params: Params,
        body: Departing,
        response: gives(PackingState),
      },
    },
    async ({ params, body }, reply) => {
      const file = await fileToPlan(db, params.id, needs);
      requirePerson(body.by, file.workshop.crew);
      const { packing } = await plan(file, whenGone(reply));
      return changeJob(db, async (tx) => {
        const { ticks } = await packingState(tx, params.id);
        const ticked = new Set(ticks.map(({ row }) => row));
        const left = packing
          .filter(({ id, trip }) => trip === 1 && !ticked.has(id))
          .map(({ label }) => label);
        const reason = body.reason?.trim() ?? '';
        if (left.length > 0 && reason === '')
          throw refused([
            {
              path: 'reason',
              reason: `not ticked: ${left.slice(0, 3).join('; ')}${left.length > 3 ? ` and ${left.length - 3} more` : ''}. Tick what is loaded, or say why it leaves without.`,
            },
          ]);
        await depart(tx, params.id, { by: body.by, reason, left });
        return packingState(tx, params.id);
      });
    },
  );

  server.delete(
    '/jobs/:id/packing/departure',
    { config: { right: 'work' }, schema: { tags, params: Params, response: gives(PackingState) } },
    ({ params }) =>
      changeJob(db, async (tx) => {
        await getJob(tx, params.id);
        await takeBackDeparture(tx, params.id);
        return packingState(tx, params.id);
      }),
  );

  server.get(
    '/jobs/:id/packing/:format',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'The packing list as a table, with its ticks',
        params: z.object({ id: Id, format: SheetFormat }),
      },
    },
    async ({ params }, reply) => {
      const file = await fileToPlan(db, params.id, needs);
      const { packing } = await plan(file, whenGone(reply));
      const { ticks } = await packingState(db, params.id);
      const names = new Map(
        [...file.workshop.crew, ...file.workshop.vehicles, ...(file.job.cars ?? [])].map(({ id, name }) => [
          id as string,
          name,
        ]),
      );
      const lines = packing.map((row) => {
        const ticked = ticks.find((one) => one.row === row.id);
        return {
          id: row.id,
          label: row.label,
          qty: String(row.qty),
          unit: row.unit,
          bag: row.bag ?? '',
          vehicle: row.vehicle ? (names.get(row.vehicle) ?? row.vehicle) : '',
          trip: String(row.trip),
          stop: String(row.stop),
          'for task': row.forTask ?? '',
          afterwards: row.after,
          why: row.why,
          'ticked by': ticked ? (names.get(ticked.by) ?? ticked.by) : '',
          'ticked at': ticked?.at ?? '',
        };
      });
      const sheet = await writeLines(params.format, 'packing list', columns, lines);
      return reply
        .type(
          params.format === 'csv'
            ? 'text/csv; charset=utf-8'
            : 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        )
        .header('content-disposition', `attachment; filename="packing-${params.id}.${params.format}"`)
        .send(sheet);
    },
  );

  server.get(
    '/jobs/:id/load.json',
    {
      config: { right: 'look' },
      schema: { tags, summary: 'Sections, vehicles with their loads, and runs', params: Params },
    },
    async ({ params }, reply) => {
      const { fits } = await plan(await fileToPlan(db, params.id, needs), whenGone(reply));
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', `attachment; filename="load-${params.id}.json"`)
        .send(JSON.stringify(fits, null, 2));
    },
  );
}

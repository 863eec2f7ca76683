import {
  ActualRow,
  EntryId,
  Id,
  type JobFile,
  PieceActualRow,
  SentEntries,
  SheetFormat,
  SiteLog,
} from '@early-lantern/contract';
import { actualRows, happenedOf, pieceRows, sizeName, withMending } from '@early-lantern/core';
import { z } from 'zod';
import { changeJob } from '../db/locks.ts';
import { whenGone } from '../http/gone.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { getJob } from '../jobs/store.ts';
import { writeLines } from '../sheets/files.ts';
import { fileToPlan } from '../stock/file-to-plan.ts';
import { addEntries, logAfter, wholeLog } from './store.ts';

const Params = z.object({ id: Id });
const tags = ['on site'];

const popColumns = ['nominal in', 'colour', 'needed', 'spares', 'popped'];
const keptColumns = ['nominal in', 'colour', 'kept'];
const entryColumns = ['at', 'who', 'device', 'what', 'task', 'details', 'holds'];

/** What people on site write down, and what came of a job in the end. */
export async function siteLogRoutes(server: Server, { db, plan, needs }: RouteOptions): Promise<void> {
  server.get(
    '/jobs/:id/site-log',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary: 'What was written down on site, after a number that is known already',
        params: Params,
        querystring: z.object({
          after: z.coerce
            .number()
            .int()
            .min(0)
            .max(2 ** 31 - 1)
            .default(0),
          afterId: EntryId.optional(),
        }),
        response: gives(SiteLog),
      },
    },
    async ({ params, query }) => {
      await getJob(db, params.id);
      return logAfter(db, params.id, query.after, query.afterId);
    },
  );

  server.post(
    '/jobs/:id/site-log',
    {
      config: { right: 'work' },
      schema: {
        tags,
        summary:
          'Adds entries; what is there already is left as it is. Answers what the device does not know yet',
        params: Params,
        body: SentEntries,
        response: gives(SiteLog),
      },
    },
    ({ params, body }) =>
      changeJob(db, async (tx) => {
        await getJob(tx, params.id);
        await addEntries(tx, params.id, body);
        return logAfter(tx, params.id, body.after, body.afterId);
      }),
  );

  server.get(
    '/jobs/:id/record/:what/:format',
    {
      config: { right: 'look' },
      schema: {
        tags,
        summary:
          'What came of a job: planned against actual by task and person, pops and kept balloons by product, how each piece held, or the whole log',
        params: z.object({
          id: Id,
          what: z.enum(['tasks', 'pops', 'pieces', 'kept', 'log']),
          format: SheetFormat,
        }),
      },
    },
    async ({ params: { id, what, format } }, reply) => {
      const file = await fileToPlan(db, id, needs);
      const log = await wholeLog(db, id);
      const happened = happenedOf(log);
      const thePlan = await plan(file, whenGone(reply));
      const colourName = (colourId: string) =>
        file.workshop.colours.find((one) => one.id === colourId)?.name ?? colourId;
      const tables = {
        tasks: () => ({
          columns: Object.keys(ActualRow.shape),
          lines: actualRows(file, withMending(thePlan, happened, file), happened, Date.now()).map(asText),
        }),
        pops: () => ({
          columns: popColumns,
          lines: happened.pops.map(({ nominalIn, colour, count }) => {
            const alike = thePlan.totals.balloons.filter(
              (row) => row.nominalIn === nominalIn && row.colour === colour,
            );
            return {
              'nominal in': String(nominalIn),
              colour: colourName(colour),
              needed: String(alike.reduce((sum, { need }) => sum + need, 0)),
              spares: String(alike.reduce((sum, { spare }) => sum + spare, 0)),
              popped: String(count),
            };
          }),
        }),
        pieces: () => ({
          columns: Object.keys(PieceActualRow.shape),
          lines: pieceRows(thePlan, happened, log).map(asText),
        }),
        kept: () => ({
          columns: keptColumns,
          lines: [...happened.kept.values()].map(({ entry: { event } }) => ({
            'nominal in': String(event.nominalIn),
            colour: colourName(event.colour),
            kept: String(event.count),
          })),
        }),
        log: () => ({ columns: entryColumns, lines: logLines(file, log, thePlan.tasks) }),
      };
      const { columns, lines } = tables[what]();
      const sheet = await writeLines(format, what, columns, lines);
      return reply
        .type(
          format === 'csv'
            ? 'text/csv; charset=utf-8'
            : 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        )
        .header('content-disposition', `attachment; filename="${what}-${id}.${format}"`)
        .send(sheet);
    },
  );
}

const asText = (row: ActualRow | PieceActualRow): Record<string, string> =>
  Object.fromEntries(Object.entries(row).map(([key, value]) => [key, value === null ? '' : String(value)]));

/** The log as it was written, line by line, with what was taken back later on. */
function logLines(
  { workshop }: JobFile,
  log: Awaited<ReturnType<typeof wholeLog>>,
  tasks: readonly { id: string; label: string }[],
) {
  const replaced = new Set(log.flatMap(({ replaces = [] }) => replaces));
  const names = new Map(workshop.crew.map(({ id, name }) => [id as string, name]));
  const labels = new Map(tasks.map(({ id, label }) => [id, label]));
  return log.map(({ id, at, by, device, event }) => {
    const { kind, ...more } = event;
    const { task, ...rest } = more as { task?: string } & Record<string, unknown>;
    return {
      at,
      who: names.get(by) ?? by,
      device,
      what: kind,
      task: task ? (labels.get(task) ?? task) : '',
      details:
        'nominalIn' in event ? `${event.count} × ${sizeName(event.nominalIn)} ${event.colour}` : words(rest),
      holds: replaced.has(id) ? 'taken back' : 'yes',
    };
  });
}

const words = (rest: Record<string, unknown>): string =>
  Object.entries(rest)
    .map(([name, value]) => (name === 'text' ? String(value) : `${name} ${String(value)}`))
    .join(', ');

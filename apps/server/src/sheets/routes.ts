import {
  Id,
  SheetFormat,
  SheetName,
  SheetPreview,
  SheetUpload,
  type WorkshopSettings,
} from '@early-lantern/contract';
import { buyList, countPieces, type Purchase, purchasesOf, sizeName, wantedDay } from '@early-lantern/core';
import type { FastifyRequest } from 'fastify';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { assembleJobFile } from '../job-files/assemble.ts';
import { seesMoney } from '../people/money.ts';
import { availabilityFor, lacksOfSeason } from '../stock/season.ts';
import { getSettings } from '../workshop/store.ts';
import { sheets } from './columns.ts';
import { readLines, writeLines } from './files.ts';
import { previewSheet, takeSheet } from './store.ts';

const types = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
};
const buyColumns = [
  'order_by',
  'supplier',
  'product',
  'colour',
  'missing',
  'packs',
  'balloons',
  'over',
  'price',
  'jobs',
];

/** What a purchase costs is for those who see money. */
const columnsFor = (request: FastifyRequest) =>
  seesMoney(request) ? buyColumns : buyColumns.filter((column) => column !== 'price');

/** What is said of a purchase wherever it stands. */
function purchaseLine({ nominalIn, colour, cover, supplier, orderBy }: Purchase, settings: WorkshopSettings) {
  return {
    order_by: orderBy,
    supplier: supplier?.name ?? '',
    product: sizeName(nominalIn),
    colour: settings.colours.find((one) => one.id === colour)?.name ?? colour,
    packs: cover.packs.map(({ pack, times }) => `${times} x ${pack.count}`).join(' + '),
    balloons: String(cover.balloons),
    over: String(cover.surplus),
    price: cover.price === undefined ? '' : cover.price.toFixed(2),
  };
}

export async function sheetRoutes(server: Server, { db, readTable, needs }: RouteOptions): Promise<void> {
  const tags = ['sheets'];
  const Params = z.object({ name: SheetName });
  const linesOf = (name: SheetName, { format, content }: SheetUpload) =>
    readLines({ format, content: Buffer.from(content, 'base64') }, sheets[name].columns, readTable);

  server.get(
    '/sheets/:name.:format',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'Catalogue or stock as a file',
        params: Params.extend({ format: SheetFormat }),
      },
    },
    async ({ params }, reply) => {
      const { data } = await getSettings(db);
      const sheet = sheets[params.name];
      const file = await writeLines(
        params.format,
        params.name,
        sheet.columns,
        sheet.rows(data).map(sheet.toLine),
      );
      return reply
        .type(types[params.format])
        .header('content-disposition', `attachment; filename="${params.name}.${params.format}"`)
        .send(file);
    },
  );

  server.post(
    '/sheets/:name/preview',
    {
      config: { right: 'run the workshop' },
      schema: {
        tags,
        summary: 'What a sheet would change, row by row; nothing is stored',
        params: Params,
        body: SheetUpload,
        response: gives(SheetPreview),
      },
    },
    async ({ params, body }) => previewSheet(db, params.name, await linesOf(params.name, body)),
  );

  server.post(
    '/sheets/:name',
    {
      config: { right: 'run the workshop' },
      schema: {
        tags,
        summary: 'Takes a sheet over, all of it or nothing',
        params: Params,
        body: SheetUpload,
        response: gives(SheetPreview),
      },
    },
    async ({ params, body }) => {
      // Read first: nobody waits for the house while a large sheet is being read.
      const lines = await linesOf(params.name, body);
      return changeHouse(db, (tx) => takeSheet(tx, params.name, lines));
    },
  );

  server.get(
    '/jobs/:id/buy.:format',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'What to buy for a job as a file',
        params: z.object({ id: Id, format: SheetFormat }),
        querystring: z.object({ today: z.iso.date() }),
      },
    },
    async (request, reply) => {
      const { params, query } = request;
      const file = await assembleJobFile(db, params.id);
      const left = await availabilityFor(db, params.id, needs);
      const workshop = { ...file.workshop, ...left };
      const rows = buyList(countPieces(file).balloons, workshop, wantedDay(file), query.today);
      const lines = rows.map((row) => ({
        ...purchaseLine(row, workshop),
        missing: String(row.missing),
        jobs: row.forOthers.map(({ job, count }) => `${job}: ${count}`).join('; '),
      }));
      return reply
        .type(types[params.format])
        .header('content-disposition', `attachment; filename="buy-${params.id}.${params.format}"`)
        .send(await writeLines(params.format, 'buy', columnsFor(request), lines));
    },
  );

  server.get(
    '/stock/buy.:format',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'What to buy for all open jobs together as a file',
        params: z.object({ format: SheetFormat }),
        querystring: z.object({ today: z.iso.date() }),
      },
    },
    async (request, reply) => {
      const { params, query } = request;
      const { data } = await getSettings(db);
      const lines = purchasesOf(await lacksOfSeason(db, needs), data, query.today).map((purchase) => ({
        ...purchaseLine(purchase, data),
        missing: String(purchase.jobs.reduce((sum, { count }) => sum + count, 0)),
        jobs: purchase.jobs.map(({ job, count }) => `${job}: ${count}`).join('; '),
      }));
      return reply
        .type(types[params.format])
        .header('content-disposition', `attachment; filename="buy.${params.format}"`)
        .send(await writeLines(params.format, 'buy', columnsFor(request), lines));
    },
  );
}

import { Id, PageQuery, Piece, PieceRow, page, update } from '@early-lantern/contract';
import { z } from 'zod';
import { changeJob } from '../db/locks.ts';
import { gives, makes, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';
import { requireSound } from '../job-files/sound.ts';
import { getJob } from '../jobs/store.ts';
import { addPiece, getPiece, removePiece, updatePiece } from './store.ts';

const JobParams = z.object({ jobId: Id });
const Params = z.object({ jobId: Id, id: Id });

export async function pieceRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['pieces'];

  server.get(
    '/jobs/:jobId/pieces',
    {
      config: { right: 'look' },
      schema: { tags, params: JobParams, querystring: PageQuery, response: gives(page(PieceRow)) },
    },
    async ({ params, query }) => {
      const { pieces } = await getJob(db, params.jobId);
      const start = query.after ? pieces.findIndex((piece) => piece.data.id === query.after) + 1 : 0;
      const items = pieces.slice(start, start + query.limit);
      const isLast = start + items.length >= pieces.length;
      return { items, total: pieces.length, next: isLast ? null : (items.at(-1)?.data.id ?? null) };
    },
  );

  server.get(
    '/jobs/:jobId/pieces/:id',
    { config: { right: 'look' }, schema: { tags, params: Params, response: gives(PieceRow) } },
    ({ params }) => getPiece(db, params.jobId, params.id),
  );

  server.post(
    '/jobs/:jobId/pieces',
    {
      config: { right: 'plan' },
      schema: { tags, params: JobParams, body: Piece, response: makes(PieceRow) },
    },
    async ({ params, body }, reply) => {
      const row = await changeJob(db, async (tx) => {
        await getJob(tx, params.jobId);
        const added = await addPiece(tx, params.jobId, body);
        await requireSound(tx, params.jobId);
        return added;
      });
      return reply.code(201).send(row);
    },
  );

  server.put(
    '/jobs/:jobId/pieces/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: Params, body: update(Piece), response: gives(PieceRow) },
    },
    ({ params, body }) =>
      changeJob(db, async (tx) => {
        const data = { ...body.data, id: params.id };
        const row = await updatePiece(tx, params.jobId, params.id, body.revision, data);
        await requireSound(tx, params.jobId);
        return row;
      }),
  );

  server.delete(
    '/jobs/:jobId/pieces/:id',
    {
      config: { right: 'plan' },
      schema: { tags, params: Params, querystring: RevisionQuery, response: gives(PieceRow) },
    },
    ({ params, query }) =>
      changeJob(db, async (tx) => {
        const row = await removePiece(tx, params.jobId, params.id, query.revision);
        // What hangs on it would hang on nothing.
        await requireSound(tx, params.jobId);
        return row;
      }),
  );
}

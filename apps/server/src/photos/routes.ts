import { randomUUID } from 'node:crypto';
import { Id, Photo, PhotoRow, PhotoUpload, update } from '@early-lantern/contract';
import { z } from 'zod';
import { changeJob } from '../db/locks.ts';
import { gives, makes, type RouteOptions, type Server } from '../http/types.ts';
import { getJob } from '../jobs/store.ts';
import { getPiece } from '../pieces/store.ts';
import { readPhoto } from './read-photo.ts';
import {
  addPhoto,
  bringBackPhoto,
  knownPhoto,
  listPhotos,
  markPhoto,
  pictureOf,
  removePhoto,
} from './store.ts';

const JobParams = z.object({ jobId: Id });
const Params = z.object({ jobId: Id, id: Id });

/** Photos of pieces as they were built, with what is marked on them. */
export async function photoRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['photos'];

  server.get(
    '/jobs/:jobId/photos',
    { config: { right: 'look' }, schema: { tags, params: JobParams, response: gives(z.array(PhotoRow)) } },
    async ({ params }) => {
      await getJob(db, params.jobId);
      return listPhotos(db, params.jobId);
    },
  );

  server.post(
    '/jobs/:jobId/photos',
    {
      config: { right: 'work' },
      schema: { tags, params: JobParams, body: PhotoUpload, response: makes(PhotoRow) },
    },
    async ({ params: { jobId }, body }, reply) => {
      const { pieceId, id = randomUUID(), marks = [], takenAt, moment } = body;
      const content = Buffer.from(body.content, 'base64');
      const facts = readPhoto(content);
      const row = await changeJob(db, async (tx) => {
        await getJob(tx, jobId);
        const sentBefore = await knownPhoto(tx, jobId, id);
        if (sentBefore) return sentBefore;
        const planned = (await getPiece(tx, jobId, pieceId)).data;
        // By a clock that is fast it was taken now: nothing is kept of the future.
        const takenMs = takenAt ? Date.parse(takenAt) : Number.POSITIVE_INFINITY;
        const addedAt = new Date(Math.min(Date.now(), takenMs)).toISOString();
        const data = { id, pieceId, ...facts, addedAt, marks, ...(moment ? { moment } : {}) };
        return addPhoto(tx, jobId, { data, planned, content });
      });
      return reply.code(201).send(row);
    },
  );

  server.get(
    '/jobs/:jobId/photos/:id/picture',
    { config: { right: 'look' }, schema: { tags, summary: 'The photo itself', params: Params } },
    async ({ params }, reply) => {
      const { type, content } = await pictureOf(db, params.jobId, params.id);
      // A photo is never changed, only marked.
      return reply.type(type).header('cache-control', 'private, max-age=31536000, immutable').send(content);
    },
  );

  server.put(
    '/jobs/:jobId/photos/:id',
    {
      config: { right: 'work' },
      schema: {
        tags,
        summary: 'Other marks on a photo; nothing else of it changes',
        params: Params,
        body: update(Photo),
        response: gives(PhotoRow),
      },
    },
    ({ params: { jobId, id }, body: { revision, data } }) =>
      changeJob(db, (tx) => markPhoto(tx, jobId, id, { revision, marks: data.marks })),
  );

  server.delete(
    '/jobs/:jobId/photos/:id',
    { config: { right: 'work' }, schema: { tags, params: Params, response: gives(PhotoRow) } },
    ({ params }) => changeJob(db, (tx) => removePhoto(tx, params.jobId, params.id)),
  );

  server.post(
    '/jobs/:jobId/photos/:id/restore',
    {
      config: { right: 'work' },
      schema: {
        tags,
        summary: 'Brings back a photo that was deleted',
        params: Params,
        response: gives(PhotoRow),
      },
    },
    ({ params }) => changeJob(db, (tx) => bringBackPhoto(tx, params.jobId, params.id)),
  );
}

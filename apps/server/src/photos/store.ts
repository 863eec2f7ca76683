import type { Photo, PhotoMark, PhotoRow, Piece } from '@early-lantern/contract';
import { and, eq, isNotNull, isNull, or } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { toRow, touched } from '../db/rows.ts';
import { photos } from '../db/schema.ts';
import { notFound, ProblemError, stale } from '../http/problem.ts';
import { signedForPhoto } from '../site-log/store.ts';

const one = (jobId: string, id: string) => and(eq(photos.jobId, jobId), eq(photos.id, id));
const there = (jobId: string, id: string) => and(one(jobId, id), isNull(photos.deletedAt));

/** All but the picture itself, which is large. */
const columns = { revision: photos.revision, updatedAt: photos.updatedAt, data: photos.data };

/** A job's photos, in the order in which they were added. */
export async function listPhotos(db: Queries, jobId: string): Promise<PhotoRow[]> {
  const rows = await db
    .select(columns)
    .from(photos)
    .where(and(eq(photos.jobId, jobId), isNull(photos.deletedAt)));
  return rows.map(toRow).sort((a, b) => a.data.addedAt.localeCompare(b.data.addedAt));
}

/** Adds one; where the same was sent twice at once the first stands. */
export async function addPhoto(
  db: Queries,
  jobId: string,
  { data, planned, content }: { data: Photo; planned: Piece; content: Buffer },
): Promise<PhotoRow> {
  const [row] = await db
    .insert(photos)
    .values({ jobId, id: data.id, data, planned, content })
    .onConflictDoNothing()
    .returning(columns);
  return row ? toRow(row) : ((await knownPhoto(db, jobId, data.id)) as PhotoRow);
}

/** A photo by its id, deleted or not: sent again it is neither a second one nor brought back. */
export async function knownPhoto(db: Queries, jobId: string, id: string): Promise<PhotoRow | undefined> {
  const [row] = await db.select(columns).from(photos).where(one(jobId, id));
  return row && toRow(row);
}

async function getPhoto(db: Queries, jobId: string, id: string): Promise<PhotoRow> {
  const [row] = await db.select(columns).from(photos).where(there(jobId, id));
  if (!row) throw notFound(`photo "${id}" in job "${jobId}"`);
  return toRow(row);
}

/** The picture itself; what was signed for stands, whatever is deleted later. */
export async function pictureOf(
  db: Queries,
  jobId: string,
  id: string,
): Promise<Pick<Photo, 'type' | 'moment'> & { content: Buffer }> {
  const [row] = await db
    .select({ data: photos.data, content: photos.content })
    .from(photos)
    .where(and(one(jobId, id), or(isNull(photos.deletedAt), signedForPhoto(jobId, id))));
  if (!row) throw notFound(`photo "${id}" in job "${jobId}"`);
  const { type, moment } = row.data;
  return { type, moment, content: row.content };
}

/** Other marks in place of those on it; all else of a photo stays as it is. */
export async function markPhoto(
  db: Queries,
  jobId: string,
  id: string,
  { revision, marks }: { revision: number; marks: PhotoMark[] },
): Promise<PhotoRow> {
  const current = await getPhoto(db, jobId, id);
  const [row] = await db
    .update(photos)
    .set({ data: { ...current.data, marks }, ...touched })
    .where(and(there(jobId, id), eq(photos.revision, revision)))
    .returning(columns);
  if (!row) throw stale('The photo', await getPhoto(db, jobId, id));
  return toRow(row);
}

/** Out of sight; it can be brought back. One that the house has signed for stays. */
export async function removePhoto(db: Queries, jobId: string, id: string): Promise<PhotoRow> {
  const [signed] = await db
    .select({ id: photos.id })
    .from(photos)
    .where(and(there(jobId, id), signedForPhoto(jobId, id)));
  if (signed) throw new ProblemError('in-use', 'The house has signed for this photo: it stays.');
  const [row] = await db
    .update(photos)
    .set({ deletedAt: new Date() })
    .where(there(jobId, id))
    .returning(columns);
  if (!row) throw notFound(`photo "${id}" in job "${jobId}"`);
  return toRow(row);
}

export async function bringBackPhoto(db: Queries, jobId: string, id: string): Promise<PhotoRow> {
  await db
    .update(photos)
    .set({ deletedAt: null })
    .where(and(one(jobId, id), isNotNull(photos.deletedAt)));
  return getPhoto(db, jobId, id);
}

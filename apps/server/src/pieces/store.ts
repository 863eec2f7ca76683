import type { Piece, PieceRow } from '@early-lantern/contract';
import { and, asc, eq, max } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { toRow, touched } from '../db/rows.ts';
import { pieces } from '../db/schema.ts';
import { notFound, stale, taken } from '../http/problem.ts';

const one = (jobId: string, id: string) => and(eq(pieces.jobId, jobId), eq(pieces.id, id));

/** A job's pieces in their order. */
export async function listPieces(db: Queries, jobId: string): Promise<PieceRow[]> {
  const rows = await db
    .select()
    .from(pieces)
    .where(eq(pieces.jobId, jobId))
    .orderBy(asc(pieces.position), asc(pieces.id));
  return rows.map(toRow);
}

export async function getPiece(db: Queries, jobId: string, id: string): Promise<PieceRow> {
  const [row] = await db.select().from(pieces).where(one(jobId, id));
  if (!row) throw notFound(`piece "${id}" in job "${jobId}"`);
  return toRow(row);
}

/** Adds a piece after the last. */
export async function addPiece(db: Queries, jobId: string, data: Piece): Promise<PieceRow> {
  const [last] = await db
    .select({ position: max(pieces.position) })
    .from(pieces)
    .where(eq(pieces.jobId, jobId));
  const position = (last?.position ?? 0) + 1;
  const [row] = await db
    .insert(pieces)
    .values({ jobId, id: data.id, position, data })
    .onConflictDoNothing()
    .returning();
  if (!row) throw taken(`The piece "${data.id}"`);
  return toRow(row);
}

const asSeen = (jobId: string, id: string, revision: number) =>
  and(one(jobId, id), eq(pieces.revision, revision));

/** Why a change from an old revision cannot be made. */
async function refuse(db: Queries, jobId: string, id: string): Promise<never> {
  const current = await getPiece(db, jobId, id);
  throw stale(`"${current.data.name}"`, current);
}

export async function updatePiece(
  db: Queries,
  jobId: string,
  id: string,
  revision: number,
  data: Piece,
): Promise<PieceRow> {
  const [row] = await db
    .update(pieces)
    .set({ data, ...touched })
    .where(asSeen(jobId, id, revision))
    .returning();
  return row ? toRow(row) : refuse(db, jobId, id);
}

export async function removePiece(
  db: Queries,
  jobId: string,
  id: string,
  revision: number,
): Promise<PieceRow> {
  const [row] = await db
    .delete(pieces)
    .where(asSeen(jobId, id, revision))
    .returning();
  return row ? toRow(row) : refuse(db, jobId, id);
}

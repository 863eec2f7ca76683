import { Id, newestPiece, type Piece, Version, WholeVersion } from '@early-lantern/contract';
import { and, desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { versions } from '../db/schema.ts';
import { notFound } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { getJob } from '../jobs/store.ts';

/** So many of a job are listed, the latest first. */
const LISTED = 300;

/** What a job and its pieces were before somebody changed them; kept by the database itself. */
export async function versionRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['versions'];

  server.get(
    '/jobs/:id/versions',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'What a job and its pieces were earlier, the latest first',
        params: z.object({ id: Id }),
        response: gives(z.array(Version)),
      },
    },
    async ({ params }) => {
      await getJob(db, params.id);
      const rows = await db
        .select()
        .from(versions)
        .where(eq(versions.jobId, params.id))
        .orderBy(desc(versions.at), desc(versions.id))
        .limit(LISTED);
      return rows.map(asVersion);
    },
  );

  server.get(
    '/jobs/:id/versions/:version',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'One of them, whole',
        params: z.object({
          id: Id,
          version: z.coerce
            .number()
            .int()
            .min(1)
            .max(2 ** 31 - 1),
        }),
        response: gives(WholeVersion),
      },
    },
    async ({ params }) => {
      await getJob(db, params.id);
      const [row] = await db
        .select()
        .from(versions)
        .where(and(eq(versions.jobId, params.id), eq(versions.id, params.version)));
      if (!row) throw notFound(`version ${params.version} of job "${params.id}"`);
      const data = row.what === 'piece' ? (newestPiece(row.data) as Piece) : row.data;
      return { ...asVersion(row), data };
    },
  );
}

const asVersion = ({ id, at, what, rowId, isDeleted, by, data }: typeof versions.$inferSelect): Version => ({
  id,
  at: at.toISOString(),
  what,
  rowId,
  name: data.name,
  isDeleted,
  by,
});

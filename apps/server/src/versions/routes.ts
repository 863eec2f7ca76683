import {
  Id,
  NotedChange,
  newestPiece,
  type Piece,
  Version,
  WholeVersion,
  type WorkshopSettings,
} from '@early-lantern/contract';
import { and, desc, eq, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Queries } from '../db/database.ts';
import { jobs, versions } from '../db/schema.ts';
import { notFound } from '../http/problem.ts';
import { gives, packed, type RouteOptions, type Server } from '../http/types.ts';
import { getJob } from '../jobs/store.ts';
import { withShelves } from '../workshop/shelves.ts';
import { getSettings } from '../workshop/store.ts';

/** So many of a job are listed, the latest first. */
const LISTED = 300;
const MOST_CHANGES = 2_000;

const VersionId = z.coerce
  .number()
  .int()
  .min(1)
  .max(2 ** 31 - 1);

/** What rows were before somebody changed them; kept by the database itself. */
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
          version: VersionId,
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

  server.get(
    '/history',
    {
      config: { right: 'run the workshop' },
      ...packed,
      schema: {
        tags,
        summary: 'The latest changes of everything: what it was, who changed it and when',
        response: gives(z.array(NotedChange)),
      },
    },
    async () => {
      const rows = await db
        .select({ version: versions, job: sql<string | null>`${jobs.data}->>'name'` })
        .from(versions)
        .leftJoin(jobs, eq(jobs.id, versions.jobId))
        .orderBy(desc(versions.at), desc(versions.id))
        .limit(MOST_CHANGES);
      return rows.map(({ version, job }) => ({ ...asVersion(version), jobId: version.jobId, job }));
    },
  );

  for (const { what, right } of histories) {
    server.get(
      `/history/${what}`,
      {
        config: { right },
        schema: {
          tags,
          summary: 'What rows of that kind were earlier, the latest first; all of them or one',
          querystring: z.object({ id: Id.optional() }),
          response: gives(z.array(Version)),
        },
      },
      async ({ query }) => {
        const wanted = and(eq(versions.what, what), query.id ? eq(versions.rowId, query.id) : undefined);
        const rows = await db
          .select()
          .from(versions)
          .where(wanted)
          .orderBy(desc(versions.at), desc(versions.id))
          .limit(LISTED);
        return rows.map(asVersion);
      },
    );

    server.get(
      `/history/${what}/:version`,
      {
        config: { right },
        schema: {
          tags,
          summary: 'One of them, whole',
          params: z.object({ version: VersionId }),
          response: gives(WholeVersion),
        },
      },
      async ({ params }) => {
        const [row] = await db
          .select()
          .from(versions)
          .where(and(eq(versions.what, what), eq(versions.id, params.version)));
        if (!row) throw notFound(`version ${params.version}`);
        // How the house works comes back; what lies on its shelves is what lies there now.
        const data =
          what === 'workshop' ? await withShelvesOfNow(db, row.data as WorkshopSettings) : row.data;
        return { ...asVersion(row), data };
      },
    );
  }
}

/** Of rows that belong to no job: who may read what they were. */
const histories = [
  { what: 'site', right: 'plan' },
  { what: 'crew', right: 'run the workshop' },
  { what: 'workshop', right: 'run the workshop' },
] as const;

async function withShelvesOfNow(db: Queries, data: WorkshopSettings): Promise<WorkshopSettings> {
  const { stock, onOrder = [], materials = [] } = (await getSettings(db)).data;
  return withShelves(data, { stock, onOrder, materials });
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

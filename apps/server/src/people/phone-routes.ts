import { Id, Name, SharedPhone } from '@early-lantern/contract';
import { asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { phones } from '../db/schema.ts';
import { notFound, ProblemError } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { dropSession, keepPhone } from './cookies.ts';
import { Done, done, forgetAfterChanges } from './done.ts';
import { newId, newToken, tokenHash } from './secrets.ts';
import { endSession } from './sessions.ts';

/** Phones that several use, each with their PIN. */
export async function phoneRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['people'];
  forgetAfterChanges(server);

  server.get(
    '/phones',
    { config: { right: 'hand out phones' }, schema: { tags, response: gives(z.array(SharedPhone)) } },
    async () =>
      (await db.select().from(phones).orderBy(asc(phones.name))).map(({ id, name, since }) => ({
        id,
        name,
        since: since.toISOString(),
      })),
  );

  server.post(
    '/phones',
    {
      config: { right: 'hand out phones' },
      schema: {
        tags,
        summary: 'Makes this very device a shared phone, and signs out on it',
        body: z.strictObject({ name: Name }),
        response: gives(Done),
      },
    },
    async ({ body, principal }, reply) => {
      if (!principal?.sessionHash)
        throw new ProblemError(
          'not-allowed',
          'Give yourself a password first: until then everybody here is the owner.',
        );
      const token = newToken();
      await db.insert(phones).values({ id: newId(), name: body.name, tokenHash: tokenHash(token) });
      await endSession(db, principal.sessionHash);
      dropSession(reply);
      keepPhone(reply, token);
      return done;
    },
  );

  server.delete(
    '/phones/:id',
    {
      config: { right: 'hand out phones' },
      schema: {
        tags,
        summary: 'Signs out who is signed in there',
        params: z.object({ id: Id }),
        response: gives(Done),
      },
    },
    async ({ params }) => {
      const gone = await db.delete(phones).where(eq(phones.id, params.id)).returning({ id: phones.id });
      if (gone.length === 0) throw notFound(`phone "${params.id}"`);
      return done;
    },
  );
}

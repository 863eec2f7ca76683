import { createHash } from 'node:crypto';
import {
  Delivery,
  Handed,
  Id,
  type JobFile,
  JobLink,
  NewJobLink,
  type Plan,
  SharedJob,
  SharedPhoto,
  SharedPhotoAsked,
  SignOff,
  type SiteEntry,
  Token,
} from '@early-lantern/contract';
import { deliveryToGuest, happenedOf } from '@early-lantern/core';
import { and, asc, eq, gt, isNull, sql } from 'drizzle-orm';
import { z } from 'zod';
import { changeJob } from '../db/locks.ts';
import { jobLinks, jobs } from '../db/schema.ts';
import { inWorkshop } from '../db/which-workshop.ts';
import { notFound, ProblemError } from '../http/problem.ts';
import { gives, makes, type RouteOptions, type Server } from '../http/types.ts';
import { getJob } from '../jobs/store.ts';
import { listPhotos, pictureOf } from '../photos/store.ts';
import { addEntries, wholeLog } from '../site-log/store.ts';
import { fileToPlan } from '../stock/file-to-plan.ts';
import { newId, newToken, tokenHash, workshopOf } from './secrets.ts';
import { seenByGuest } from './shared-job.ts';

const DAY_MS = 86_400_000;
const limited = { rateLimit: { max: 60, timeWindow: '1 minute' } };
type Link = typeof jobLinks.$inferSelect;

const asLink = ({ id, name, until, signedBy, signedAt, remarks }: Link): JobLink => ({
  id,
  name,
  until: until.toISOString(),
  signedOff: signedBy && signedAt ? { by: signedBy, at: signedAt.toISOString(), remarks } : null,
});

/** In the place of a device and a person of the crew. */
const BY_LINK = 'by-link';

/** Of a link's own entry in the log of the site: always the same. */
const entryIdOf = ({ id }: Link): string =>
  createHash('sha256').update(`link ${id}`).digest('hex').slice(0, 32);

const entryOf = (link: Link, delivery: Delivery): SiteEntry => ({
  id: entryIdOf(link),
  at: (link.signedAt ?? new Date()).toISOString(),
  by: BY_LINK,
  event: { kind: 'signed', name: link.signedBy ?? '', remarks: link.remarks, strokes: [], ...delivery },
});

/** Links by which a client or somebody of the venue sees one job and signs it off: no more than that, and not for ever. */
export async function linkRoutes(server: Server, { db, plan, needs }: RouteOptions): Promise<void> {
  const tags = ['links'];
  const OfJob = z.object({ id: Id });

  server.get(
    '/jobs/:id/links',
    { config: { right: 'plan' }, schema: { tags, params: OfJob, response: gives(z.array(JobLink)) } },
    async ({ params }) => {
      await getJob(db, params.id);
      const rows = await db
        .select()
        .from(jobLinks)
        .where(eq(jobLinks.jobId, params.id))
        .orderBy(asc(jobLinks.name));
      return rows.map(asLink);
    },
  );

  server.post(
    '/jobs/:id/links',
    {
      config: { right: 'plan' },
      schema: {
        tags,
        summary: 'A link for one person; its token is told once',
        params: OfJob,
        body: NewJobLink,
        response: makes(Handed),
      },
    },
    async ({ params, body }, reply) => {
      await getJob(db, params.id);
      const token = newToken();
      const until = new Date(Date.now() + body.days * DAY_MS);
      await db
        .insert(jobLinks)
        .values({ id: newId(), jobId: params.id, name: body.name, tokenHash: tokenHash(token), until });
      return reply.code(201).send({ token, until: until.toISOString() });
    },
  );

  server.delete(
    '/jobs/:id/links/:link',
    {
      config: { right: 'plan' },
      schema: { tags, summary: 'Ends a link', params: OfJob.extend({ link: Id }), response: gives(JobLink) },
    },
    async ({ params }) => {
      const [gone] = await db
        .delete(jobLinks)
        .where(and(eq(jobLinks.id, params.link), eq(jobLinks.jobId, params.id)))
        .returning();
      if (!gone) throw notFound(`link "${params.link}"`);
      return asLink(gone);
    },
  );

  /** @throws ProblemError where it has ended, or its job is deleted */
  const linkOf = async (token: string): Promise<Link> => {
    const [row] = await db
      .select({ link: jobLinks })
      .from(jobLinks)
      .innerJoin(jobs, eq(jobs.id, jobLinks.jobId))
      .where(
        and(eq(jobLinks.tokenHash, tokenHash(token)), gt(jobLinks.until, sql`now()`), isNull(jobs.deletedAt)),
      );
    if (!row) throw new ProblemError('not-found', 'This link has ended. Ask for a new one.');
    return row.link;
  };

  /** What is handed over: as it was when it was signed by this link, else as it stands now. */
  const deliveryOfLink = async (link: Link, file: JobFile, thePlan: Plan): Promise<Delivery> => {
    const log = await wholeLog(db, link.jobId);
    const signed = log.find(({ id }) => id === entryIdOf(link))?.event;
    return signed?.kind === 'signed'
      ? Delivery.strip().parse(signed)
      : deliveryToGuest(
          file,
          thePlan,
          happenedOf(log),
          (await listPhotos(db, link.jobId)).map(({ data }) => data),
        );
  };

  const shared = async (link: Link): Promise<SharedJob> => {
    const file = await fileToPlan(db, link.jobId, needs);
    const thePlan = await plan(file);
    const { name, until, signedOff } = asLink(link);
    return {
      workshop: file.workshop.name,
      for: name,
      ...seenByGuest(file, thePlan),
      until,
      signedOff,
      delivery: await deliveryOfLink(link, file, thePlan),
    };
  };

  // The token is sent in the body: in an address it would stand in logs.
  server.post(
    '/shared',
    {
      config: { right: 'unasked', ...limited },
      schema: {
        tags,
        summary: 'The job of a link',
        body: z.strictObject({ token: Token }),
        response: gives(SharedJob),
      },
    },
    ({ body }) => inWorkshop(workshopOf(body.token), async () => shared(await linkOf(body.token))),
  );

  server.post(
    '/shared/photo',
    {
      config: { right: 'unasked', ...limited },
      schema: {
        tags,
        summary: 'A photo of what stands, for whoever has the link',
        body: SharedPhotoAsked,
        response: gives(SharedPhoto),
      },
    },
    ({ body }) =>
      inWorkshop(workshopOf(body.token), async () => {
        const { jobId } = await linkOf(body.token);
        const { type, moment, content } = await pictureOf(db, jobId, body.photo);
        // The place before and after is between the crew and the house.
        if (moment !== 'standing') throw notFound(`photo "${body.photo}"`);
        return { type, content: content.toString('base64') };
      }),
  );

  server.post(
    '/shared/sign-off',
    {
      config: { right: 'unasked', ...limited },
      schema: {
        tags,
        summary: 'Signs the job off, once for each link',
        body: SignOff,
        response: gives(SharedJob),
      },
    },
    ({ body }) =>
      inWorkshop(workshopOf(body.token), async () => {
        const link = await linkOf(body.token);
        const file = await fileToPlan(db, link.jobId, needs);
        const delivery = await deliveryOfLink(link, file, await plan(file));
        const signed = await changeJob(db, async (tx) => {
          const [row] = await tx
            .update(jobLinks)
            .set({ signedBy: body.by, signedAt: new Date(), remarks: body.remarks })
            .where(and(eq(jobLinks.id, link.id), isNull(jobLinks.signedAt)))
            .returning();
          if (!row) throw new ProblemError('already-there', 'It is signed already.');
          // In the log of the site too, with what it was signed for: every phone there sees it, and nothing replaces it.
          await addEntries(tx, link.jobId, {
            device: BY_LINK,
            clockOffMs: 0,
            after: 0,
            entries: [entryOf(row, delivery)],
          });
          return row;
        });
        return shared(signed);
      }),
  );
}

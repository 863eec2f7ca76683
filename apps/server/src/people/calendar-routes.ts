import { CalendarLink, type CrewMember, Handed, Id, Token } from '@early-lantern/contract';
import { calendarOfPerson, isHolding } from '@early-lantern/core';
import { and, asc, eq, gt, gte, isNull, lt, sql } from 'drizzle-orm';
import { z } from 'zod';
import { crewRows } from '../db/rows.ts';
import { calendarLinks, jobs } from '../db/schema.ts';
import { inWorkshop } from '../db/which-workshop.ts';
import { notFound, ProblemError } from '../http/problem.ts';
import { gives, makes, type RouteOptions, type Server } from '../http/types.ts';
import { asked } from '../jobs/filter.ts';
import { fileToPlan } from '../stock/file-to-plan.ts';
import { newId, newToken, tokenHash, workshopOf } from './secrets.ts';

const DAY_MS = 86_400_000;
/** A calendar is handed out anew once a year. */
const LASTS_DAYS = 365;
/** Jobs with doors so far back and so far ahead are in it; no more than so many. */
const BACK_DAYS = 7;
const AHEAD_DAYS = 60;
const MOST_JOBS = 60;
/** A calendar asks a few times a day; whoever guesses, more often. */
const limited = { rateLimit: { max: 30, timeWindow: '1 minute' } };

/** Calendars that somebody's phone reads by itself: of their own tasks and no more, for as long as the link lasts. */
export async function calendarRoutes(server: Server, { db, plan, needs }: RouteOptions): Promise<void> {
  const tags = ['links'];
  const asLink = ({ id, personId, until }: typeof calendarLinks.$inferSelect): CalendarLink => ({
    id,
    personId,
    until: until.toISOString(),
  });

  server.get(
    '/calendar-links',
    { config: { right: 'hand out phones' }, schema: { tags, response: gives(z.array(CalendarLink)) } },
    async () => (await db.select().from(calendarLinks).orderBy(asc(calendarLinks.until))).map(asLink),
  );

  server.post(
    '/calendar-links',
    {
      config: { right: 'hand out phones' },
      schema: {
        tags,
        summary: 'A calendar for one of the crew; its token is told once',
        body: z.strictObject({ personId: Id }),
        response: makes(Handed),
      },
    },
    async ({ body: { personId } }, reply) => {
      await crewRows.get(db, personId);
      const token = newToken();
      const until = new Date(Date.now() + LASTS_DAYS * DAY_MS);
      await db.insert(calendarLinks).values({ id: newId(), personId, tokenHash: tokenHash(token), until });
      return reply.code(201).send({ token, until: until.toISOString() });
    },
  );

  server.delete(
    '/calendar-links/:id',
    {
      config: { right: 'hand out phones' },
      schema: { tags, summary: 'Ends it', params: z.object({ id: Id }), response: gives(CalendarLink) },
    },
    async ({ params }) => {
      const [gone] = await db.delete(calendarLinks).where(eq(calendarLinks.id, params.id)).returning();
      if (!gone) throw notFound(`calendar "${params.id}"`);
      return asLink(gone);
    },
  );

  /** @throws ProblemError where it has ended, or its person has left */
  const personOf = async (token: string): Promise<CrewMember> => {
    const [link] = await db
      .select()
      .from(calendarLinks)
      .where(and(eq(calendarLinks.tokenHash, tokenHash(token)), gt(calendarLinks.until, sql`now()`)));
    const person = link && (await crewRows.find(db, link.personId));
    if (!person) throw new ProblemError('not-found', 'This calendar has ended. Ask for a new link.');
    return person.data;
  };

  const plannedFor = async (person: string) => {
    const day = (days: number) => new Date(Date.now() + days * DAY_MS);
    const theirs = await db
      .select({ id: jobs.id, data: jobs.data })
      .from(jobs)
      .where(
        and(
          isNull(jobs.deletedAt),
          gte(jobs.doors, day(-BACK_DAYS)),
          lt(jobs.doors, day(AHEAD_DAYS)),
          ...asked({ person }),
        ),
      )
      .orderBy(asc(jobs.doors), asc(jobs.id))
      .limit(MOST_JOBS);
    const planned = [];
    const held = theirs.filter(({ data }) => isHolding(data));
    for (const file of await Promise.all(held.map(({ id }) => fileToPlan(db, id, needs)))) {
      // One that cannot be planned keeps nobody from the others.
      const its = await plan(file).catch(() => undefined);
      if (its) planned.push({ file, plan: its });
    }
    return planned;
  };

  // A calendar can only ask by an address: it stands in no log of ours, ends by itself, and shows one person's tasks.
  server.get(
    '/calendars/:token',
    {
      config: { right: 'unasked', ...limited },
      schema: {
        tags,
        summary: 'The tasks of one person, for a calendar',
        params: z.object({ token: Token }),
      },
    },
    ({ params: { token } }, reply) =>
      inWorkshop(workshopOf(token), async () => {
        const { id, name } = await personOf(token);
        const text = calendarOfPerson(name, await plannedFor(id), { person: id, made: new Date() });
        return reply.header('cache-control', 'no-store').type('text/calendar; charset=utf-8').send(text);
      }),
  );
}

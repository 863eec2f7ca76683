import {
  AcceptInvitation,
  Account,
  AccountRow,
  ChangePassword,
  FirstOwner,
  Handed,
  Id,
  Invitation,
  Me,
  Name,
  PinCode,
  PinSignIn,
  SharedPhone,
  SignIn,
  Token,
  update,
} from '@early-lantern/contract';
import { asc, eq } from 'drizzle-orm';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import { changeHouse } from '../db/locks.ts';
import { phones } from '../db/schema.ts';
import { notFound, ProblemError } from '../http/problem.ts';
import { gives, makes, RevisionQuery, type RouteOptions, type Server } from '../http/types.ts';
import { getSettings } from '../workshop/store.ts';
import {
  accountNamed,
  accountsWithPin,
  addAccount,
  endSessions,
  FIRST_OWNER,
  getAccount,
  invite,
  invitedBy,
  listAccounts,
  putFirstOwner,
  removeAccount,
  setPassword,
  setPin,
  somebodyHasPassword,
  updateAccount,
} from './accounts.ts';
import { dropSession, keepPhone, keepSession, PHONE_COOKIE } from './cookies.ts';
import { asker } from './guard.ts';
import { newToken, tokenHash } from './secrets.ts';
import { beginSession, endSession, phoneOf } from './sessions.ts';
import { trySecret } from './tries.ts';

/** Requests of one address that try a password, PIN or link: so many a minute. */
const limited = { rateLimit: { max: 20, timeWindow: '1 minute' } };
const ById = z.object({ id: Id });
const Done = z.strictObject({ done: z.literal(true) });
const done = { done: true } as const;

/** Who may come in: signing in and out, accounts, invitations, shared phones. */
export async function peopleRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['people'];
  // Before the answer is out, so that nobody comes in with what was just ended.
  server.addHook('onSend', async ({ method }) => {
    if (method !== 'GET') server.forgetAccess();
  });
  const workshopName = async () => (await getSettings(db)).data.name;

  /** Signs somebody in on this device. Whatever session the device had before ends. */
  const letIn = async (
    request: FastifyRequest,
    reply: FastifyReply,
    account: Account,
    phoneId: string | null,
  ) => {
    const before = request.principal?.sessionHash;
    if (before) await endSession(db, before);
    const { token, endsAt } = await beginSession(db, account.id, phoneId);
    keepSession(reply, token, endsAt);
    return { workshop: await workshopName(), isOpen: false, account, phone: null };
  };

  server.get(
    '/me',
    {
      config: { right: 'anyone' },
      schema: { tags, summary: 'Who asks, and how they may sign in', response: gives(Me) },
    },
    async (request) => {
      const { principal } = request;
      const phone = await phoneOf(db, request.cookies[PHONE_COOKIE]);
      return {
        workshop: await workshopName(),
        isOpen: principal !== undefined && principal.sessionHash === null,
        account: principal?.account ?? null,
        phone: phone
          ? {
              name: phone.name,
              people: (await accountsWithPin(db)).map(({ id, name }) => ({ id, name })),
            }
          : null,
      };
    },
  );

  server.post(
    '/owner',
    {
      config: { right: 'manage access', ...limited },
      schema: {
        tags,
        summary: 'The first account; from then on everybody signs in',
        body: FirstOwner,
        response: gives(Me),
      },
    },
    async (request, reply) => {
      const { name, password } = request.body;
      const account: Account = { id: FIRST_OWNER, name: name.trim(), role: 'owner' };
      await changeHouse(db, async (tx) => {
        if (await somebodyHasPassword(tx))
          throw new ProblemError('already-there', 'There is an owner already. Sign in.');
        await putFirstOwner(tx, account);
        await setPassword(tx, account.id, password);
      });
      return letIn(request, reply, account, null);
    },
  );

  server.post(
    '/sign-in',
    { config: { right: 'anyone', ...limited }, schema: { tags, body: SignIn, response: gives(Me) } },
    async (request, reply) => {
      const { name, password } = request.body;
      const account = await accountNamed(db, name);
      if (!(await trySecret(db, account, account?.passwordHash ?? null, password)) || !account)
        throw new ProblemError('sign-in-first', 'Name or password is wrong.');
      return letIn(request, reply, account.data, null);
    },
  );

  server.post(
    '/sign-in/pin',
    {
      config: { right: 'anyone', ...limited },
      schema: { tags, summary: 'On a shared phone', body: PinSignIn, response: gives(Me) },
    },
    async (request, reply) => {
      const phone = await phoneOf(db, request.cookies[PHONE_COOKIE]);
      if (!phone)
        throw new ProblemError('not-allowed', 'PINs work on a shared phone only. Sign in with a password.');
      const account = await getAccount(db, request.body.accountId);
      if (!(await trySecret(db, account, account.pinHash, request.body.pin)))
        throw new ProblemError('sign-in-first', 'That PIN is wrong.');
      return letIn(request, reply, account.data, phone.id);
    },
  );

  server.post(
    '/sign-out',
    { config: { right: 'anyone' }, schema: { tags, response: gives(Done) } },
    async ({ principal }, reply) => {
      if (principal?.sessionHash) await endSession(db, principal.sessionHash);
      dropSession(reply);
      return done;
    },
  );

  server.post(
    '/sign-out/everywhere',
    { config: { right: 'look' }, schema: { tags, summary: 'On every device', response: gives(Done) } },
    async (request, reply) => {
      await endSessions(db, asker(request).account.id);
      dropSession(reply);
      return done;
    },
  );

  server.put(
    '/me/password',
    { config: { right: 'look', ...limited }, schema: { tags, body: ChangePassword, response: gives(Me) } },
    async (request, reply) => {
      const account = await getAccount(db, asker(request).account.id);
      const { current, password } = request.body;
      if (!(await trySecret(db, account, account.passwordHash, current)))
        throw new ProblemError('sign-in-first', 'The password you have now is wrong.');
      await setPassword(db, account.id, password);
      // Whoever else was signed in with the old one is not any more.
      await endSessions(db, account.id);
      return letIn(request, reply, account.data, null);
    },
  );

  server.post(
    '/invitations/look',
    {
      config: { right: 'anyone', ...limited },
      schema: {
        tags,
        summary: 'Whom a link invites',
        body: z.strictObject({ token: Token }),
        response: gives(Invitation),
      },
    },
    async ({ body }) => {
      const { name, role } = (await invitedBy(db, body.token)).data;
      return { workshop: await workshopName(), name, role };
    },
  );

  server.post(
    '/invitations/accept',
    {
      config: { right: 'anyone', ...limited },
      schema: { tags, body: AcceptInvitation, response: gives(Me) },
    },
    async (request, reply) => {
      const account = await invitedBy(db, request.body.token);
      await setPassword(db, account.id, request.body.password);
      await endSessions(db, account.id);
      return letIn(request, reply, account.data, null);
    },
  );

  server.get(
    '/accounts',
    { config: { right: 'manage access' }, schema: { tags, response: gives(z.array(AccountRow)) } },
    () => listAccounts(db),
  );

  server.post(
    '/accounts',
    {
      config: { right: 'manage access' },
      schema: {
        tags,
        summary: 'Lets somebody in; the link sets their password',
        body: Account,
        response: makes(Handed),
      },
    },
    async ({ body, principal }, reply) => {
      if (principal?.sessionHash === null)
        throw new ProblemError(
          'not-allowed',
          'Give yourself a password first: until then everybody here is the owner.',
        );
      const handed = await changeHouse(db, async (tx) => {
        await addAccount(tx, body);
        return invite(tx, body.id);
      });
      return reply.code(201).send(handed);
    },
  );

  server.put(
    '/accounts/:id',
    {
      config: { right: 'manage access' },
      schema: { tags, params: ById, body: update(Account), response: gives(AccountRow) },
    },
    ({ params, body }) =>
      changeHouse(db, (tx) => updateAccount(tx, params.id, body.revision, { ...body.data, id: params.id })),
  );

  server.delete(
    '/accounts/:id',
    {
      config: { right: 'manage access' },
      schema: { tags, params: ById, querystring: RevisionQuery, response: gives(AccountRow) },
    },
    ({ params, query }) => changeHouse(db, (tx) => removeAccount(tx, params.id, query.revision)),
  );

  server.post(
    '/accounts/:id/invitation',
    {
      config: { right: 'manage access' },
      schema: {
        tags,
        summary: 'A new link: also for who has forgotten the password',
        params: ById,
        response: gives(Handed),
      },
    },
    ({ params }) => invite(db, params.id),
  );

  server.post(
    '/accounts/:id/sign-out',
    {
      config: { right: 'manage access' },
      schema: { tags, summary: 'On every device', params: ById, response: gives(Done) },
    },
    async ({ params }) => {
      await getAccount(db, params.id);
      await endSessions(db, params.id);
      return done;
    },
  );

  server.get(
    '/helpers',
    {
      config: { right: 'hand out phones' },
      schema: { tags, summary: 'Those whose PIN a lead may set', response: gives(z.array(AccountRow)) },
    },
    async () => (await listAccounts(db)).filter(({ data }) => isForPin(data)),
  );

  server.put(
    '/accounts/:id/pin',
    {
      config: { right: 'hand out phones' },
      schema: {
        tags,
        summary: 'For shared phones; null takes it away',
        params: ById,
        body: z.strictObject({ pin: PinCode.nullable() }),
        response: gives(AccountRow),
      },
    },
    async ({ params, body }) => {
      const { data } = await getAccount(db, params.id);
      if (!isForPin(data))
        throw new ProblemError('not-allowed', 'Only helpers and viewers sign in with a PIN.');
      return setPin(db, params.id, body.pin);
    },
  );

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
      const id = newToken()
        .toLowerCase()
        .replace(/[^a-z0-9]/g, '')
        .slice(0, 12);
      await db.insert(phones).values({ id, name: body.name, tokenHash: tokenHash(token) });
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
      schema: { tags, summary: 'Signs out who is signed in there', params: ById, response: gives(Done) },
    },
    async ({ params }) => {
      const gone = await db.delete(phones).where(eq(phones.id, params.id)).returning({ id: phones.id });
      if (gone.length === 0) throw notFound(`phone "${params.id}"`);
      return done;
    },
  );
}

/** Whoever may change plans signs in with a password, wherever they are. */
const isForPin = ({ role }: Account): boolean => role === 'helper' || role === 'viewer';
